import { Clipper, EndType, FillRule, JoinType, type PathsD } from 'clipper2-ts';
import { Body, productOf, transformed, type Matrix } from '../geometry/index.ts';
import { rootOf, type ArtElement, type Picture } from '../scene/art/index.ts';
import { DECIMALS, ringsOf } from './areas.ts';
import { FLATNESS, flattened } from './flattened.ts';
import { HOLDERS, UNPAINTED } from './kinds.ts';
import { nestedView, scaleOf, transformOf, viewMatrix } from './matrices.ts';
import { numberOf, pathDataOf } from './outlines.ts';
import { outlinesFromPathData, type Outline } from './path-data.ts';
import { UNSEEN_OPACITY } from '../tolerances.ts';

/** Uses within uses that are followed. */
const DEEPEST = 20;

/** What of a picture has no outline and counts as its box. */
export type Boxed = 'pixels' | 'text';

/** What a picture paints, px of its own size, and what of that is only known by its box. */
export interface Painted {
  readonly body: Body;
  /** The same as rings of x, y. */
  readonly rings: readonly (readonly number[])[];
  readonly boxed: readonly Boxed[];
}

type Style = Readonly<Record<string, string>>;

interface Walk {
  readonly root: ArtElement;
  readonly width: number;
  readonly height: number;
  readonly boxed: Set<Boxed>;
  byId?: ReadonlyMap<string, ArtElement>;
}

const known = new WeakMap<Picture, Painted>();

/**
 * What a picture paints, as polygons: fills by their rule, strokes with their joins and ends, cut by clip paths and by the drawing's own edges. Dashes count as
 * whole lines; masks, filters and markers are left out. Pixels and texts have no outlines: they count as boxes. Made once for each picture.
 */
export function paintedOf(picture: Picture): Painted {
  let made = known.get(picture);
  if (!made) known.set(picture, (made = paintedAnew(picture)));
  return made;
}

function paintedAnew(picture: Picture): Painted {
  const { width, height } = picture;
  if (picture.kind === 'image') return paintedAs([boxOf(0, 0, width, height)], ['pixels']);
  return paintedFrom(rootOf(picture), width, height);
}

function paintedFrom(root: ArtElement, width: number, height: number): Painted {
  const walk: Walk = { root, width, height, boxed: new Set() };
  const all = inside(root, viewMatrix(root.attributes, width, height), {}, walk, 0);
  const isOpen = root.attributes['overflow'] === 'visible';
  const seen = isOpen ? all : Clipper.intersectD(all, [boxOf(0, 0, width, height)], FillRule.NonZero, DECIMALS);
  return paintedAs(seen, [...walk.boxed]);
}

function paintedAs(paths: PathsD, boxed: readonly Boxed[]): Painted {
  const rings = ringsOf(paths);
  return { body: new Body(rings), rings, boxed };
}

const knownParts = new WeakMap<Picture, Map<string, Painted | undefined>>();

/** What the part of a drawing with an id paints, made once; undefined where it has no such part. */
export function partPaintedOf(picture: Picture, id: string): Painted | undefined {
  if (picture.kind === 'image') return undefined;
  const parts = knownParts.get(picture) ?? new Map<string, Painted | undefined>();
  knownParts.set(picture, parts);
  if (!parts.has(id)) {
    const alone = branchTo(rootOf(picture), id);
    parts.set(id, alone && paintedFrom(alone, picture.width, picture.height));
  }
  return parts.get(id);
}

/** An element with nothing in it but what leads to the one with an id, and what is only referred to. */
function branchTo(element: ArtElement, id: string): ArtElement | undefined {
  if (element.attributes['id'] === id) return element;
  let isThere = false;
  const children = element.children.flatMap((child) => {
    if (typeof child === 'string') return [];
    const branch = branchTo(child, id);
    isThere ||= branch !== undefined;
    return branch ? [branch] : UNPAINTED.has(child.name) ? [child] : [];
  });
  return isThere ? { ...element, children } : undefined;
}

/** What a picture paints where a matrix puts it, as rings of x, y. */
export function ringsAt(picture: Picture, m: ArrayLike<number>): readonly (readonly number[])[] {
  const matrix: Matrix = [m[0] ?? 1, m[1] ?? 0, m[2] ?? 0, m[3] ?? 1, m[4] ?? 0, m[5] ?? 0];
  return paintedOf(picture).rings.map((ring) =>
    ring.flatMap((x, k) => (k % 2 === 0 ? transformed(matrix, [x, ring[k + 1] ?? 0]) : [])),
  );
}

const boxOf = (x: number, y: number, width: number, height: number): PathsD[number] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

/** What an element's children paint. */
function inside(element: ArtElement, matrix: Matrix, above: Style, walk: Walk, depth: number): PathsD {
  const style = { ...above, ...element.attributes };
  return united(
    element.children.map((child) => (typeof child === 'string' ? [] : paintedBy(child, matrix, style, walk, depth))),
  );
}

/** What an element paints, clipped. */
function paintedBy(element: ArtElement, base: Matrix, above: Style, walk: Walk, depth: number): PathsD {
  const { name, attributes } = element;
  if (UNPAINTED.has(name) || attributes['display'] === 'none' || isClear(attributes['opacity'])) return [];
  const matrix = productOf(base, transformOf(element));
  const painted = unclipped(element, matrix, above, walk, depth);
  const clip = /^url\(["']?#([^"')]+)["']?\)$/.exec(attributes['clip-path'] ?? '')?.[1];
  const by = clip === undefined ? undefined : find(walk, clip);
  return by ? Clipper.intersectD(painted, clipOf(by, matrix, painted, walk), FillRule.NonZero, DECIMALS) : painted;
}

const isClear = (opacity: string | undefined): boolean => {
  const given = Number.parseFloat(opacity ?? '1');
  return (opacity?.endsWith('%') ? given / 100 : given) <= UNSEEN_OPACITY;
};

function unclipped(element: ArtElement, matrix: Matrix, above: Style, walk: Walk, depth: number): PathsD {
  const { name, attributes } = element;
  if (name === 'use') {
    const target = find(walk, (attributes['href'] ?? '').slice(1));
    if (!target || depth >= DEEPEST) return [];
    const shift: Matrix = [1, 0, 0, 1, numberOf(element, 'x'), numberOf(element, 'y')];
    const used = target.name === 'symbol' ? { ...target, name: 'g' } : target;
    return paintedBy(used, productOf(matrix, shift), { ...above, ...attributes }, walk, depth + 1);
  }
  if (HOLDERS.has(name) || name === 'a')
    return inside(element, name === 'svg' ? productOf(matrix, nestedView(attributes)) : matrix, above, walk, depth);
  const style = { ...above, ...attributes };
  if (style['visibility'] === 'hidden' || style['visibility'] === 'collapse') return [];
  if (name === 'image') return boxed('pixels', imageBox(element), matrix, walk);
  // Where letters reach depends on the font that is there.
  if (name === 'text') return boxed('text', boxOf(0, 0, walk.width, walk.height), [1, 0, 0, 1, 0, 0], walk);
  const data = pathDataOf(element);
  const read = data === undefined ? undefined : outlinesFromPathData(data);
  return read?.ok ? moved(paintOf(read.outlines, style, matrix), matrix) : [];
}

const imageBox = (element: ArtElement): PathsD[number] =>
  boxOf(numberOf(element, 'x'), numberOf(element, 'y'), numberOf(element, 'width'), numberOf(element, 'height'));

function boxed(what: Boxed, box: PathsD[number], matrix: Matrix, walk: Walk): PathsD {
  walk.boxed.add(what);
  return moved([box], matrix);
}

/** What outlines paint by their fill and their stroke, in the element's own units. */
function paintOf(outlines: readonly Outline[], style: Style, matrix: Matrix): PathsD {
  const scale = Math.max(scaleOf(matrix), 1e-6);
  const tolerance = FLATNESS / scale;
  const lines = outlines.map((outline) => ({ closed: outline.closed, points: flattened(outline, tolerance) }));
  const isPainted = (paint: 'fill' | 'stroke', otherwise: string): boolean =>
    !['none', 'transparent'].includes(style[paint] ?? otherwise) && !isClear(style[`${paint}-opacity`]);
  const rule = style['fill-rule'] === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero;
  const filled = isPainted('fill', 'black')
    ? Clipper.unionD(
        lines.map(({ points }) => points).filter((points) => points.length > 2),
        [],
        rule,
        DECIMALS,
      )
    : [];
  if (!isPainted('stroke', 'none')) return filled;
  const given = Number.parseFloat(style['stroke-width'] ?? '1');
  const width = style['vector-effect'] === 'non-scaling-stroke' ? given / scale : given;
  if (!(width > 0)) return filled;
  const join = { round: JoinType.Round, bevel: JoinType.Bevel }[style['stroke-linejoin'] ?? ''] ?? JoinType.Miter;
  const end = { round: EndType.Round, square: EndType.Square }[style['stroke-linecap'] ?? ''] ?? EndType.Butt;
  const limit = Number.parseFloat(style['stroke-miterlimit'] ?? '4') || 4;
  const stroked = lines.flatMap(({ closed, points }) =>
    Clipper.inflatePathsD(
      [points],
      width / 2,
      join,
      closed ? EndType.Joined : end,
      limit,
      Math.min(8, DECIMALS + Math.max(0, Math.ceil(Math.log10(scale)))),
      tolerance,
    ),
  );
  return united([filled, stroked]);
}

/** Where a matrix mirrors, rings run the other way: what is filled by the count of turns stays. */
const moved = (paths: PathsD, matrix: Matrix): PathsD =>
  paths.map((path) =>
    path.map(({ x, y }) => {
      const [mx, my] = transformed(matrix, [x, y]);
      return { x: mx, y: my };
    }),
  );

/** All of several areas, without what lies in two of them twice. Each is without overlaps in itself, holes running the other way. */
function united(areas: readonly PathsD[]): PathsD {
  const some = areas.filter((paths) => paths.length > 0);
  if (some.length < 2) return some[0] ?? [];
  // The sign of turns is lost where one of them is mirrored: each is made positive first.
  return Clipper.unionD(
    some.flatMap((paths) => Clipper.unionD(paths, [], FillRule.NonZero, DECIMALS)),
    [],
    FillRule.NonZero,
    DECIMALS,
  );
}

/** What a clip path leaves: the fills of what is in it; in units of the clipped element's box where it says so. */
function clipOf(clip: ArtElement, matrix: Matrix, painted: PathsD, walk: Walk): PathsD {
  const isByBox = clip.attributes['clipPathUnits'] === 'objectBoundingBox';
  const box = isByBox ? boundsOf(painted) : undefined;
  const base = box ?? productOf(matrix, transformOf(clip));
  return united(
    clip.children.map((child) => {
      if (typeof child === 'string') return [];
      const plain: ArtElement = {
        ...child,
        attributes: {
          ...child.attributes,
          fill: 'black',
          stroke: 'none',
          'fill-rule': child.attributes['clip-rule'] ?? 'nonzero',
        },
      };
      return paintedBy(plain, base, {}, walk, 0);
    }),
  );
}

/** The map from the unit square to the box about an area. */
function boundsOf(paths: PathsD): Matrix {
  const { left, top, right, bottom } = paintedAs(paths, []).body.box;
  return [right - left, 0, 0, bottom - top, left, top];
}

function find(walk: Walk, id: string): ArtElement | undefined {
  if (!walk.byId) {
    const all = new Map<string, ArtElement>();
    const visit = (one: ArtElement): void => {
      if (one.attributes['id']) all.set(one.attributes['id'], one);
      for (const child of one.children) if (typeof child !== 'string') visit(child);
    };
    visit(walk.root);
    walk.byId = all;
  }
  return walk.byId.get(id);
}
