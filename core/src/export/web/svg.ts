import { pictureOf, placedArt, type Picture, type Scene } from '../../scene/index.ts';
import {
  isConstant,
  stillTake,
  type Curve,
  type Drawn,
  type DrawnArt,
  type DrawnStroke,
  type Inside,
  type Steps,
  type Take,
  type View,
} from '../../take/index.ts';
import { pathData } from '../path-data.ts';
import { escapeMarkup, formatNumber, shortHash } from '../text.ts';
import { stepsWhere } from './steps.ts';
import { styleOf } from './style.ts';
import { ATTRIBUTES, px, type Track, type Tracked } from './tracks.ts';

export interface SvgOptions {
  readonly title: string;
  readonly background: boolean;
}

/** A drawing apart from how it is set in motion. */
export interface DrawnSvg {
  /** Stands before every id and class. */
  readonly prefix: string;
  /** The <svg> element with a style sheet in it. */
  readonly markup: (style: string) => string;
  readonly tracks: readonly Track[];
}

/** What the pieces of one drawing share while it is written. */
interface Writing {
  /** Stands before every id, class and keyframes' name, so that several drawings can stand in one page. */
  readonly prefix: string;
  readonly take: Take;
  /** Pictures that are shown more than once, numbered: written once and used. */
  readonly shared: ReadonlyMap<Picture, number>;
  /** All that moves, by the name of its class. */
  readonly tracks: Map<string, Track>;
  /** Every id that is given to a group. */
  readonly ids: Set<string>;
  /** What stands in <defs>, by its id. */
  readonly definitions: Map<string, string>;
}

/** The drawing of a take as one <svg> element that moves by CSS. Its names carry a prefix made of its content. */
export function svgOf(take: Take, options: SvgOptions): string {
  const { markup, prefix, tracks } = drawnSvg(take, options);
  return markup(styleOf(take, prefix, tracks));
}

/** A picture of a scene at one time, s, exactly as the evaluator has it. */
export const stillSvg = (scene: Scene, time: number, options: SvgOptions): string =>
  svgOf(stillTake(scene, time), options);

/** The drawing of a take, and all that moves in it. */
export function drawnSvg(take: Take, { title, background }: SvgOptions): DrawnSvg {
  const prefix = `pl${shortHash(JSON.stringify([withoutPixels(take), title, background]))}`;
  const shared = sharedPictures(take.drawing);
  const writing: Writing = { prefix, take, shared, tracks: new Map(), ids: new Set(), definitions: new Map() };
  for (const [picture, n] of shared) {
    const id = `${prefix}-a${n}`;
    writing.definitions.set(id, `<g id="${id}">${placedArt(picture, `${id}-`, take.assets)}</g>`);
  }
  const drawing = drawingMarkup(writing);
  const { width, height, background: paper } = take.canvas;
  const [w, h] = [formatNumber(width, 3), formatNumber(height, 3)];
  const [shownWidth, shownHeight] = [width, height].map((side) => formatNumber(side * take.scale, 3));
  const paint = background && paper !== null ? `<rect width="${w}" height="${h}" fill="${paper}"/>` : '';
  return {
    prefix,
    tracks: [...writing.tracks.values()],
    markup: (style) =>
      `<svg xmlns="http://www.w3.org/2000/svg" width="${shownWidth}" height="${shownHeight}" viewBox="0 0 ${w} ${h}" role="img" aria-labelledby="${prefix}-t">` +
      `<title id="${prefix}-t">${escapeMarkup(title || take.name)}</title>${style}` +
      `<defs><clipPath id="${prefix}-c"><rect width="${w}" height="${h}"/></clipPath>${[...writing.definitions.values()].join('')}</defs>` +
      `<g clip-path="url(#${prefix}-c)">${paint}${drawing}</g></svg>`,
  };
}

/** A take with the names of its pixels, which are made of them, instead of them; without any where it has none. */
function withoutPixels({ assets, ...take }: Take): object {
  const names = Object.keys(assets);
  return names.length > 0 ? { ...take, assets: names } : take;
}

/** The pictures that a rider shows over the loop, by their poses. */
const picturesOf = ({ art, pose }: DrawnArt): Map<number, Picture> =>
  new Map(
    pose.flatMap(({ value }) => {
      const picture = pictureOf(art, value);
      return picture ? [[value, picture] as const] : [];
    }),
  );

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
function viewMarkup(writing: Writing, { x, y, angle, zoomX, zoomY }: View, parallax: number): string[] {
  const { width, height } = writing.take.canvas;
  const name = `${writing.prefix}-v${formatNumber(parallax, 4).replace(/[^\d]/g, '_')}`;
  const away = (curve: Curve, middle: number): Curve => mapped(curve, (v) => -(middle + parallax * (v - middle)));
  const factors = factorsOf({
    x: away(x, width / 2),
    y: away(y, height / 2),
    angle: mapped(angle, (v) => -v),
    skew: STILL,
    scaleX: zoomX,
    scaleY: zoomY,
  });
  const order = ['w', 'h', 't', 'x', 'y'];
  const sorted = order.flatMap((key) => factors.filter((one) => one.key === key));
  return groupsOf(writing, name, sorted, `translate(${px(width / 2)} ${px(height / 2)})`);
}

const STILL: Curve = [{ time: 0, value: 0 }];

const mapped = (curve: Curve, of: (value: number) => number): Curve =>
  curve.map((key) => ({ ...key, value: of(key.value) }));

/** One factor of a matrix: as an attribute while it stands still, as a track while it moves. */
interface Factor {
  readonly key: keyof typeof ATTRIBUTES;
  readonly curve: Curve;
}

/** The factors of the matrix from the outermost to the innermost: translate(x, y) · rotate · skew · scale. */
const factorsOf = ({ x, y, angle, skew, scaleX, scaleY }: Omit<DrawnArt['curves'], 'opacity'>): Factor[] => [
  { key: 'x', curve: x },
  { key: 'y', curve: y },
  { key: 't', curve: angle },
  { key: 'k', curve: skew },
  { key: 'w', curve: scaleX },
  { key: 'h', curve: scaleY },
];

/** The class of what stands still but for what it lies in: a page’s own styles do not turn it about another point. */
const fixedOf = ({ prefix }: Writing): string => `${prefix}-f`;

/**
 * Opening tags of a group for each factor that moves, each with its own keyframes; what stands still is an attribute of the next group, the rest one of a last group with `more`.
 * Each has an id, as optimisers fold groups without one into each other, though one of them moves.
 */
function groupsOf(
  writing: Writing,
  name: string,
  factors: readonly Factor[],
  before = '',
  after = '',
  more = '',
): string[] {
  const groups: string[] = [];
  let still = before;
  const fixed = (): string =>
    `<g class="${fixedOf(writing)}"${identified(writing, `${name}f${groups.length || ''}`)} transform="${still}"`;
  for (const { key, curve } of factors) {
    const first = ATTRIBUTES[key](curve[0]?.value ?? 0);
    if (isConstant(curve)) still += first;
    else {
      if (still) groups.push(`${fixed()}>`);
      still = '';
      const moves = animated(writing, `${name}${key}`, key, curve);
      groups.push(`<g${moves}${identified(writing, `${name}${key}`)}${first ? ` transform="${first}"` : ''}>`);
    }
  }
  still += after;
  if (still || more) groups.push(`${still ? fixed() : '<g'}${more}>`);
  return groups;
}

/** A rider: what it is clipped by, when it is drawn here, how it fades, its matrix, and its picture or poses. */
function artMarkup(writing: Writing, drawn: DrawnArt): string {
  const { prefix, take } = writing;
  // The places in which one rider is drawn at times share its keyframes.
  const first = take.drawing.findIndex((one) => one.kind === 'art' && one.id === drawn.id);
  const number = take.drawing.indexOf(drawn) + 1;
  const name = `${prefix}-${first + 1}`;
  const { opacity } = drawn.curves;
  const [pivotX, pivotY] = drawn.art.pivot;
  const groups: string[] = [];
  if (drawn.inside) groups.push(`<g clip-path="url(#${clipOf(writing, drawn.inside, `${name}c`)})">`);
  if (drawn.shown.length > 1) groups.push(`<g${stepped(writing, `${prefix}-${number}b`, drawn.shown)}>`);
  if (!isConstant(opacity)) groups.push(`<g${animated(writing, `${name}o`, 'o', opacity)}>`);
  const pivot = pivotX !== 0 || pivotY !== 0 ? `translate(${px(-pivotX)} ${px(-pivotY)})` : '';
  const faded = opacity[0] && isConstant(opacity) && opacity[0].value !== 1;
  const fade = faded ? ` opacity="${formatNumber(opacity[0]?.value ?? 1, 4)}"` : '';
  groups.push(...groupsOf(writing, name, factorsOf(drawn.curves), '', pivot, fade));
  if (groups.length === 0) groups.push('<g>');
  const inside = posesMarkup(writing, drawn, name).replace(/^<[a-z]+/, (tag) => tag + identified(writing, `${name}i`));
  return groups.join('') + inside + '</g>'.repeat(groups.length);
}

/** The picture of a rider, or each of those that it shows with the times at which it does. */
function posesMarkup(writing: Writing, drawn: DrawnArt, name: string): string {
  const pictures = [...picturesOf(drawn)];
  return pictures
    .map(([pose, picture]) => {
      const shared = writing.shared.get(picture);
      const isOne = pictures.length === 1;
      const inside =
        shared === undefined
          ? placedArt(picture, isOne ? `${name}-` : `${name}-${pose}-`, writing.take.assets)
          : `<use href="#${writing.prefix}-a${shared}"/>`;
      const times = stepsWhere(drawn.pose, (value) => value === pose);
      return times.length > 1 ? `<g${stepped(writing, `${name}p${pose}`, times)}>${inside}</g>` : inside;
    })
    .join('');
}

/** The clip that shows what is within a line, or what is not; gives its id. */
function clipOf({ definitions, take }: Writing, { nodes, keep }: Inside, id: string): string {
  const { width, height } = take.canvas;
  // So far out that nothing on the canvas, nor beside it while a camera passes, lies beyond.
  const [w, h] = [width * 50, height * 50].map((size) => formatNumber(size, 3));
  const around = keep === 'outside' ? `M-${w}-${h}H${w}V${h}H-${w}Z` : '';
  const path = `<path d="${around}${pathData(nodes, true)}" clip-rule="evenodd"/>`;
  definitions.set(id, `<clipPath id="${id}">${path}</clipPath>`);
  return id;
}

/** An id of its own as an attribute: what is drawn in several places has a number more in each. */
function identified({ ids }: Writing, wanted: string): string {
  let id = wanted;
  for (let n = 2; ids.has(id); n++) id = `${wanted}_${n}`;
  ids.add(id);
  return ` id="${id}"`;
}

/** Notes something that moves; gives its class attribute. */
function animated({ tracks, prefix }: Writing, name: string, property: Tracked, curve: Curve): string {
  if (!tracks.has(name)) tracks.set(name, { name, property, curve, steps: null });
  return ` class="${prefix}-m ${name}"`;
}

/** Opacity that nobody sees: of nothing at all an optimiser takes the whole group away, though it is shown later. */
const HIDDEN = '.001';

/** The same for what is there at times and at others not: opacity, as that hides whatever the drawing says of itself. */
function stepped({ tracks, prefix }: Writing, name: string, steps: Steps): string {
  if (!tracks.has(name)) tracks.set(name, { name, property: 'o', curve: null, steps });
  return ` class="${prefix}-m ${name}"${steps[0]?.value === 0 ? ` opacity="${HIDDEN}"` : ''}`;
}

/** A guide drawn as a line; drawn by its rider, a dash as long as the way so far. */
function strokeMarkup(writing: Writing, { nodes, closed, stroke, share }: DrawnStroke, number: number): string {
  const dashed = stroke.dash ? ` stroke-dasharray="${stroke.dash.map((one) => formatNumber(one, 3)).join(' ')}"` : '';
  const line =
    `d="${pathData(nodes, closed)}" fill="none" stroke="${stroke.color}" stroke-width="${formatNumber(stroke.width, 3)}" ` +
    `stroke-linejoin="round"`;
  if (!share) return `<path ${line} stroke-linecap="round"${dashed}/>`;
  const offset = (value: number): string => formatNumber(1 - value, 6);
  const drawn = `${line} pathLength="1" stroke-dasharray="1 1" stroke-dashoffset="${offset(share[0]?.value ?? 0)}"`;
  if (isConstant(share)) return `<path ${drawn}/>`;
  return `<path${animated(writing, `${writing.prefix}-${number}d`, 'd', share)} ${drawn}/>`;
}
