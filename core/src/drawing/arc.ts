import type { Vec } from '../geometry/index.ts';

/** An elliptical arc as path data has it: radii px, turn of the ellipse in degrees, and which of four arcs. */
export interface Arc {
  readonly rx: number;
  readonly ry: number;
  readonly degrees: number;
  readonly large: boolean;
  readonly sweep: boolean;
}

/**
 * An elliptical arc as cubics. Centre parametrisation: SVG 2, appendix B.2.4. Handle length k = 4/3·tan(θ/4) has a radial error of about
 * 4/27·sin⁶(θ/4)/cos²(θ/4) of the radius, which sets the number of pieces.
 */
export function cubicsOfArc(from: Vec, arc: Arc, to: Vec, tolerance: number): [Vec, Vec, Vec][] {
  const { degrees, large, sweep } = arc;
  let rx = Math.abs(arc.rx);
  let ry = Math.abs(arc.ry);
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
