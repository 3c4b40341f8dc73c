import { z } from '../../../zod.ts';
import type { Picture, Scene } from '../../../scene/index.ts';
import {
  isConstant,
  stillTake,
  type Curve,
  type Drawn,
  type DrawnStroke,
  type Take,
  type View,
  type ViewCurves,
} from '../../../take/index.ts';
import { pathData } from '../../path-data.ts';
import { escapeMarkup, formatNumber, shortHash } from '../../text.ts';
import { namedColors, withColors, type NamedColor } from '../colors.ts';
import { styleOf, wholeClass } from '../style.ts';
import { px, type Track } from '../tracks.ts';
import { artMarkup, picturesOf } from './art.ts';
import { clippedByCanvas } from './clips.ts';
import { awayFrom, fadingOf, factorsOf, groupsOf } from './groups.ts';
import { pictureMarkup } from './picture.ts';
import { animated, ownMoves, type Clipping, type EchoRule, type Writing } from './writing.ts';

export interface SvgOptions {
  readonly title: string;
  readonly background: boolean;
  /** What stands before every id and class; absent or empty: made of its content and its name. */
  readonly prefix?: string;
  /** Whether a picture that is shown more than once is written once and used: absent, it is. */
  readonly uses?: boolean;
  /** Colours that a page may set (colors.ts). */
  readonly colors?: string;
}

/** The option of drawings that are put into pages among others. */
export const USES = {
  uses: z
    .boolean()
    .default(true)
    .describe(
      'Share pictures with <use>: written once where they are shown several times; off for sanitisers that remove <use>',
    ),
};

/** A drawing apart from how it is set in motion. */
export interface DrawnSvg {
  /** Stands before every id and class. */
  readonly prefix: string;
  /** The <svg> element with a style sheet in it. */
  readonly markup: (style: string) => string;
  readonly tracks: readonly Track[];
  /** What is ahead of tracks that it shares, by the name of its class. */
  readonly echoes: ReadonlyMap<string, EchoRule>;
  /** What clips, by its id, which is the class of what it clips. */
  readonly clips: ReadonlyMap<string, Clipping>;
  /** Whether there is text in it, and pictures with edges of their own. */
  readonly hasText: boolean;
  readonly hasFrames: boolean;
  /** Colours that a page may set. */
  readonly colors: readonly NamedColor[];
}

/** The drawing of a take as one <svg> element that moves by CSS. Its names carry a prefix made of its content. */
export function svgOf(take: Take, options: SvgOptions): string {
  const drawn = drawnSvg(take, options);
  return drawn.markup(styleOf(take, drawn));
}

/** A picture of a scene at one time, s, exactly as the evaluator has it. */
export const stillSvg = (scene: Scene, time: number, options: SvgOptions): string =>
  svgOf(stillTake(scene, time), options);

/** The drawing of a take, and all that moves in it. */
export function drawnSvg(take: Take, options: SvgOptions): DrawnSvg {
  const { title, background, uses = true } = options;
  const prefix = prefixOf(take, options);
  const colors = namedColors(options.colors);
  // What is light is written out: a picture that is used costs a page more than one that is there.
  const isLight = take.drawing.some((drawn) => drawn.kind === 'art' && drawn.joint);
  const shared = uses && !isLight ? sharedPictures(take.drawing) : new Map<Picture, number>();
  const writing: Writing = {
    ...{ prefix, take, shared },
    ...{ tracks: new Map(), echoes: new Map(), ids: new Set(), definitions: new Map() },
    ...{ clips: new Map(), lines: new Map() },
  };
  const around = clippedByCanvas(writing);
  for (const [picture, n] of shared) {
    const id = `${prefix}-a${n}`;
    writing.definitions.set(id, `<g id="${id}">${pictureMarkup(writing, picture, `${id}-`)}</g>`);
  }
  const { width, height, background: paper } = take.canvas;
  const [w, h] = [formatNumber(width, 3), formatNumber(height, 3)];
  const [shownWidth, shownHeight] = [width, height].map((side) => formatNumber(side * take.scale, 3));
  const paint = background && paper !== null ? `<rect width="${w}" height="${h}" fill="${paper}"/>` : '';
  const drawing = `${around}${paint}${drawingMarkup(writing)}</g>`;
  const inside = withColors(`<defs>${[...writing.definitions.values()].join('')}</defs>${drawing}`, colors, prefix);
  return {
    prefix,
    colors,
    hasText: inside.includes('<text'),
    hasFrames: inside.includes('<svg'),
    tracks: [...writing.tracks.values()],
    echoes: writing.echoes,
    clips: writing.clips,
    markup: (style) =>
      `<svg xmlns="http://www.w3.org/2000/svg" class="${wholeClass(prefix)}" width="${shownWidth}" height="${shownHeight}" viewBox="0 0 ${w} ${h}" role="img" aria-labelledby="${prefix}-t">` +
      `<title id="${prefix}-t">${escapeMarkup(title || take.name)}</title>${style}${inside}</svg>`,
  };
}

/** What stands before every id and class: made of all that is drawn, unless it is said. */
const prefixOf = (take: Take, { title, background, prefix, colors }: SvgOptions): string =>
  prefix || `pl${shortHash(JSON.stringify([withoutPixels(take), title, background, ...(colors ? [colors] : [])]))}`;

/** A take with the names of its pixels, which are made of them, instead of them; without any where it has none. */
function withoutPixels({ assets, ...take }: Take): object {
  const names = Object.keys(assets);
  return names.length > 0 ? { ...take, assets: names } : take;
}

function sharedPictures(drawing: readonly Drawn[]): Map<Picture, number> {
  const uses = new Map<Picture, number>();
  for (const drawn of drawing)
    if (drawn.kind === 'art')
      for (const picture of picturesOf(drawn).values()) uses.set(picture, (uses.get(picture) ?? 0) + 1);
  return new Map([...uses].filter(([, count]) => count > 1).map(([picture], i) => [picture, i + 1]));
}

/** All that is drawn; what a camera moves alike stands in one group. */
function drawingMarkup(writing: Writing): string {
  const { drawing, view } = writing.take;
  const parts: string[] = [];
  let last: number | undefined;
  let close = '';
  drawing.forEach((drawn, i) => {
    const parallax = drawn.kind === 'art' ? drawn.parallax : 1;
    if (view && parallax !== last) {
      const groups = viewMarkup(writing, view, parallax);
      parts.push(close, groups.join(''));
      close = '</g>'.repeat(groups.length);
      last = parallax;
    }
    parts.push(drawn.kind === 'art' ? artMarkup(writing, drawn) : strokeMarkup(writing, drawn, i + 1));
  });
  return parts.join('') + close;
}

/** The groups of a view, from the outermost: translate(middle) · scale · rotate(−angle) · translate(−place). */
function viewMarkup(writing: Writing, view: View, parallax: number): string[] {
  const { width, height } = writing.take.canvas;
  const name = `${writing.prefix}-v${formatNumber(parallax, 4).replace(/[^\d]/g, '_')}`;
  const away = (curve: Curve, middle: number): Curve => mapped(curve, (v) => -(middle + parallax * (v - middle)));
  const channels = ({ x, y, angle, zoomX, zoomY }: ViewCurves): Parameters<typeof factorsOf>[0] => ({
    x: away(x, width / 2),
    y: away(y, height / 2),
    angle: mapped(angle, (v) => -v),
    skew: STILL,
    scaleX: zoomX,
    scaleY: zoomY,
  });
  const factors = factorsOf(channels(view), view.entering && channels(view.entering));
  const order = ['w', 'h', 't', 'x', 'y'];
  const sorted = order.flatMap((key) => factors.filter((one) => one.key === key));
  return groupsOf(writing, ownMoves(name, view.runs), sorted, {
    before: `translate(${px(width / 2)} ${px(height / 2)})`,
  });
}

const STILL: Curve = [{ time: 0, value: 0 }];

const mapped = (curve: Curve, of: (value: number) => number): Curve =>
  curve.map((key) => ({ ...key, value: of(key.value) }));

/** A guide drawn as a line; drawn by its rider, a dash as long as the way so far. */
function strokeMarkup(writing: Writing, drawn: DrawnStroke, number: number): string {
  if (!drawn.frame) return lineMarkup(writing, drawn, number);
  const { curves, runs, entering, pivot } = drawn.frame;
  const moves = ownMoves(`${writing.prefix}-${number}`, runs);
  const { groups, more } = fadingOf(writing, moves, curves, entering);
  groups.push(...groupsOf(writing, moves, factorsOf(curves, entering), { after: awayFrom(pivot), more }));
  return groups.join('') + lineMarkup(writing, drawn, number) + '</g>'.repeat(groups.length);
}

function lineMarkup(writing: Writing, { nodes, closed, stroke, share, sharing }: DrawnStroke, number: number): string {
  const dashed = stroke.dash ? ` stroke-dasharray="${stroke.dash.map((one) => formatNumber(one, 3)).join(' ')}"` : '';
  const line =
    `d="${pathData(nodes, closed)}" fill="none" stroke="${stroke.color}" stroke-width="${formatNumber(stroke.width, 3)}" ` +
    `stroke-linejoin="round"`;
  if (!share) return `<path ${line} stroke-linecap="round"${dashed}/>`;
  const offset = (value: number): string => formatNumber(1 - value, 6);
  const drawn = `${line} pathLength="1" stroke-dasharray="1 1" stroke-dashoffset="${offset(share[0]?.value ?? 0)}"`;
  const { runs, entering } = sharing;
  if (isConstant(share) && !entering) return `<path ${drawn}/>`;
  const moves = ownMoves(`${writing.prefix}-${number}`, runs);
  return `<path${animated(writing, moves, 'd', share, { entering })} ${drawn}/>`;
}
