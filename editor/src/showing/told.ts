/** A place of the window, px. */
export type Place = readonly [x: number, y: number];

/** Keys that are held meanwhile. */
export interface Held {
  readonly shiftKey?: boolean;
  readonly altKey?: boolean;
  readonly ctrlKey?: boolean;
}

export const middleOf = (one: Element): Place => {
  const { left, top, width, height } = one.getBoundingClientRect();
  return [left + width / 2, top + height / 2];
};

/** Pointers of scripts cannot be captured in every browser; what they press hears them all the same, as they are told to it alone. */
function withoutCapture<T>(act: () => T): T {
  const own = Object.getOwnPropertyDescriptor(Element.prototype, 'setPointerCapture');
  if (!own) return act();
  Object.defineProperty(Element.prototype, 'setPointerCapture', { ...own, value: () => undefined });
  try {
    return act();
  } finally {
    Object.defineProperty(Element.prototype, 'setPointerCapture', own);
  }
}

/** What an element is told of a pointer, as a browser tells it. */
export function tellOf(
  target: Element,
  type: string,
  [x, y]: Place,
  buttons: number,
  held: Held = {},
  detail = 0,
): boolean {
  const given = { clientX: x, clientY: y, buttons, button: 0, bubbles: true, cancelable: true, composed: true, detail };
  const common = { ...given, ...held, view: window };
  if (!type.startsWith('pointer')) return target.dispatchEvent(new MouseEvent(type, common));
  const init = { ...common, pointerId: 1, pointerType: 'mouse', isPrimary: true };
  return withoutCapture(() => target.dispatchEvent(new PointerEvent(type, init)));
}

/** What lies at a place of the page, under what only shows. */
export const under = (at: Place): Element | undefined =>
  document.elementsFromPoint(...at).find((one) => one.closest('.show-shield') === null);

/** The bytes of a data URL. */
export const bytesOf = (url: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(url.slice(url.indexOf(',') + 1)), (one) => one.charCodeAt(0));

const focusable = 'button, a[href], input, textarea, select, [tabindex]';

export function focusOn(target: Element): void {
  const one = target.closest<HTMLElement>(focusable);
  if (one) one.focus({ preventScroll: true });
  else if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}

const MODIFIERS = { Control: 'ctrlKey', Shift: 'shiftKey', Alt: 'altKey' } as const;

/** The `code` of a key on a keyboard. */
const codeOf = (key: string): string =>
  /^\d$/.test(key) ? `Digit${key}` : /^[a-z]$/i.test(key) ? `Key${key.toUpperCase()}` : key === ' ' ? 'Space' : key;

/** A key, and what is held with it, from words such as "Control+d". */
export function chordOf(chord: string): Held & { readonly key: string; readonly code: string } {
  const parts = chord === '+' ? ['+'] : chord.split('+');
  const key = parts.at(-1) ?? '';
  const held = Object.fromEntries(parts.slice(0, -1).map((one) => [MODIFIERS[one as keyof typeof MODIFIERS], true]));
  return { key, code: codeOf(key), ...held };
}
