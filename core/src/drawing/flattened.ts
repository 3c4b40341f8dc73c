import type { PathD } from 'clipper2-ts';
import { controlPointsBetween, type Vec } from '../geometry/index.ts';
import type { Outline } from './path-data.ts';

/** px by which a polygon may miss its curve. */
export const FLATNESS = 0.02;

/** The polygon through an outline's spans. As many chords as keep it within the tolerance (Wang's bound for cubics). */
export function flattened({ nodes, closed }: Outline, tolerance: number): PathD {
  const points: Vec[] = [];
  const [first] = nodes;
  if (!first) return [];
  points.push([first.x, first.y]);
  const count = closed ? nodes.length : nodes.length - 1;
  for (let i = 0; i < count; i++) {
    const [from, to] = [nodes[i] ?? first, nodes[(i + 1) % nodes.length] ?? first];
    const cubic = controlPointsBetween(from, to);
    const bend = (k: 0 | 1): number =>
      Math.hypot(...([0, 1] as const).map((axis) => cubic[k][axis] - 2 * cubic[k + 1]![axis] + cubic[k + 2]![axis]));
    const isStraight = !from.out && !to.in;
    const chords = isStraight ? 1 : Math.max(1, Math.ceil(Math.sqrt((0.75 * Math.max(bend(0), bend(1))) / tolerance)));
    for (let k = 1; k <= chords; k++) points.push(pointOf(cubic, k / chords));
  }
  if (closed && points.length > 1) points.pop();
  return points.map(([x, y]) => ({ x, y }));
}

function pointOf([p, q, r, s]: readonly [Vec, Vec, Vec, Vec], t: number): Vec {
  const u = 1 - t;
  const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
  return [a * p[0] + b * q[0] + c * r[0] + d * s[0], a * p[1] + b * q[1] + c * r[1] + d * s[1]];
}
