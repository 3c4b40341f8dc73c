import { SPEED_WINDOW } from '../../scene/index.ts';
import { foldTime, timesOfLocals } from '../../time/index.ts';
import { decompose } from '../decompose.ts';
import { headingMode } from '../heading/index.ts';
import { keyEvents } from '../key-lines.ts';
import { footMoves, type PreparedRider } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import type { Channel } from '../posed.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Stretch along an axis, and one over it across: the area stays. It is applied on the canvas, after the turn, about a point that stays where it is. */
export const squashStage: PoseStageMaker = (prepared) => {
  const { rider, art, keys, way, folding } = prepared;
  const { squash } = rider;
  if (!squash) return undefined;
  const bySpeed = squash.by === 'speed';
  if (bySpeed ? !way : !keys.stretch) return undefined;
  const pivot = art?.pivot ?? [0, 0];
  const about = squash.about ?? pivot;
  const { axis } = squash;
  const angle = (squash.angle * Math.PI) / 180;
  const axisLine = axis === 'heading' ? undefined : keys.axis;
  const heads =
    rider.strung !== null || headingMode(rider.heading.mode, way !== null, prepared.roll !== undefined).turns;
  const work = new Float64Array(1);
  const window = Math.min(SPEED_WINDOW, folding.cycle / 4);
  const { strength, limit } = squash;
  const speedEvents = [0, folding.cycle, ...(way?.line.events() ?? [])];
  const changes = bySpeed ? footMoves(prepared) : [keys.stretch, axisLine].some((line) => line && !line.isStill);
  const shapes: readonly Channel[] = ['x', 'y', 'angle', 'skew', 'scaleX', 'scaleY'];
  return {
    run({ row, side, direction, frame }) {
      const localSide = side === direction ? 1 : -1;
      if (bySpeed) {
        const speed = meanSpeed(prepared, row[SLOT.time] ?? 0, window);
        work[0] = Math.min(limit, Math.max(1 / limit, 1 + (strength * speed) / 1000));
      } else {
        work[0] = row[SLOT.local] ?? 0;
        keys.stretch?.advance(work, localSide);
      }
      const k = work[0];
      let ux = 1;
      let uy = 0;
      if (axis !== 'heading') {
        work[0] = 0;
        if (axisLine) {
          work[0] = row[SLOT.local] ?? 0;
          axisLine.advance(work, localSide);
        }
        LAID[0] = Math.cos(angle + work[0]);
        LAID[1] = Math.sin(angle + work[0]);
        if (axis === 'own') layOn(row);
        ux = LAID[0];
        uy = LAID[1];
      } else if (heads) {
        ux = Math.cos(row[SLOT.toward] ?? 0);
        uy = Math.sin(row[SLOT.toward] ?? 0);
      } else if (way) {
        ux = frame.tangentX;
        uy = frame.tangentY;
      }
      const across = 1 / k;
      const xx = k * ux * ux + across * uy * uy;
      const xy = (k - across) * ux * uy;
      const yy = k * uy * uy + across * ux * ux;
      const { a, b, c, d } = SLOT;
      const [ma, mb, mc, md] = [row[a] ?? 0, row[b] ?? 0, row[c] ?? 0, row[d] ?? 0];
      const px = (about[0] - pivot[0]) * ma + (about[1] - pivot[1]) * mc;
      const py = (about[0] - pivot[0]) * mb + (about[1] - pivot[1]) * md;
      const x = (row[SLOT.x] ?? 0) + px - (xx * px + xy * py);
      const y = (row[SLOT.y] ?? 0) + py - (xy * px + yy * py);
      row[a] = xx * ma + xy * mb;
      row[b] = xy * ma + yy * mb;
      row[c] = xx * mc + xy * md;
      row[d] = xy * mc + yy * md;
      row[SLOT.x] = x;
      row[SLOT.y] = y;
      row[SLOT.e] = x - (row[a] ?? 0) * pivot[0] - (row[c] ?? 0) * pivot[1];
      row[SLOT.f] = y - (row[b] ?? 0) * pivot[0] - (row[d] ?? 0) * pivot[1];
      decompose(row);
    },
    varies: changes || footMoves(prepared) || keys.all.length > 0 ? shapes : [],
    events(from, to) {
      const keyed = keyEvents(prepared, bySpeed ? [axisLine] : [keys.stretch, axisLine])(from, to);
      if (!bySpeed) return keyed;
      const wide = timesOfLocals(folding, speedEvents, from - 2 * window, to + 2 * window);
      const speeds = wide.flatMap((time) => [time - window, time + window]).filter((time) => time > from && time < to);
      return [...keyed, ...speeds];
    },
  };
};

/** A direction of the drawing, and, once it is laid, the one that it has then. */
const LAID = new Float64Array(2);

/** Lays that direction by a row's matrix, in place; to the right where that lays it on a point. */
function layOn(row: Float64Array): void {
  const x = (row[SLOT.a] ?? 0) * (LAID[0] ?? 0) + (row[SLOT.c] ?? 0) * (LAID[1] ?? 0);
  const y = (row[SLOT.b] ?? 0) * (LAID[0] ?? 0) + (row[SLOT.d] ?? 0) * (LAID[1] ?? 0);
  const length = Math.sqrt(x * x + y * y);
  LAID[0] = length > 0 ? x / length : 1;
  LAID[1] = length > 0 ? y / length : 0;
}

/** Mean speed along the guide from `window` s before a time to as long after it, px/s; a jump back to the cycle's start is no way. */
export function meanSpeed({ way, folding }: PreparedRider, time: number, window: number): number {
  if (!way) return 0;
  const { line } = way;
  const before = foldTime(time - window, folding).local;
  const after = foldTime(time + window, folding).local;
  const { cycle, repeat } = folding;
  let went = line.distanceAt(after, -1) - line.distanceAt(before);
  if (repeat === 'loop' && after < before) went += line.distanceAt(cycle, -1) - line.distanceAt(0);
  return Math.abs(went) / (2 * window);
}
