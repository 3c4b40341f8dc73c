import { placedArt, pictureOf, pixelsOf, type Picture } from '../../../scene/index.ts';
import {
  isConstant,
  type Curve,
  type DrawnArt,
  type DrawnStroke,
  type Inside,
  type Steps,
  type Take,
  type View,
} from '../../../take/index.ts';
import { IDENTITY_MATRIX } from '../../../geometry/index.ts';
import type { Outline } from '../../../drawing/path-data.ts';
import { partsOf, type Part, type Parts } from './parts.ts';
import { bezierOf, dashesOf, group, pathsOf } from './shapes.ts';
import { colourOf } from './paints.ts';
import { held, keyed, rounded, still, type Json } from './values.ts';

type Fields = Readonly<Record<string, Json>>;

/** What the layers of one file share while they are written, from the back to the front. */
export interface Layers {
  readonly take: Take;
  readonly fps: number;
  /** Frames of the loop. */
  readonly end: number;
  readonly list: Json[];
  /** Pictures, and drawings in several parts. */
  readonly assets: Map<Picture, { readonly id: string; readonly asset: Json }>;
  /** The innermost layer of a view, by how far it moves what hangs on it. */
  readonly views: Map<number, number>;
}

const ONE: Curve = [{ time: 0, value: 1 }];
const NOUGHT: Curve = [{ time: 0, value: 0 }];

/** Adds a layer; gives its number. */
function layer({ list, end }: Layers, type: number, name: string, more: Fields): number {
  const ind = list.length + 1;
  list.push({ ddd: 0, ind, ty: type, nm: name, sr: 1, ao: 0, ip: 0, op: end, st: 0, bm: 0, ...more });
  return ind;
}

const KIND = { composition: 0, solid: 1, image: 2, none: 3, shape: 4 };

/** The transform of a layer, of channels of a pose; what is left out changes nothing. */
interface Moves {
  readonly x?: Curve;
  readonly y?: Curve;
  readonly angle?: Curve;
  readonly skew?: Curve;
  readonly scaleX?: Curve;
  readonly scaleY?: Curve;
  readonly pivot?: readonly [number, number];
  readonly opacity?: Json;
}

const degrees = (rad: number): number => (rad * 180) / Math.PI;

const isSame = (a: Curve, b: Curve): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Whether both sides of a size can be keys of one property. */
const goTogether = (a: Curve, b: Curve): boolean => isConstant(a) || isConstant(b) || isSame(a, b);

function sizeOf(fps: number, a: Curve, b: Curve): Json {
  const of = (value: number): number => value * 100;
  const [x, y] = [a, b].map((curve) => rounded(of(curve[0]?.value ?? 1)));
  if (isConstant(a)) return keyed(b, fps, { of, within: (v) => [x ?? 100, v] });
  if (isConstant(b)) return keyed(a, fps, { of, within: (v) => [v, y ?? 100] });
  return keyed(a, fps, { of, within: (v) => [v, v] });
}

function transformOf(fps: number, moves: Moves): Json {
  const { x = NOUGHT, y = NOUGHT, angle = NOUGHT, skew = NOUGHT, scaleX = ONE, scaleY = ONE } = moves;
  const [px, py] = moves.pivot ?? [0, 0];
  const plain = { of: (value: number) => value };
  return {
    o: moves.opacity ?? still(100),
    p: { s: true, x: keyed(x, fps, plain), y: keyed(y, fps, plain) },
    a: still([rounded(px), rounded(py)]),
    r: keyed(angle, fps, { of: degrees }),
    sk: keyed(skew, fps, { of: (value) => -degrees(value) }),
    sa: still(0),
    s: sizeOf(fps, scaleX, scaleY),
  };
}

/** The fields that hang a layer on another. */
const hung = (parent: number | undefined): Fields => (parent === undefined ? {} : { parent });

/** What moves and is not seen, for others to hang on. */
const holder = (layers: Layers, name: string, moves: Moves, parent?: number): number =>
  layer(layers, KIND.none, name, { ks: transformOf(layers.fps, moves), ...hung(parent) });

/** The layers of a view: as in the drawing, translate(middle) · scale · rotate(−angle) · translate(−place). */
function viewOf(layers: Layers, { x, y, angle, zoomX, zoomY }: View, parallax: number): number {
  const known = layers.views.get(parallax);
  if (known !== undefined) return known;
  const { width, height } = layers.take.canvas;
  const at = (value: number): Curve => [{ time: 0, value }];
  const away = (curve: Curve, middle: number): Curve =>
    curve.map((key) => ({ ...key, value: -(middle + parallax * (key.value - middle)) }));
  const middle: Moves = { x: at(width / 2), y: at(height / 2), scaleX: zoomX };
  let parent = holder(layers, 'view: size', goTogether(zoomX, zoomY) ? { ...middle, scaleY: zoomY } : middle);
  if (!goTogether(zoomX, zoomY)) parent = holder(layers, 'view: height', { scaleY: zoomY }, parent);
  parent = holder(layers, 'view: turn', { angle: angle.map((key) => ({ ...key, value: -key.value })) }, parent);
  parent = holder(layers, 'view: place', { x: away(x, width / 2), y: away(y, height / 2) }, parent);
  layers.views.set(parallax, parent);
  return parent;
}

/** All that is drawn, each in front of what was drawn before. */
export function drawnLayers(layers: Layers): void {
  const { drawing, view } = layers.take;
  for (const drawn of drawing) {
    const parent = view ? viewOf(layers, view, drawn.kind === 'art' ? drawn.parallax : 1) : undefined;
    if (drawn.kind === 'stroke') strokeLayer(layers, drawn, parent);
    else artLayers(layers, drawn, parent);
  }
}

function strokeLayer(layers: Layers, drawn: DrawnStroke, above?: number): void {
  const { name, nodes, closed, stroke, share, frame } = drawn;
  const { opacity, ...moves } = frame?.curves ?? { opacity: ONE };
  const parent = frame ? framed(layers, name, moves, above) : above;
  const { parts, alpha } = colourOf(stroke.color);
  const line: Fields = {
    ty: 'st',
    c: still([...parts, 1]),
    o: still(rounded(alpha * 100, 2)),
    w: still(rounded(stroke.width)),
    lc: share ? 1 : 2,
    lj: 2,
    ...(stroke.dash ? { d: dashesOf(stroke.dash) } : {}),
  };
  const trim = share
    ? [{ ty: 'tm', s: still(0), e: keyed(share, layers.fps, { of: (value) => value * 100 }), o: still(0), m: 1 }]
    : [];
  const shapes = [group([...pathsOf([{ nodes, closed }]), ...trim, line])];
  const fades = keyed(opacity, layers.fps, { of: (value) => value * 100 });
  const ks = transformOf(layers.fps, { opacity: fades, ...(frame ? { pivot: frame.pivot } : {}) });
  layer(layers, KIND.shape, name, { ks, shapes, ...hung(parent) });
}

/** What holds a carried frame: width and height are keyed apart where they do not change together. */
function framed(layers: Layers, name: string, moves: Moves, above?: number): number {
  const { scaleX = ONE, scaleY = ONE } = moves;
  const called = `${name}: movement`;
  if (goTogether(scaleX, scaleY)) return holder(layers, called, moves, above);
  return holder(layers, `${name}: height`, { scaleY }, holder(layers, called, { ...moves, scaleY: ONE }, above));
}

/** Both at once: 1 while each is. */
function both(a: Steps, b: Steps): Steps {
  const valueAt = (steps: Steps, time: number): number =>
    [...steps].reverse().find((one) => one.time <= time)?.value ?? 0;
  const times = [...new Set([...a, ...b].map(({ time }) => time))].sort((p, q) => p - q);
  const found: { time: number; value: number }[] = [];
  for (const time of times) {
    const value = valueAt(a, time) * valueAt(b, time);
    if (found[found.length - 1]?.value !== value) found.push({ time, value });
  }
  return found;
}

/** A rider: what holds its movement, and its picture or each of its poses while it is shown. */
function artLayers(layers: Layers, drawn: DrawnArt, above: number | undefined): void {
  const { fps } = layers;
  const { opacity, ...moves } = drawn.curves;
  const { scaleX, scaleY } = moves;
  const poses = [...new Set(drawn.pose.map(({ value }) => value))].flatMap((value) => {
    const picture = pictureOf(drawn.art, value);
    const pose = drawn.pose.map((step) => ({ ...step, value: step.value === value ? 1 : 0 }));
    return picture ? [{ picture, shown: both(pose, drawn.shown) }] : [];
  });
  const fades = keyed(opacity, fps, { of: (value) => value * 100 });
  const { pivot } = drawn.art;
  const isOne = poses.length === 1 && goTogether(scaleX, scaleY) && poses[0]?.shown.length === 1;
  if (isOne && poses[0]) {
    pictureLayer(layers, drawn, poses[0].picture, poses[0].shown, { ...moves, pivot, opacity: fades }, above);
    return;
  }
  const apart = !goTogether(scaleX, scaleY);
  const parent = holder(layers, `${drawn.name}: movement`, apart ? { ...moves, scaleY: ONE } : moves, above);
  for (const { picture, shown } of poses)
    pictureLayer(layers, drawn, picture, shown, { pivot, opacity: fades, ...(apart ? { scaleY } : {}) }, parent, above);
}

/** A picture while it is shown, within what it is seen in. */
function pictureLayer(
  layers: Layers,
  drawn: DrawnArt,
  picture: Picture,
  shown: Steps,
  moves: Moves,
  parent: number | undefined,
  canvas = parent,
): void {
  const { fps, end } = layers;
  const made = partsOf(picture);
  const [only] = made.parts;
  const { inside } = drawn;
  const { opacity: _, ...carried } = inside?.frame?.curves ?? { opacity: ONE };
  const within = inside?.frame ? framed(layers, `${drawn.name}: seen within`, carried, canvas) : canvas;
  const put = (type: number, ks: Json, more: Fields): void => {
    // The line's layer comes next; some players look for it by its number, others where it stands.
    const matte: Fields = inside ? { tt: inside.keep === 'inside' ? 1 : 2, tp: layers.list.length + 2 } : {};
    layer(layers, type, drawn.name, { ks, ...hung(parent), ...matte, ...more });
    if (inside) matteLayer(layers, drawn, inside, within);
  };
  // Masks are of all outlines together: what lies in a clip and in its box is cut by a composition's edges.
  const isCutTwice = made.clipped && only?.kind === 'shapes' && only.within.length > 0;
  if (made.parts.length === 1 && only?.kind === 'shapes' && !isCutTwice) {
    const shades = held(shown, fps, (value) => value * 100);
    const shapes = [group(only.shapes, IDENTITY_MATRIX, shades)];
    const outlines = made.clipped ? [boxOf(picture)] : only.within;
    if (shown.length > 1 || shown[0]?.value === 1)
      put(KIND.shape, transformOf(fps, moves), { shapes, ...masks(outlines) });
    return;
  }
  const whole: Whole =
    made.parts.length === 1 && only?.kind === 'image'
      ? { type: KIND.image, from: [0, 0], fields: { refId: imageOf(layers, only.picture) } }
      : compositionOf(layers, picture, made);
  const [px, py] = moves.pivot ?? [0, 0];
  const ks = transformOf(fps, { ...moves, pivot: [px - whole.from[0], py - whole.from[1]] });
  shown.forEach(({ time, value }, i) => {
    if (value === 0) return;
    const until = shown[i + 1]?.time;
    const span = { ip: rounded(time * fps, 3), op: until === undefined ? end : rounded(until * fps, 3) };
    put(whole.type, ks, { ...whole.fields, ...span });
  });
}

/** What shows of a layer only what is within outlines: in all of them together. */
function masks(outlines: readonly Outline[]): Fields {
  if (outlines.length === 0) return {};
  const masksProperties = outlines.map((outline, i): Json => {
    return { inv: false, mode: 'a', nm: `within ${i + 1}`, o: still(100), x: still(0), pt: still(bezierOf(outline)) };
  });
  return { hasMask: true, masksProperties };
}

/** The edges of a picture. */
const boxOf = ({ width, height }: Picture): Outline => ({
  nodes: [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ],
  closed: true,
});

/** A picture as one layer shows it: of which kind, and where its upper left corner is in the picture's px. */
interface Whole {
  readonly type: number;
  readonly from: readonly [number, number];
  readonly fields: Fields;
}

/** A drawing of several parts as a composition of its own: as large as what is seen of it, each part a layer in its place. */
function compositionOf(layers: Layers, picture: Picture, { parts, box, clipped }: Parts): Whole {
  const edges = clipped ? { left: 0, top: 0, right: picture.width, bottom: picture.height } : box;
  const from = [Math.floor(Math.min(0, edges.left)), Math.floor(Math.min(0, edges.top))] as const;
  const [w, h] = [Math.ceil(edges.right - from[0]), Math.ceil(edges.bottom - from[1])];
  let known = layers.assets.get(picture);
  if (!known) {
    const inner: Layers = { ...layers, list: [] };
    const ks = transformOf(layers.fps, { pivot: from });
    parts.forEach((part, i) => partLayer(inner, part, `${picture.name}: ${i + 1}`, ks));
    const id = `drawing_${layers.assets.size}`;
    known = { id, asset: { id, nm: picture.name, layers: [...inner.list].reverse() } };
    layers.assets.set(picture, known);
  }
  return { type: KIND.composition, from, fields: { refId: known.id, w, h } };
}

function partLayer(layers: Layers, part: Part, name: string, ks: Json): void {
  if (part.kind === 'image') layer(layers, KIND.image, name, { ks, refId: imageOf(layers, part.picture) });
  else layer(layers, KIND.shape, name, { ks, shapes: [group(part.shapes)], ...masks(part.within) });
}

/** The line within which a rider is seen, or outside of which: its layer stands right in front. */
function matteLayer(layers: Layers, { name }: DrawnArt, { nodes, frame }: Inside, parent: number | undefined): void {
  const fill = { ty: 'fl', c: still([0, 0, 0, 1]), o: still(100), r: 2 };
  const shapes = [group([...pathsOf([{ nodes, closed: true }]), fill])];
  layer(layers, KIND.shape, `${name}: seen within`, {
    ks: transformOf(layers.fps, frame ? { pivot: frame.pivot } : {}),
    shapes,
    td: 1,
    ...hung(parent),
  });
}

/** A picture among the assets; gives its id. */
function imageOf({ assets, take }: Layers, picture: Picture): string {
  const known = assets.get(picture);
  if (known) return known.id;
  const id = `image_${assets.size}`;
  const { width: w, height: h } = picture;
  assets.set(picture, { id, asset: { id, w, h, u: '', p: addressOf(picture, take.assets), e: 1 } });
  return id;
}

function addressOf(picture: Picture, assets: Take['assets']): string {
  if (picture.kind === 'image') return pixelsOf(picture, assets);
  const { width: w, height: h } = picture;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}">${placedArt(picture, 'i')}</svg>`;
  return `data:image/svg+xml,${encodeURIComponent(svg)}`;
}

/** The canvas's paper, behind all. */
export function paperLayer(layers: Layers, colour: string): void {
  const { width: sw, height: sh } = layers.take.canvas;
  layer(layers, KIND.solid, 'background', { ks: transformOf(layers.fps, {}), sc: colour, sw, sh });
}
