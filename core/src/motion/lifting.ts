import type { Frame } from '../geometry/index.ts';
import { angleTableOf } from './heading/along.ts';
import type { PreparedRider } from './prepared-rider.ts';

/** The direction in which lift goes at a frame of the guide: a unit vector into `out`. Rounded, `out[2]` is worked in. */
export type LiftWay = (frame: Frame, distance: number, out: Float64Array) => void;

/** What rolls keeps to the normal: it would slip. */
export const liftsBy = ({ rider, roll }: PreparedRider): 'normal' | 'up' | 'rounded' =>
  roll || (rider.liftBy === 'rounded' && rider.rounding === 0) ? 'normal' : rider.liftBy;

/** Left of the guide; up, in the frame that the rider is placed in; or left of the guide's direction averaged over a stretch. */
export function liftWayOf(prepared: PreparedRider): LiftWay {
  const by = liftsBy(prepared);
  const { way, rider } = prepared;
  if (by === 'up')
    return (_, __, out) => {
      out[0] = 0;
      out[1] = -1;
    };
  if (by === 'rounded' && way) {
    const table = angleTableOf(way.path);
    return (_, distance, out) => {
      out[2] = distance;
      table.average(out, 2, 2, rider.rounding);
      const angle = out[2];
      out[0] = Math.sin(angle);
      out[1] = -Math.cos(angle);
    };
  }
  return (frame, _, out) => {
    out[0] = frame.normalX;
    out[1] = frame.normalY;
  };
}
