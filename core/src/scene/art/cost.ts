import type { ArtElement } from './element.ts';
import { urlsIn } from './urls.ts';

/** What a drawing may cost to paint, in plain elements: markers, masks, clips, patterns and filters counted with all that they paint. */
const MOST_COST = 60_000;

/** Colour stops that one gradient may have. */
const MOST_STOPS = 500;

/** Filter steps weigh as so many elements each: they are worked out for every pixel. */
const FILTER_STEP = 60;

/** Times that a pattern is taken to be repeated. */
const TILES = 12;

/** px. A dash finer than this is no dash, and takes a second a frame on a long line. */
const FINEST_DASH = 0.1;

/** px of a blur beyond which nothing is told apart. */
const WIDEST_BLUR = 500;

/** Layers of noise beyond which none is seen. */
const MOST_OCTAVES = 10;

/** Times the size of what it is applied to that a filter may cover, each way. */
const WIDEST_FILTER = 10;

/** Letters that weigh as one element. */
const LETTERS = 4;

/** Attributes that paint something else with an element, and how often. */
const PAINTED: Readonly<Record<string, (element: ArtElement) => number>> = {
  mask: () => 1,
  'clip-path': () => 1,
  filter: () => 1,
  fill: () => 1,
  stroke: () => 1,
  'marker-start': () => 1,
  'marker-end': () => 1,
  'marker-mid': (element) => verticesOf(element),
};

/** About how many corners a line has, where markers stand. */
function verticesOf(element: ArtElement): number {
  if (element.name === 'g' || element.name === 'svg' || element.name === 'symbol' || element.name === 'use') return 1;
  const drawn = element.attributes['d'] ?? element.attributes['points'] ?? '';
  let count = 1;
  for (let i = 0; i < drawn.length; i++) if (/[\s,a-zA-Z-]/.test(drawn.charAt(i))) count++;
  return Math.ceil(count / 2);
}

/** What one element costs by itself. */
function ownCost({ name }: ArtElement): number {
  return name.startsWith('fe') ? FILTER_STEP : 1;
}

const numbersOf = (text: string | undefined): number[] =>
  (text ?? '')
    .split(/[\s,]+/)
    .filter(Boolean)
    .map((part) => Number.parseFloat(part));

/** Why an element cannot be painted in any sensible time; undefined where it can. */
function troubleOf(element: ArtElement): string | undefined {
  const dash = element.attributes['stroke-dasharray'];
  if (dash !== undefined) {
    const sum = numbersOf(dash).reduce((total, one) => total + (Number.isFinite(one) ? one : 0), 0);
    if (sum > 0 && sum < FINEST_DASH) return `its dashes are finer than ${FINEST_DASH} px`;
  }
  if (
    element.name === 'feGaussianBlur' &&
    numbersOf(element.attributes['stdDeviation']).some((one) => one > WIDEST_BLUR)
  )
    return `it blurs over more than ${WIDEST_BLUR} px`;
  if (element.name === 'feTurbulence' && numbersOf(element.attributes['numOctaves']).some((one) => one > MOST_OCTAVES))
    return `its noise has more than ${MOST_OCTAVES} layers`;
  if (element.name === 'filter' && coversTooMuch(element))
    return `a filter of it covers more than ${WIDEST_FILTER} times what it is applied to`;
  if (/Gradient$/.test(element.name) && element.children.length > MOST_STOPS)
    return `a gradient of it has more than ${MOST_STOPS} colours`;
  return undefined;
}

/** Whether a filter's region is many times the box that it is applied to; one in px is bounded by the drawing's size. */
function coversTooMuch({ attributes }: ArtElement): boolean {
  if (attributes['filterUnits'] === 'userSpaceOnUse') return false;
  const share = (text: string | undefined): number =>
    (Number.parseFloat(text ?? '0') || 0) / (text?.trim().endsWith('%') ? 100 : 1);
  return share(attributes['width']) > WIDEST_FILTER || share(attributes['height']) > WIDEST_FILTER;
}

/** Elements by their ids. Ids are known to be given once. */
function byIds(root: ArtElement): Map<string, ArtElement> {
  const found = new Map<string, ArtElement>();
  const visit = (element: ArtElement): void => {
    const id = element.attributes['id'];
    if (id !== undefined) found.set(id, element);
    for (const child of element.children) if (typeof child !== 'string') visit(child);
  };
  visit(root);
  return found;
}

/** What a drawing costs to paint, in plain elements, and why that is too much; undefined where it is not. */
export interface PaintCost {
  readonly cost: number;
  readonly trouble: string | undefined;
}

/** What a drawing costs to paint. What is referred to is counted, not drawn out: each element is looked at once. */
export function costOf(root: ArtElement): PaintCost {
  const ids = byIds(root);
  const known = new Map<ArtElement, number>();
  const open = new Set<ArtElement>();
  let trouble: string | undefined;
  const paintedWith = (element: ArtElement, inside: number): number => {
    let sum = 0;
    for (const [name, times] of Object.entries(PAINTED)) {
      const value = element.attributes[name];
      if (value === undefined || !value.includes('(')) continue;
      for (const { target } of urlsIn(value) ?? []) {
        const other = ids.get(target.slice(1));
        if (!other || /Gradient$/.test(other.name)) continue;
        // A group hands its markers and paints on to all that is in it.
        const users = element.children.length > 0 && /^(?:marker|fill|stroke)/.test(name) ? inside : 1;
        sum += cost(other) * times(element) * users * (other.name === 'pattern' ? TILES : 1);
      }
    }
    return sum;
  };
  const cost = (element: ArtElement): number => {
    const before = known.get(element);
    if (before !== undefined) return before;
    // What leads round in a circle is painted by nobody.
    if (open.has(element)) return 0;
    open.add(element);
    trouble ??= troubleOf(element);
    let sum = ownCost(element);
    for (const child of element.children) sum += typeof child === 'string' ? child.length / LETTERS : cost(child);
    if (element.name === 'use') {
      const target = ids.get((element.attributes['href'] ?? '').slice(1));
      if (target) sum += cost(target);
    }
    sum += paintedWith(element, sum);
    open.delete(element);
    known.set(element, sum);
    return sum;
  };
  const total = cost(root);
  if (total > MOST_COST)
    trouble ??= 'its texts, markers, masks, patterns and filters multiply to more than can be painted';
  return { cost: Math.round(total), trouble };
}
