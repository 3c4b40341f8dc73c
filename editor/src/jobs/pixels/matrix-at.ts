import { IDENTITY_MATRIX, POSE, POSE_SIZE, type Matrix } from '@pace-line/core';

/** A rider's matrix among the poses; that of the canvas where there is none. */
export function matrixAt(poses: Float64Array, index: number): Matrix {
  if (index < 0) return IDENTITY_MATRIX;
  const at = (key: number): number => poses[index * POSE_SIZE + key] ?? 0;
  return [at(POSE.a), at(POSE.b), at(POSE.c), at(POSE.d), at(POSE.e), at(POSE.f)];
}
