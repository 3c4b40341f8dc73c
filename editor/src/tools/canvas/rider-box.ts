import { artById, POSE, POSE_SIZE, riderById, type Poses, type Rider, type Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import { EDGE, KNOB, type PlacedHandle } from './selection-box.ts';

/** The box about a selected rider's art, turned as it is: corners in order round it, and handles, canvas px. */
export interface RiderBox {
  readonly rider: Rider;
  readonly corners: readonly (readonly [number, number])[];
  readonly handles: readonly PlacedHandle[];
}

/** The box of the one selected rider; undefined where none or several are, where it is locked, hidden, or squashed to nothing. */
export function riderBoxOf(scene: Scene, selection: Selection, poses: Poses, zoom: number): RiderBox | undefined {
  const [id, another] = selection.riders;
  const rider = another === undefined ? riderById(scene, id ?? '') : undefined;
  const art = rider && artById(scene, rider.art);
  if (!rider || !art || rider.locked || !rider.visible) return undefined;
  const at = scene.riders.indexOf(rider) * POSE_SIZE;
  const m = (key: number): number => poses.data[at + key] ?? 0;
  const [a, b, c, d] = [m(POSE.a), m(POSE.b), m(POSE.c), m(POSE.d)];
  const [wide, high] = [Math.hypot(a, b), Math.hypot(c, d)];
  if (!(wide > 1e-9 && high > 1e-9)) return undefined;
  const [ux, uy, vx, vy] = [a / wide, b / wide, c / high, d / high];
  const x = (a * art.width + c * art.height) / 2 + m(POSE.e);
  const y = (b * art.width + d * art.height) / 2 + m(POSE.f);
  const [w, h] = [(wide * art.width) / 2 + EDGE / zoom, (high * art.height) / 2 + EDGE / zoom];
  const point = (sx: number, sy: number, out = 0): readonly [number, number] => [
    x + sx * w * ux + sy * (h + out) * vx,
    y + sx * w * uy + sy * (h + out) * vy,
  ];
  const sides = ([-1, 0, 1] as const).flatMap((sx) =>
    ([-1, 0, 1] as const).flatMap((sy): PlacedHandle[] => {
      if (sx === 0 && sy === 0) return [];
      const [px, py] = point(sx, sy);
      return [{ handle: { kind: 'scale', sx, sy }, x: px, y: py }];
    }),
  );
  const [kx, ky] = point(0, -1, KNOB / zoom);
  return {
    rider,
    corners: [point(-1, -1), point(1, -1), point(1, 1), point(-1, 1)],
    handles: [...sides, { handle: { kind: 'turn' }, x: kx, y: ky }],
  };
}
