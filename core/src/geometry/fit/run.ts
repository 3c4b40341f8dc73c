import { farthest } from '../../search.ts';
import type { ControlPoints } from '../cubic.ts';
import type { PathNode } from '../span.ts';
import { subtract, type Vec } from '../vec.ts';
import { fitCubic } from './cubic.ts';
import type { Run } from './points.ts';

/** A tangent (unit) at a point of a run, looking some way to both sides, or to one at its ends. */
export type TangentAt = (index: number, side: -1 | 0 | 1) => Vec;

/** Fits points a..b with as few cubics as the tolerance allows, each reaching as far as it can. */
export function fitRun(
  run: Run,
  a: number,
  b: number,
  tangent: TangentAt,
  tolerance: number,
): { cubic: ControlPoints; end: number }[] {
  const pieces: { cubic: ControlPoints; end: number }[] = [];
  let start = a;
  let from = tangent(a, 1);
  const attempt = (end: number): { cubic: ControlPoints; off: number } =>
    fitCubic(run, start, end, from, tangent(end, end === b ? -1 : 0), tolerance);
  const accepted = (end: number): ControlPoints | undefined => {
    const { cubic, off } = attempt(end);
    return off <= tolerance ? cubic : undefined;
  };
  // The last few points that might still be reached are not worth as many fits.
  const fewLeft = (reached: number): number => reached >> 5;
  while (start < b) {
    const piece = farthest(start, b, attempt(start + 1).cubic, accepted, fewLeft);
    pieces.push({ cubic: piece.made, end: piece.end });
    from = tangent(piece.end, 0);
    start = piece.end;
  }
  return pieces;
}

export function nodesOfPieces(pieces: readonly { cubic: ControlPoints }[]): PathNode[] {
  const nodes: PathNode[] = [];
  for (const { cubic } of pieces) {
    const [p0, p1, p2, p3] = cubic;
    const last = nodes.pop() ?? { x: p0[0], y: p0[1] };
    nodes.push({ ...last, out: subtract(p1, p0) }, { x: p3[0], y: p3[1], in: subtract(p2, p3) });
  }
  return nodes;
}
