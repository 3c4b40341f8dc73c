import { readArtMarkup, writeArtElement, type ArtElement } from '../../scene/art/index.ts';
import { bareFamily } from './family.ts';
import type { Font } from './fonts.ts';

type Attributes = Readonly<Record<string, string>>;

/** A drawing whose texts are outlines, and what had to stay text, in words. */
interface OutlinedTexts {
  readonly markup: string;
  /** Pieces of text that are outlines now. */
  readonly count: number;
  readonly left: readonly string[];
}

/** What a text has of what it lies in, and says of its letters. */
const LETTERING = new Set(
  'font-family font-size font-style font-weight letter-spacing word-spacing text-anchor font-variant font-stretch text-decoration dominant-baseline writing-mode direction xml:space'.split(
    ' ',
  ),
);

/** What of a text is said of its letters alone: its outlines need none of it. */
const DROPPED = new Set([
  ...LETTERING,
  ...'x y dx dy rotate textLength lengthAdjust alignment-baseline baseline-shift font-size-adjust text-rendering unicode-bidi'.split(
    ' ',
  ),
]);

/** What is not outlined, and why. */
const REFUSED: readonly (readonly [name: string, ok: RegExp, why: string])[] = [
  ['rotate', /^0?$/, 'its letters are turned'],
  ['textLength', /^$/, 'it is fitted to a length'],
  ['dominant-baseline', /^(?:auto|alphabetic)?$/, 'it does not stand on its baseline'],
  ['alignment-baseline', /^(?:auto|baseline|alphabetic)?$/, 'it does not stand on its baseline'],
  ['baseline-shift', /^(?:0|baseline)?$/, 'it does not stand on its baseline'],
  ['writing-mode', /^(?:lr|lr-tb|horizontal-tb)?$/, 'it is not written across'],
  ['direction', /^(?:ltr)?$/, 'it is written from right to left'],
  ['text-decoration', /^(?:none)?$/, 'it is underlined or struck out'],
  ['font-variant', /^(?:normal)?$/, 'it has small capitals'],
  ['word-spacing', /^(?:normal|0)?$/, 'its words are spaced'],
];

/** Thrown for a text that stays one; says why. */
class StaysText extends Error {}

/** The texts of a drawing in the form that art has, as outlines by these fonts: each by the one that its family names, or by the only one that is given. */
export function outlinedTexts(markup: string, fonts: readonly Font[]): OutlinedTexts {
  const read = readArtMarkup(markup);
  if (!read.ok) throw new Error(read.message);
  const left = new Set<string>();
  let count = 0;
  const visit = (element: ArtElement, above: Attributes): ArtElement => {
    const style = letteringOf(above, element.attributes);
    if (element.name !== 'text') {
      const children = element.children.map((child) => (typeof child === 'string' ? child : visit(child, style)));
      return { ...element, children };
    }
    try {
      const outlined = outlinesOf(element, style, fonts);
      count++;
      return outlined;
    } catch (error) {
      if (!(error instanceof StaysText)) throw error;
      left.add(`“${textOf(element).trim().slice(0, 30)}” stays text: ${error.message}.`);
      return element;
    }
  };
  return { markup: writeArtElement(visit(read.root, {})), count, left: [...left] };
}

/** Families that the texts of a drawing are written in, as they are said; generic ones too. */
export function familiesIn(markup: string): readonly string[] {
  const read = readArtMarkup(markup);
  if (!read.ok) return [];
  const found = new Set<string>();
  const visit = (element: ArtElement, above: Attributes): void => {
    const style = letteringOf(above, element.attributes);
    if (element.name === 'text' || element.name === 'tspan') found.add(familiesOf(style)[0] ?? 'sans-serif');
    for (const child of element.children) if (typeof child !== 'string') visit(child, style);
  };
  visit(read.root, {});
  return [...found];
}

const letteringOf = (above: Attributes, own: Attributes): Attributes => ({
  ...above,
  ...Object.fromEntries(Object.entries(own).filter(([name]) => LETTERING.has(name))),
});

const textOf = (element: ArtElement): string =>
  element.children.map((child) => (typeof child === 'string' ? child : textOf(child))).join('');

const familiesOf = (style: Attributes): string[] =>
  (style['font-family'] ?? '')
    .split(',')
    .map((one) => one.trim().replace(/^["']|["']$/g, ''))
    .filter((one) => one !== '');

const WEIGHTS: Readonly<Record<string, number>> = { normal: 400, bold: 700, bolder: 700, lighter: 300 };

function fontFor(style: Attributes, fonts: readonly Font[]): Font {
  const families = familiesOf(style);
  const weight = WEIGHTS[style['font-weight'] ?? 'normal'] ?? (Number(style['font-weight']) || 400);
  const isItalic = /italic|oblique/.test(style['font-style'] ?? '');
  const off = (font: Font): number => Math.abs(font.weight - weight) + (font.isItalic === isItalic ? 0 : 1000);
  for (const family of families) {
    const [nearest] = fonts
      .filter((font) => font.families.includes(bareFamily(family)))
      .sort((a, b) => off(a) - off(b));
    if (nearest) return nearest;
  }
  const [only, another] = fonts;
  if (only && !another) return only;
  throw new StaysText(`none of the fonts is “${families[0] ?? 'sans-serif'}”`);
}

/** A length of letters, px. */
function px(text: string | undefined, otherwise: number, what: string): number {
  if (text === undefined || text === 'normal') return otherwise;
  const value = /^([+-]?[\d.]+(?:e[+-]?\d+)?)(?:px)?$/i.exec(text.trim());
  if (!value) throw new StaysText(`its ${what} is “${text.slice(0, 20)}”`);
  return Number(value[1]);
}

/** Where a piece of text begins, where that is said, and by how much it is moved, px. */
interface Place {
  readonly x?: number | undefined;
  readonly y?: number | undefined;
  readonly dx: number;
  readonly dy: number;
}

/** A place after another: what it says itself counts. */
const placedBy = (before: Place, { x, y, dx, dy }: Place): Place => ({
  x: x ?? before.x,
  y: y ?? before.y,
  dx: before.dx + dx,
  dy: before.dy + dy,
});

/** A piece of text with one style, and the paint of its own. */
interface Run extends Place {
  text: string;
  readonly style: Attributes;
  readonly paint: Attributes;
}

/** Pieces of a text from a place that is said until the next, which an anchor holds together. */
interface Chunk {
  readonly x: number;
  readonly runs: {
    readonly run: Run;
    readonly font: Font;
    readonly size: number;
    readonly spacing: number;
    readonly y: number;
    readonly before: number;
  }[];
  width: number;
}

function outlinesOf(text: ArtElement, style: Attributes, fonts: readonly Font[]): ArtElement {
  const runs: Run[] = [];
  gather(text, style, {}, runs);
  collapse(runs, style['xml:space'] === 'preserve');
  const chunks = chunksOf(runs, fonts);
  const paths = chunks.flatMap(({ x, runs: all, width }) => {
    const anchor = all[0]?.run.style['text-anchor'];
    const from = x - (anchor === 'middle' ? width / 2 : anchor === 'end' ? width : 0);
    return all.flatMap(({ run, font, size, spacing, y, before }): ArtElement[] => {
      const outlined = font.outline(run.text, { x: from + before, y, size, spacing });
      if (!outlined) throw new StaysText('the font has not all of its letters');
      return outlined.data === ''
        ? []
        : [{ name: 'path', attributes: { ...run.paint, d: outlined.data }, children: [] }];
    });
  });
  const kept = Object.entries(text.attributes).filter(([name]) => !DROPPED.has(name));
  return { name: 'g', attributes: Object.fromEntries(kept), children: paths };
}

/** The pieces of a text and of what is in it, in order. */
function gather(element: ArtElement, style: Attributes, paint: Attributes, into: Run[]): void {
  const { attributes } = element;
  for (const [name, ok, why] of REFUSED)
    if (!ok.test((attributes[name] ?? style[name] ?? '').trim())) throw new StaysText(why);
  const one = (name: string): number | undefined => {
    const value = attributes[name]?.trim();
    if (value === undefined || value === '') return undefined;
    if (/[\s,]/.test(value)) throw new StaysText('its letters are placed one by one');
    return px(value, 0, name);
  };
  let place: Place = { x: one('x'), y: one('y'), dx: one('dx') ?? 0, dy: one('dy') ?? 0 };
  for (const child of element.children) {
    if (typeof child === 'string') into.push({ text: child, style, paint, ...place });
    else if (child.name === 'tspan') {
      // A place that is said before a piece of it says another is that piece's until then.
      if (place.x !== undefined || place.y !== undefined || place.dx !== 0 || place.dy !== 0)
        into.push({ text: '', style, paint, ...place });
      const own = Object.entries(child.attributes).filter(([name]) => !DROPPED.has(name) && name !== 'id');
      gather(child, letteringOf(style, child.attributes), { ...paint, ...Object.fromEntries(own) }, into);
    } else if (child.name !== 'title' && child.name !== 'desc') throw new StaysText(`it has a <${child.name}>`);
    place = { dx: 0, dy: 0 };
  }
}

/** White space as it is shown: none at the ends, one between words (SVG 1.1, 10.15), or all of it. */
function collapse(runs: Run[], keeps: boolean): void {
  let isAfterSpace = true;
  for (const run of runs) {
    const plain = run.text.replace(/[\t\r\n]/g, ' ');
    if (keeps) {
      run.text = plain;
      continue;
    }
    run.text = plain.replace(/ +/g, ' ');
    if (isAfterSpace) run.text = run.text.replace(/^ /, '');
    if (run.text !== '') isAfterSpace = run.text.endsWith(' ');
  }
  if (keeps) return;
  for (let i = runs.length - 1; i >= 0; i--) {
    const run = runs[i];
    if (!run) continue;
    run.text = run.text.replace(/ $/, '');
    if (run.text !== '') break;
  }
}

function chunksOf(runs: readonly Run[], fonts: readonly Font[]): Chunk[] {
  const chunks: Chunk[] = [];
  let [x, y] = [0, 0];
  let waiting: Place = { dx: 0, dy: 0 };
  for (const given of runs) {
    // A place that is said where nothing is written is that of what comes next.
    const run = { ...given, ...placedBy(waiting, given) };
    waiting = run.text === '' ? placedBy(waiting, given) : { dx: 0, dy: 0 };
    if (run.text === '') continue;
    let chunk = chunks[chunks.length - 1];
    y = (run.y ?? y) + run.dy;
    if (!chunk || run.x !== undefined || run.y !== undefined) {
      x = run.x ?? (chunk ? chunk.x + chunk.width : x);
      chunks.push((chunk = { x, runs: [], width: 0 }));
    }
    const font = fontFor(run.style, fonts);
    const size = px(run.style['font-size'], 16, 'size');
    const spacing = px(run.style['letter-spacing'], 0, 'spacing');
    const outlined = font.outline(run.text, { x: 0, y: 0, size, spacing });
    if (!outlined) throw new StaysText('the font has not all of its letters');
    const before = chunk.width + run.dx;
    chunk.runs.push({ run, font, size, spacing, y, before });
    chunk.width = before + outlined.width;
  }
  return chunks;
}
