import { inverseOf, POSE, transformed, type Art, type Vec } from '@pace-line/core';

/** A point of the canvas in the px of an art drawn in a pose; its pivot where it is drawn to nothing. */
export function inArt(pose: Float64Array, pivot: Vec, point: Vec): Vec {
  const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => pose[POSE[key]] ?? 0;
  const back = inverseOf([m('a'), m('b'), m('c'), m('d'), m('e'), m('f')]);
  return back ? transformed(back, point) : pivot;
}

const hundredths = (value: number): number => Math.round(value * 100) / 100 + 0;

/** The pivot at a point of the canvas, on the middle, an edge or a corner of the art's box where one is within `reach` canvas px of it. */
export function pivotNear(
  pose: Float64Array,
  { pivot, width, height }: Pick<Art, 'pivot' | 'width' | 'height'>,
  point: Vec,
  reach: number,
): Vec {
  const [x, y] = inArt(pose, pivot, point);
  const across = Math.hypot(pose[POSE.a] ?? 1, pose[POSE.b] ?? 0);
  const over = Math.hypot(pose[POSE.c] ?? 0, pose[POSE.d] ?? 1);
  const snapped = (value: number, size: number, scale: number): number => {
    const near = [0, size / 2, size].find((one) => Math.abs(one - value) * scale <= reach);
    return near ?? hundredths(value);
  };
  return [snapped(x, width, across), snapped(y, height, over)];
}

/** The facing, whole degrees or with `coarse` by 15, of art whose nose is to point from its pivot to a point of the canvas. */
export function facingTowards(pose: Float64Array, pivot: Vec, point: Vec, coarse: boolean): number {
  const [x, y] = inArt(pose, pivot, point);
  const degrees = (Math.atan2(y - pivot[1], x - pivot[0]) * 180) / Math.PI;
  return coarse ? Math.round(degrees / 15) * 15 + 0 : Math.round(degrees) + 0;
}
