import { inverseOf, transformed, type Body, type Matrix, type Vec } from '../../geometry/index.ts';
import { POSE_SIZE } from '../../motion/index.ts';
import type { Mover } from '../bodies/closest.ts';

/** px of the drawing between places of an outline that are looked at closely, and most of them; and how many of them are looked at over all of the time. */
const APART = 6;
const MOST = 600;
const FEW = 48;

/** s between looks over all of the time, and most of those in one span; looks about the worst of them, and how often those are brought nearer together. */
const STEP = 1 / 30;
const MOST_LOOKS = 400;
const LOOKS = 12;
const CLOSER = 4;

/** How far something is beyond an area's edge, px, when, and between which places of the canvas. */
export interface Depth {
  readonly depth: number;
  readonly at: number;
  readonly place: readonly [Vec, Vec];
}

/** Places along the edges of a body, px of its own. */
function placesOf({ edges }: Body): Vec[] {
  const places: Vec[] = [];
  const fewer = Math.max(1, edges.length / 4 / MOST);
  for (let i = 0; i < edges.length; i += 4) {
    const [x0, y0, x1, y1] = [edges[i] ?? 0, edges[i + 1] ?? 0, edges[i + 2] ?? 0, edges[i + 3] ?? 0];
    const count = Math.max(1, Math.ceil(Math.hypot(x1 - x0, y1 - y0) / (APART * fewer)));
    for (let k = 0; k < count; k++) places.push([x0 + ((x1 - x0) * k) / count, y0 + ((y1 - y0) * k) / count]);
  }
  return places;
}

const matrixOf = (pose: Float64Array): Matrix => [
  pose[0] ?? 1,
  pose[1] ?? 0,
  pose[2] ?? 0,
  pose[3] ?? 1,
  pose[4] ?? 0,
  pose[5] ?? 0,
];

/** How far a rider is outside an area, or inside one that it has to stay out of, at its worst in some spans of time, s. */
export function deepest(
  rider: Mover,
  area: Mover,
  side: 'in' | 'out',
  spans: readonly (readonly [number, number])[],
): Depth {
  const look = looker(rider, area, side);
  let worst: Depth = { depth: 0, at: spans[0]?.[0] ?? 0, place: [NOWHERE, NOWHERE] };
  for (const [from, to] of spans) {
    const count = Math.max(LOOKS, Math.min(MOST_LOOKS, Math.ceil((to - from) / STEP)));
    let [when, step] = [worstOf(look, from, to, count, FEW)?.at ?? (from + to) / 2, (to - from) / count];
    for (let round = 0; round < CLOSER; round++) {
      const found = worstOf(look, Math.max(from, when - step), Math.min(to, when + step), LOOKS, MOST);
      if (!found) break;
      if (found.depth > worst.depth) worst = found;
      [when, step] = [found.at, (2 * step) / LOOKS];
    }
  }
  return worst;
}

const NOWHERE: Vec = [0, 0];

type Look = (time: number, most: number) => Depth | undefined;

/** The worst of some looks from one time to another, s, at so many places of the outline at most. */
function worstOf(look: Look, from: number, to: number, count: number, most: number): Depth | undefined {
  let worst: Depth | undefined;
  for (let k = 0; k <= count; k++) {
    const found = look(from + ((to - from) * k) / count, most);
    if (found && found.depth > (worst?.depth ?? -1)) worst = found;
  }
  return worst;
}

/** What tells how far a rider is beyond the edge at a time; undefined where it is not, or is not seen. */
function looker(rider: Mover, area: Mover, side: 'in' | 'out'): Look {
  const places = new Map<Body, readonly Vec[]>();
  const [own, other] = [new Float64Array(POSE_SIZE), new Float64Array(POSE_SIZE)];
  return (time, most) => {
    rider.motion.poseAt(time, 1, own, 0);
    area.motion.poseAt(time, 1, other, 0);
    const [body, about] = [rider.bodyIn(own), area.bodyIn(other)];
    if (!body || !about) return undefined;
    const [matrix, base] = [matrixOf(own), matrixOf(other)];
    const back = inverseOf(base);
    if (!back) return undefined;
    const known = places.get(body) ?? placesOf(body);
    places.set(body, known);
    let found: Depth | undefined;
    const every = Math.max(1, Math.ceil(known.length / most));
    for (let k = 0; k < known.length; k += every) {
      const there = transformed(matrix, known[k] ?? NOWHERE);
      const [u, v] = transformed(back, there);
      if (about.holds(u, v) === (side === 'in')) continue;
      const edge = transformed(base, about.nearest(u, v));
      const depth = Math.hypot(there[0] - edge[0], there[1] - edge[1]);
      if (!found || depth > found.depth) found = { depth, at: time, place: [edge, there] };
    }
    return found;
  };
}
