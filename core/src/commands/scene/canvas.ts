import { matrixAbout, transformedNode, type Matrix, type Vec } from '../../geometry/index.ts';
import type { Guide, Rider, Scene, Tracing } from '../../scene/index.ts';
import { command, refusal } from '../command.ts';
import { mapOffsets } from '../key/key-maps.ts';

/** What happens to the things on a canvas that gets another size: they stay where they are, stay in its middle, or grow with it. */
export type Refit = 'keep' | 'centre' | 'scale';

/** px of a side of the canvas. */
const SMALLEST = 1;
const LARGEST = 16_384;

const isSize = (size: number): boolean => size >= SMALLEST && size <= LARGEST;

/** Gives the canvas another size, px; what is on it is kept, centred or scaled (by the smaller of both factors, so that all stays on it). Marks keep times and places. */
export const resizeCanvas = command<{ width: number; height: number; refit: Refit }>(
  (_, { width, height }) => (isSize(width) && isSize(height) ? undefined : refusal('canvas-size')),
  (scene, { width, height, refit }) => {
    const { canvas } = scene;
    if (canvas.width === width && canvas.height === height) return scene;
    const resized: Scene = { ...scene, canvas: { ...canvas, width, height } };
    if (refit === 'keep') return resized;
    const factor = refit === 'scale' ? Math.min(width / canvas.width, height / canvas.height) : 1;
    const [a, b, c, d] = matrixAbout([0, 0], factor, factor, 0);
    const matrix: Matrix = [a, b, c, d, (width - factor * canvas.width) / 2, (height - factor * canvas.height) / 2];
    return {
      ...resized,
      guides: resized.guides.map((guide) => (guide.carrier === null ? movedGuide(guide, matrix, factor) : guide)),
      riders: resized.riders.map((rider) => movedRider(rider, matrix, factor)),
      tracing: resized.tracing.map((picture) => movedPicture(picture, matrix, factor)),
    };
  },
);

const moved = ([x, y]: Vec, [a, , , d, e, f]: Matrix): Vec => [a * x + e, d * y + f];

/** A guide moved and scaled; its shape's parameters end where it grows, and its link's distance grows with it. */
function movedGuide(guide: Guide, matrix: Matrix, factor: number): Guide {
  const { shape, link, ...rest } = guide;
  const nodes = guide.nodes.map((node) => transformedNode(node, matrix));
  const [dx, dy] = [matrix[4], matrix[5]];
  return {
    ...rest,
    nodes,
    ...(guide.corridor === null ? {} : { corridor: guide.corridor * factor }),
    ...(shape && factor === 1 ? { shape: { ...shape, x: shape.x + dx, y: shape.y + dy } } : {}),
    ...(link?.kind === 'parallel' ? { link: { ...link, distance: link.distance * factor } } : {}),
    ...(link?.kind === 'copy' ? { link: { ...link, dx: link.dx * factor, dy: link.dy * factor } } : {}),
  };
}

/** A rider moved and scaled with all its measures; what a rider carries is scaled with it, and stays where it is in its frame. */
function movedRider(rider: Rider, matrix: Matrix, factor: number): Rider {
  const { carrier, heading, roll, scale, entrance } = rider;
  const { target } = heading;
  const own: Rider =
    carrier?.scale === false || !carrier ? { ...rider, scale: [scale[0] * factor, scale[1] * factor] } : rider;
  if (carrier) return own;
  return {
    ...own,
    at: moved(rider.at, matrix),
    lift: rider.lift * factor,
    lead: rider.lead * factor,
    rounding: rider.rounding * factor,
    shift: [rider.shift[0] * factor, rider.shift[1] * factor],
    entrance: entrance && { ...entrance, from: [entrance.from[0] * factor, entrance.from[1] * factor] },
    keys: mapOffsets(rider.keys, (px) => px * factor),
    heading: {
      ...heading,
      base: heading.base * factor,
      smooth: heading.smooth * factor,
      target: target.kind === 'point' ? { kind: 'point', at: moved(target.at, matrix) } : target,
    },
    roll: roll?.radius == null ? roll : { ...roll, radius: roll.radius * factor },
  };
}

function movedPicture(picture: Tracing, matrix: Matrix, factor: number): Tracing {
  const [x, y] = moved([picture.x, picture.y], matrix);
  return { ...picture, x, y, scale: picture.scale * factor };
}

/** Sets the paper of the canvas: a colour, or null for none. */
export const setBackground = command<{ background: string | null }>(
  () => undefined,
  (scene, { background }) =>
    scene.canvas.background === background ? scene : { ...scene, canvas: { ...scene.canvas, background } },
);
