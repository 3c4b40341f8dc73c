import type { PathNode } from './span.ts';
import type { Vec } from './vec.ts';

/** An affine matrix, as in SVG: x′ = a·x + c·y + e, y′ = b·x + d·y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/** The matrix that changes nothing. */
export const IDENTITY_MATRIX: Matrix = [1, 0, 0, 1, 0, 0];

/** Determinant below which nothing of a plane is left. */
const VANISHING = 1e-12;

/** Where a matrix puts a point. */
export const transformed = ([a, b, c, d, e, f]: Matrix, [x, y]: Vec): Vec => [a * x + c * y + e, b * x + d * y + f];

/** What `outer` makes of what `inner` makes. */
export const productOf = ([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix => [
  a * g + c * h,
  b * g + d * h,
  a * i + c * j,
  b * i + d * j,
  a * k + c * l + e,
  b * k + d * l + f,
];

/** The matrix that undoes another; undefined where that draws all to a line or a point. */
export function inverseOf([a, b, c, d, e, f]: Matrix): Matrix | undefined {
  const det = a * d - b * c;
  if (Math.abs(det) < VANISHING) return undefined;
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/** The same without its translation: what it makes of directions. */
export const linearOf = ([a, b, c, d]: Matrix): Matrix => [a, b, c, d, 0, 0];

/** A node with its handles, which are from it, where a matrix puts them. */
export function transformedNode<N extends PathNode>(node: N, matrix: Matrix): N {
  const [x, y] = transformed(matrix, [node.x, node.y]);
  const linear = linearOf(matrix);
  return {
    ...node,
    ...{ x, y },
    ...(node.in ? { in: transformed(linear, node.in) } : {}),
    ...(node.out ? { out: transformed(linear, node.out) } : {}),
  };
}

/** Factors and an angle (rad, clockwise) about a point. */
export function matrixAbout([x, y]: Vec, scaleX: number, scaleY: number, angle: number): Matrix {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const [a, b, c, d] = [cos * scaleX, sin * scaleX, -sin * scaleY, cos * scaleY];
  return [a, b, c, d, x - a * x - c * y, y - b * x - d * y];
}
