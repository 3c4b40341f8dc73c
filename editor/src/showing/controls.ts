import type { RowName } from '../words/rows.ts';

/** What of the page can be pressed by its name. */
const PRESSED =
  'button, a[href], summary, [role="option"], [role="menuitem"], [role="radio"], [role="switch"], [role="tab"], input[type="radio"], input[type="checkbox"]';

const squeezed = (words: string): string => words.replaceAll(/\s+/g, ' ').trim();

/** What readers of the screen call a control. */
export function nameOf(control: Element): string {
  const own = control.getAttribute('aria-label');
  if (own !== null) return squeezed(own);
  if (control instanceof HTMLImageElement) return control.alt;
  if (control instanceof HTMLInputElement && control.labels?.[0]) return squeezed(control.labels[0].textContent);
  return squeezed(control.textContent);
}

/** Whether a control is seen, and does what it says when it is pressed. The strip that tells of the recipe is none of it. */
const isThere = (control: HTMLElement): boolean =>
  control.getClientRects().length > 0 &&
  !control.matches(':disabled') &&
  control.closest('[inert], .show-strip') === null;

const all = (root: ParentNode, selector: string): HTMLElement[] =>
  [...root.querySelectorAll<HTMLElement>(selector)].filter(isThere);

/** What is looked at: the page, or what is called so on it. */
function* rootsOf(within: string | undefined): Generator<ParentNode> {
  if (within === undefined) yield document;
  else yield* all(document, `[aria-label="${CSS.escape(within)}"], [data-card="${CSS.escape(within)}"]`);
}

type Fits = (name: string, asked: string) => boolean;

const isWhole: Fits = (name, asked) => name === asked;
const begins: Fits = (name, asked) => name.startsWith(asked);

function among(within: string | undefined, selector: string, asked: string, fits: Fits): HTMLElement | undefined {
  for (const root of rootsOf(within)) {
    const found = all(root, selector).find((one) => fits(nameOf(one), asked));
    if (found) return found;
  }
  return undefined;
}

/** A control by its whole name, or else by what its name begins with. */
const called = (within: string | undefined, selector: string, name: string): HTMLElement | undefined =>
  among(within, selector, name, isWhole) ?? among(within, selector, name, begins);

export const pressed = (name: string, within?: string): HTMLElement | undefined => called(within, PRESSED, name);

/** The same by its whole name alone. */
export const pressedExactly = (name: string, within?: string): HTMLElement | undefined =>
  among(within, PRESSED, name, isWhole);

export const fieldCalled = (label: string): HTMLElement | undefined =>
  called(undefined, 'input:not([type="radio"], [type="checkbox"]), textarea', label);

const rowOf = (row: RowName): Element | null => document.querySelector(`[data-row="${row}"]`);

/** A row's nth field. */
export function fieldOf(row: RowName, nth: number): HTMLElement | undefined {
  const found = rowOf(row);
  return found ? all(found, '.row-value input')[nth] : undefined;
}

/** What in a row is pressed to take an option at once, else the nth choice that opens a list of options. */
export function choiceOf(
  row: RowName,
  option: string,
  nth: number,
): { readonly button?: HTMLElement; readonly list?: HTMLElement } {
  const found = rowOf(row);
  if (!found) return {};
  const button = all(found, 'button').find((one) => nameOf(one) === option);
  if (button) return { button };
  const list = all(found, 'input[aria-haspopup="listbox"], [role="combobox"]')[nth];
  return list ? { list } : {};
}

export const keyButtonOf = (row: RowName): HTMLElement | undefined => {
  const found = rowOf(row);
  return found ? all(found, '.key-button')[0] : undefined;
};

/** A card that is in sight: its head, and whether its rows are folded away. */
export function cardOf(card: string): { readonly head: HTMLElement; readonly isFolded: boolean } | undefined {
  const found = document.querySelector(`[data-card="${card}"]`);
  if (!found) return undefined;
  const [head] = all(found, '.card-head');
  return head && { head, isFolded: all(found, '.card-body').length === 0 };
}

export const addButtonOf = (card: string): HTMLElement | undefined => {
  const found = document.querySelector(`[data-card="${card}"]`);
  return found ? all(found, '.add-button')[0] : undefined;
};

/** What can be dragged out of a drawer, by its own name or that of its picture. */
export const draggedCalled = (name: string): HTMLElement | undefined =>
  all(document, '[draggable="true"]').find((one) =>
    [one, ...one.querySelectorAll('img')].some((part) => nameOf(part).includes(name)),
  );

/** An option of a list that is open. */
export const optionCalled = (name: string): HTMLElement | undefined => called(undefined, '[role="option"]', name);

/** The drawn edge of the canvas, whose width and height are those of the canvas in px: it stands apart from the page's styles. */
export function canvasEdge(): Element | undefined {
  for (const one of document.querySelectorAll('.canvas-view *')) {
    const edge = one.shadowRoot?.querySelector('.canvas-edge');
    if (edge && edge.getClientRects().length > 0) return edge;
  }
  return undefined;
}

/** The sheet's chart. */
export const sheet = (): SVGSVGElement | undefined => {
  const chart = document.querySelector<SVGSVGElement>('svg.sheet');
  return chart && chart.getClientRects().length > 0 ? chart : undefined;
};

type Timeline =
  | { readonly ruler: Element; readonly slider?: undefined }
  | { readonly ruler?: undefined; readonly slider: HTMLElement };

/** What brings the playhead to a time: the ruler of the sheet, or the slider that stands for it. */
export function timeline(): Timeline | undefined {
  const ruler = sheet()?.querySelector('.strip-ground');
  if (ruler) return { ruler };
  const [slider] = all(document, '.scrub-slider [role="slider"]');
  return slider && { slider };
}

/** In a narrow window, where panes and cards are pages: what turns to the others. */
export const otherPages = (): readonly HTMLElement[] => all(document, '.page-tab[aria-pressed="false"]');
