import {
  EMPTY_BOX,
  IDENTITY_MATRIX,
  inverseOf,
  pathThrough,
  productOf,
  transformed,
  unionOf,
  type Box,
  type Matrix,
} from '../../../geometry/index.ts';
import { UNPAINTED } from '../../../drawing/kinds.ts';
import { scaleOf, transformOf, viewMatrix } from '../../../drawing/matrices.ts';
import { movedOutline, pathDataOf } from '../../../drawing/outlines.ts';
import { outlinesFromPathData, type Outline } from '../../../drawing/path-data.ts';
import { rootOf, type ArtElement, type Picture } from '../../../scene/index.ts';
import { NoShapeError, paintOf, type Paint } from './paints.ts';
import { rounded, still, type Json } from './values.ts';

/** A drawing as shapes, or what of it is none. */
export type Shapes =
  | { readonly ok: true; readonly shapes: readonly Json[]; readonly clipped: boolean }
  | { readonly ok: false; readonly why: string };

/** Attributes that say nothing of how an element is painted, or that are read here. */
const READ = new Set(
  (
    'id transform x y x1 y1 x2 y2 cx cy r rx ry d points width height viewBox preserveAspectRatio overflow xmlns xml:space ' +
    'fill fill-opacity fill-rule stroke stroke-width stroke-opacity stroke-linecap stroke-linejoin stroke-miterlimit ' +
    'stroke-dasharray stroke-dashoffset opacity display visibility color clip-rule shape-rendering color-interpolation ' +
    // Of letters, and there are none.
    'font-family font-size font-style font-weight font-variant font-stretch text-anchor letter-spacing word-spacing text-rendering'
  ).split(' '),
);

/** Those that an element has of what it lies in. */
const INHERITED = new Set(
  (
    'fill fill-opacity fill-rule stroke stroke-width stroke-opacity stroke-linecap stroke-linejoin stroke-miterlimit ' +
    'stroke-dasharray stroke-dashoffset visibility'
  ).split(' '),
);

export const PAINTED = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon']);

export type Attributes = Readonly<Record<string, string>>;

/** What is shared while a drawing is gone through. */
export interface Walk {
  readonly byId: ReadonlyMap<string, ArtElement>;
  /** What is painted, px of the drawing. */
  box: Box;
}

const known = new WeakMap<Picture, Shapes>();

/** A drawing as shapes in px of its own size, the foremost first; or why it is none. */
export function shapesOf(picture: Picture): Shapes {
  let found = known.get(picture);
  if (!found) known.set(picture, (found = madeOf(picture)));
  return found;
}

function madeOf(picture: Picture): Shapes {
  if (picture.kind === 'image') return { ok: false, why: 'it is a picture' };
  const { width, height } = picture;
  const root = rootOf(picture);
  const walk: Walk = { byId: idsOf(root), box: EMPTY_BOX };
  try {
    refuseRoot(root);
    const shapes = groupOf(root, viewMatrix(root.attributes, width, height), {}, walk);
    const clipped = reachesOut(walk.box, picture) && root.attributes['overflow'] !== 'visible';
    return { ok: true, shapes, clipped };
  } catch (error) {
    if (error instanceof NoShapeError) return { ok: false, why: `it has ${error.message}` };
    throw error;
  }
}

/** Throws where a drawing as a whole is shown in a way that shapes cannot hold. */
export function refuseRoot(root: ArtElement): void {
  refuseOthers(root);
  if (root.attributes['opacity'] !== undefined) throw new NoShapeError('an opacity of its own');
}

/** Whether what is painted reaches out of a picture's box. */
export const reachesOut = ({ left, top, right, bottom }: Box, { width, height }: Picture): boolean =>
  left < 0 || top < 0 || right > width || bottom > height;

export function idsOf(root: ArtElement): Map<string, ArtElement> {
  const found = new Map<string, ArtElement>();
  const visit = (element: ArtElement): void => {
    const { id } = element.attributes;
    if (id !== undefined && !found.has(id)) found.set(id, element);
    for (const child of element.children) if (typeof child !== 'string') visit(child);
  };
  visit(root);
  return found;
}

/** What an element's children have of it. */
export function passedOn(above: Attributes, own: Attributes): Attributes {
  return { ...above, ...Object.fromEntries(Object.entries(own).filter(([name]) => INHERITED.has(name))) };
}

/** All that an element holds, the foremost first. */
function groupOf(element: ArtElement, matrix: Matrix, above: Attributes, walk: Walk): Json[] {
  const style = passedOn(above, element.attributes);
  return [...element.children]
    .reverse()
    .flatMap((child) => (typeof child === 'string' ? [] : shapesOfElement(child, matrix, style, walk)));
}

/** What an element paints, the foremost first; throws where shapes cannot hold it. */
export function shapesOfElement(element: ArtElement, base: Matrix, above: Attributes, walk: Walk): Json[] {
  const { name, attributes } = element;
  if (UNPAINTED.has(name) || attributes['display'] === 'none') return [];
  if (name !== 'g' && !PAINTED.has(name))
    throw new NoShapeError(name === 'svg' ? 'a drawing within it' : `a <${name}>`);
  refuseOthers(element);
  const matrix = productOf(base, transformOf(element));
  const opacity = shareOf(attributes['opacity']);
  if (opacity === 0) return [];
  const inner =
    name === 'g'
      ? groupOf(element, matrix, above, walk)
      : paintedOf(element, matrix, passedOn(above, attributes), walk);
  if (inner.length === 0 || opacity === 1) return inner;
  return [group(inner, IDENTITY_MATRIX, still(rounded(opacity * 100, 2)))];
}

/** Throws where an element says something that is not read here. */
export function refuseOthers({ attributes }: ArtElement): void {
  const other = Object.keys(attributes).find((one) => !READ.has(one));
  if (other !== undefined) throw new NoShapeError(`“${other}”`);
}

/** A share, as a number or a percentage. */
export function shareOf(text: string | undefined): number {
  const value = Number.parseFloat(text ?? '1');
  const isPercent = text?.trim().endsWith('%') === true;
  return Number.isNaN(value) ? 1 : Math.min(1, Math.max(0, isPercent ? value / 100 : value));
}

/** One element's stroke and fill, each in a group of its own. */
function paintedOf(element: ArtElement, matrix: Matrix, style: Attributes, walk: Walk): Json[] {
  if (style['visibility'] === 'hidden' || style['visibility'] === 'collapse') return [];
  const data = pathDataOf(element);
  if (!data) return [];
  const read = outlinesFromPathData(data);
  if (!read.ok) return [];
  const { outlines } = read;
  const box = outlines.reduce((all, { nodes, closed }) => unionOf(all, boundsOf(nodes, closed)), EMPTY_BOX);
  const fill = paintOf(style['fill'] ?? '#000', walk.byId, box, matrix);
  const stroke = paintOf(style['stroke'] ?? 'none', walk.byId, box, matrix);
  const moved = outlines.map((outline) => movedOutline(outline, matrix));
  const width = lengthOf(style['stroke-width'] ?? '1') * scaleOf(matrix);
  const hasStroke = stroke.kind !== 'none' && width > 0;
  if (hasStroke && !isEven(matrix)) throw new NoShapeError('a stroke that is stretched');
  const edge = hasStroke ? (width / 2) * Math.max(1, (style['stroke-linejoin'] ?? 'miter') === 'miter' ? 4 : 1) : 0;
  for (const { nodes, closed } of moved) {
    const { left, top, right, bottom } = boundsOf(nodes, closed);
    walk.box = unionOf(walk.box, { left: left - edge, top: top - edge, right: right + edge, bottom: bottom + edge });
  }
  const painted: Json[] = [];
  if (hasStroke)
    painted.push(painting(moved, stroke, strokeOf(style, width, scaleOf(matrix)), style['stroke-opacity']));
  const rule = style['fill-rule'] === 'evenodd' ? 2 : 1;
  if (fill.kind !== 'none') painted.push(painting(moved, fill, { r: rule }, style['fill-opacity']));
  return painted;
}

const boundsOf = (nodes: Outline['nodes'], closed: boolean): Box => pathThrough(nodes, closed).bounds;

/** Share by which the two sides of a matrix may differ to be one size. */
const EVEN = 1e-3;

/** Whether a matrix turns and scales, and stretches nothing. */
function isEven([a, b, c, d]: Matrix): boolean {
  const [first, second] = [Math.hypot(a, b), Math.hypot(c, d)];
  return Math.abs(first - second) < EVEN * first && Math.abs(a * c + b * d) < EVEN * first * second;
}

/** A length in the drawing's units; others than px are none of the subset. */
function lengthOf(text: string): number {
  const value = Number(text.trim().replace(/px$/, ''));
  if (Number.isNaN(value)) throw new NoShapeError(`the length “${text.slice(0, 20)}”`);
  return value;
}

const CAPS: Readonly<Record<string, number>> = { butt: 1, round: 2, square: 3 };
const JOINS: Readonly<Record<string, number>> = { miter: 1, round: 2, bevel: 3 };

function strokeOf(style: Attributes, width: number, scale: number): Record<string, Json> {
  const dashes = (style['stroke-dasharray'] ?? 'none').trim();
  const lengths = dashes === 'none' || dashes === '' ? [] : dashes.split(/[\s,]+/).map((one) => lengthOf(one) * scale);
  const even = lengths.length % 2 === 1 ? [...lengths, ...lengths] : lengths;
  const isDashed = even.some((one) => one > 0);
  return {
    w: still(rounded(width)),
    lc: CAPS[style['stroke-linecap'] ?? 'butt'] ?? 1,
    lj: JOINS[style['stroke-linejoin'] ?? 'miter'] ?? 1,
    ml: rounded(Number.parseFloat(style['stroke-miterlimit'] ?? '4') || 4),
    ...(isDashed ? { d: dashesOf(even, lengthOf(style['stroke-dashoffset'] ?? '0') * scale) } : {}),
  };
}

/** Dashes and gaps by turns, px, and where they begin. */
export const dashesOf = (lengths: readonly number[], offset = 0): Json => [
  ...lengths.map((one, i): Json => ({ n: i % 2 === 0 ? 'd' : 'g', nm: `${i}`, v: still(rounded(one)) })),
  { n: 'o', nm: 'offset', v: still(rounded(offset)) },
];

/** Outlines and one paint of them. */
function painting(outlines: readonly Outline[], paint: Paint, more: Record<string, Json>, opacity?: string): Json {
  const kind = 'w' in more ? 's' : 'f';
  const share = shareOf(opacity);
  if (paint.kind === 'colour')
    return group([
      ...pathsOf(outlines),
      {
        ty: kind === 's' ? 'st' : 'fl',
        c: still([...paint.parts, 1]),
        o: still(rounded(100 * share * paint.alpha, 2)),
        ...more,
      },
    ]);
  const type = kind === 's' ? 'gs' : 'gf';
  const common = { ty: type, o: still(rounded(100 * share, 2)), ...more };
  if (paint.kind === 'linear')
    return group([
      ...pathsOf(outlines),
      { ...common, g: paint.stops, t: 1, s: pointOf(paint.from), e: pointOf(paint.to) },
    ]);
  if (paint.kind === 'none') return group([]);
  const { plane, middle, radius, stops } = paint;
  const round: Record<string, Json> = { ...common, g: stops, t: 2 };
  if (isEven(plane)) {
    const [at, edge] = [transformed(plane, middle), transformed(plane, [middle[0] + radius, middle[1]])];
    return group([...pathsOf(outlines), { ...round, s: pointOf(at), e: pointOf(edge) }]);
  }
  if (kind === 's') throw new NoShapeError('a stroke with a stretched gradient');
  // In the plane in which it is a circle of 100 px, which then is stretched with its shape.
  const unit = productOf(plane, [radius / 100, 0, 0, radius / 100, middle[0], middle[1]]);
  const back = inverseOf(unit) ?? IDENTITY_MATRIX;
  const inside = outlines.map((outline) => movedOutline(outline, back));
  return group([...pathsOf(inside), { ...round, s: pointOf([0, 0]), e: pointOf([100, 0]) }], unit);
}

const pointOf = ([x, y]: readonly [number, number]): Json => still([rounded(x), rounded(y)]);

/** Outlines as paths: nodes, and their handles from them. */
export const pathsOf = (outlines: readonly Outline[]): Json[] =>
  outlines.map((outline): Json => ({ ty: 'sh', ks: still(bezierOf(outline)) }));

export function bezierOf({ nodes, closed }: Outline): Json {
  const pair = ([x, y]: readonly [number, number] = [0, 0]): Json => [rounded(x, 3), rounded(y, 3)];
  return {
    c: closed,
    v: nodes.map(({ x, y }) => pair([x, y])),
    i: nodes.map((node) => pair(node.in)),
    o: nodes.map(({ out }) => pair(out)),
  };
}

/** Shapes that a matrix moves and an opacity fades, together. */
export function group(items: readonly Json[], matrix: Matrix = IDENTITY_MATRIX, opacity: Json = still(100)): Json {
  const [a, b, c, d, e, f] = matrix;
  const angle = Math.atan2(b, a);
  const sx = Math.hypot(a, b);
  // translate · rotate · skew · scale: the second column gives the skew and the other factor.
  const across = (a * c + b * d) / sx;
  const sy = (a * d - b * c) / sx;
  const degrees = (rad: number): number => rounded((rad * 180) / Math.PI);
  return {
    ty: 'gr',
    it: [
      ...items,
      {
        ty: 'tr',
        p: still([rounded(e), rounded(f)]),
        a: still([0, 0]),
        s: still([rounded(sx * 100), rounded(sy * 100)]),
        r: still(degrees(angle)),
        o: opacity,
        sk: still(-degrees(Math.atan(across / sy))),
        sa: still(0),
      },
    ],
  };
}
