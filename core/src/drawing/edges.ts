import { EMPTY_BOX, pathThrough, productOf, unionOf, type Box, type Matrix } from '../geometry/index.ts';
import { rootOf, type ArtElement, type Picture } from '../scene/art/index.ts';
import { outlinesFromPathData } from './path-data.ts';
import { UNPAINTED } from './kinds.ts';
import { scaleOf, transformOf, viewMatrix } from './matrices.ts';
import { movedOutline, pathDataOf } from './outlines.ts';

type SvgPicture = Exclude<Picture, { kind: 'image' }>;
type Attributes = Readonly<Record<string, string>>;

/** What of a drawing reaches how far cannot be told from its outlines. */
class Unknown extends Error {}

/** Attributes by which something is painted beside its outlines. */
const REACHING = ['filter', 'marker-start', 'marker-mid', 'marker-end', 'style'];

/** px that rounding may put beyond an edge. */
const SLACK = 0.01;

const known = new WeakMap<SvgPicture, boolean>();

/** Whether all that a drawing paints is certain to lie within its box, so that nothing has to be clipped; strokes count with their longest mitres. */
export function liesWithin(picture: SvgPicture): boolean {
  let found = known.get(picture);
  if (found === undefined) known.set(picture, (found = isWithin(picture)));
  return found;
}

function isWithin(picture: SvgPicture): boolean {
  const { width, height } = picture;
  const root = rootOf(picture);
  if (['transform', ...REACHING].some((one) => root.attributes[one] !== undefined)) return false;
  try {
    const { left, top, right, bottom } = boundsOf(root, viewMatrix(root.attributes, width, height), {});
    return left >= -SLACK && top >= -SLACK && right <= width + SLACK && bottom <= height + SLACK;
  } catch (error) {
    if (error instanceof Unknown) return false;
    throw error;
  }
}

/** The box about all that is painted of an element's children, px; throws where that cannot be told. */
function boundsOf(element: ArtElement, matrix: Matrix, above: Attributes): Box {
  const style = { ...above, ...element.attributes };
  return element.children.reduce((box, child) => {
    if (typeof child === 'string') throw new Unknown();
    const { name, attributes } = child;
    if (UNPAINTED.has(name) || attributes['display'] === 'none') return box;
    if (REACHING.some((one) => attributes[one] !== undefined)) throw new Unknown();
    const own = productOf(matrix, transformOf(child));
    return unionOf(
      box,
      name === 'g' ? boundsOf(child, own, style) : paintedOf(child, own, { ...style, ...attributes }),
    );
  }, EMPTY_BOX);
}

function paintedOf(element: ArtElement, matrix: Matrix, style: Attributes): Box {
  const data = pathDataOf(element);
  if (data === undefined) throw new Unknown();
  const read = outlinesFromPathData(data);
  if (!read.ok) throw new Unknown();
  const width = (style['stroke'] ?? 'none') === 'none' ? 0 : Number(style['stroke-width'] ?? 1);
  const mitre = (style['stroke-linejoin'] ?? 'miter') === 'round' ? 1 : Number(style['stroke-miterlimit'] ?? 4);
  if (!(width >= 0) || !(mitre >= 0)) throw new Unknown();
  const longest = Math.max(Math.SQRT2, mitre);
  // Of what is stretched the longer way counts.
  const [a, b, c, d] = matrix;
  const edge = (width / 2) * longest * Math.max(scaleOf(matrix), Math.hypot(a, b), Math.hypot(c, d));
  return read.outlines.reduce((box, outline) => {
    const { nodes, closed } = movedOutline(outline, matrix);
    const { left, top, right, bottom } = pathThrough(nodes, closed).bounds;
    return unionOf(box, { left: left - edge, top: top - edge, right: right + edge, bottom: bottom + edge });
  }, EMPTY_BOX);
}

/** Lengths that are shares of whatever drawing they lie in. */
const LENGTHS = new Set(
  'x y width height cx cy r rx ry x1 y1 x2 y2 dx dy stroke-width stroke-dasharray stroke-dashoffset'.split(' '),
);

/** Whether a drawing's lengths are shares of its own box: it has to have one. */
export function hasShares({ name, attributes, children }: ArtElement, isRoot = true): boolean {
  const isShare = Object.entries(attributes).some(([key, value]) => LENGTHS.has(key) && value.includes('%'));
  const isPaint = name === 'linearGradient' || name === 'radialGradient';
  if (!isRoot && isShare && !(isPaint && attributes['gradientUnits'] !== 'userSpaceOnUse')) return true;
  return children.some((child) => typeof child !== 'string' && hasShares(child, false));
}
