import SvgPath from 'svgpath';
import type { PathNode, Vec } from '../geometry/index.ts';
import { ARC_TOLERANCE } from '../tolerances.ts';

/** One subpath read from path data. */
export interface Outline {
  readonly nodes: readonly PathNode[];
  readonly closed: boolean;
}

export type PathDataResult =
  { readonly ok: true; readonly outlines: readonly Outline[] } | { readonly ok: false; readonly message: string };

/**
 * Reads SVG path data (all commands, absolute and relative) into nodes. Arcs become as many cubics as stay within `arcTolerance` px.
 * Bad data gives a message with the place; nothing is thrown.
 */
export function outlinesFromPathData(d: string, arcTolerance: number = ARC_TOLERANCE): PathDataResult {
  const parsed = SvgPath.from(d);
  const err = (parsed as unknown as { err: string }).err;
  if (err) return { ok: false, message: err };
  const outlines: Outline[] = [];
  let nodes: Mutable[] = [];
  const finish = (closed: boolean): void => {
    const first = nodes[0];
    const last = nodes[nodes.length - 1];
    if (closed && first && last && first !== last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-9) {
      if (last.in) first.in = last.in;
      nodes.pop();
    }
    if (nodes.length > 0) outlines.push({ nodes, closed });
    nodes = [];
  };
  let start: Vec = [0, 0];
  const begin = (): Mutable => {
    const last = nodes[nodes.length - 1];
    if (last) return last;
    const node: Mutable = { x: start[0], y: start[1] };
    nodes.push(node);
    return node;
  };
  const curve = (p1: Vec, p2: Vec, p3: Vec): void => {
    const from = begin();
    const out: Vec = [p1[0] - from.x, p1[1] - from.y];
    const into: Vec = [p2[0] - p3[0], p2[1] - p3[1]];
    if (out[0] !== 0 || out[1] !== 0) from.out = out;
    nodes.push({ x: p3[0], y: p3[1], ...(into[0] !== 0 || into[1] !== 0 ? { in: into } : {}) });
  };
  parsed
    .abs()
    .unshort()
    .iterate((segment) => {
      const n = segment.slice(1) as number[];
      const v = (i: number): number => n[i] ?? 0;
      const from = nodes[nodes.length - 1] ?? { x: start[0], y: start[1] };
      switch (segment[0]) {
        case 'M':
          finish(false);
          start = [v(0), v(1)];
          break;
        case 'L':
          begin();
          nodes.push({ x: v(0), y: v(1) });
          break;
        case 'H':
          begin();
          nodes.push({ x: v(0), y: from.y });
          break;
        case 'V':
          begin();
          nodes.push({ x: from.x, y: v(0) });
          break;
        case 'C':
          curve([v(0), v(1)], [v(2), v(3)], [v(4), v(5)]);
          break;
        case 'Q': {
          const third = (a: number, b: number): number => a + (2 / 3) * (b - a);
          curve([third(from.x, v(0)), third(from.y, v(1))], [third(v(2), v(0)), third(v(3), v(1))], [v(2), v(3)]);
          break;
        }
        case 'A':
          for (const [p1, p2, p3] of cubicsOfArc(
            [from.x, from.y],
            v(0),
            v(1),
            v(2),
            v(3) !== 0,
            v(4) !== 0,
            [v(5), v(6)],
            arcTolerance,
          ))
            curve(p1, p2, p3);
          break;
        case 'Z':
        case 'z':
          begin();
          finish(true);
          break;
        default:
          throw new Error(`Path command ${segment[0]} should have been made absolute`);
      }
    });
  finish(false);
  if (outlines.length === 0) return { ok: false, message: 'the path data holds no path' };
  return { ok: true, outlines };
}

interface Mutable {
  x: number;
  y: number;
  in?: Vec;
  out?: Vec;
}

/**
 * An elliptical arc as cubics. Centre parametrisation: SVG 2, appendix B.2.4. Handle length k = 4/3·tan(θ/4) has a radial error of about
 * 4/27·sin⁶(θ/4)/cos²(θ/4) of the radius, which sets the number of pieces.
 */
function cubicsOfArc(
  from: Vec,
  rxGiven: number,
  ryGiven: number,
  degrees: number,
  large: boolean,
  sweep: boolean,
  to: Vec,
  tolerance: number,
): [Vec, Vec, Vec][] {
  let rx = Math.abs(rxGiven);
  let ry = Math.abs(ryGiven);
  if (from[0] === to[0] && from[1] === to[1]) return [];
  if (rx === 0 || ry === 0) {
    const at = (k: number): Vec => [from[0] + (to[0] - from[0]) * k, from[1] + (to[1] - from[1]) * k];
    return [[at(1 / 3), at(2 / 3), to]];
  }
  const phi = (degrees * Math.PI) / 180;
  const cos = Math.cos(phi);
  const sin = Math.sin(phi);
  const hx = (from[0] - to[0]) / 2;
  const hy = (from[1] - to[1]) / 2;
  const x1 = cos * hx + sin * hy;
  const y1 = -sin * hx + cos * hy;
  const grow = Math.sqrt(Math.max(1, (x1 * x1) / (rx * rx) + (y1 * y1) / (ry * ry)));
  rx *= grow;
  ry *= grow;
  const bottom = rx * rx * y1 * y1 + ry * ry * x1 * x1;
  const root = Math.sqrt(Math.max(0, (rx * rx * ry * ry - bottom) / bottom)) * (large === sweep ? -1 : 1);
  const cx1 = (root * rx * y1) / ry;
  const cy1 = (-root * ry * x1) / rx;
  const cx = cos * cx1 - sin * cy1 + (from[0] + to[0]) / 2;
  const cy = sin * cx1 + cos * cy1 + (from[1] + to[1]) / 2;
  const a0 = Math.atan2((y1 - cy1) / ry, (x1 - cx1) / rx);
  let sweepAngle = Math.atan2((-y1 - cy1) / ry, (-x1 - cx1) / rx) - a0;
  if (sweep && sweepAngle < 0) sweepAngle += 2 * Math.PI;
  if (!sweep && sweepAngle > 0) sweepAngle -= 2 * Math.PI;
  let count = Math.max(1, Math.ceil(Math.abs(sweepAngle) / (Math.PI / 2) - 1e-9));
  const radialError = (n: number): number => {
    const quarter = Math.abs(sweepAngle) / n / 4;
    return ((4 / 27) * Math.sin(quarter) ** 6) / Math.cos(quarter) ** 2;
  };
  while (radialError(count) * Math.max(rx, ry) > tolerance && count < 512) count++;
  const step = sweepAngle / count;
  const k = (4 / 3) * Math.tan(step / 4);
  const place = (u: number, v: number): Vec => [cx + rx * u * cos - ry * v * sin, cy + rx * u * sin + ry * v * cos];
  return Array.from({ length: count }, (_, i) => {
    const a = a0 + i * step;
    const b = a + step;
    const end = i === count - 1 ? to : place(Math.cos(b), Math.sin(b));
    return [
      place(Math.cos(a) - k * Math.sin(a), Math.sin(a) + k * Math.cos(a)),
      place(Math.cos(b) + k * Math.sin(b), Math.sin(b) - k * Math.cos(b)),
      end,
    ];
  });
}
