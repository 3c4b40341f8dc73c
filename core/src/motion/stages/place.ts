import { liftsBy, liftWayOf } from '../lifting.ts';
import { passings } from '../passings.ts';
import { footMoves, hasOffsets } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import { noEvents, type PoseStageMaker } from '../stage.ts';

/** Distance to the place of the pivot: lead along the guide, lift to its left. A parked rider stands where it was put. */
export const placeStage: PoseStageMaker = (prepared) => {
  const { rider, way } = prepared;
  if (!way) {
    const [x, y] = rider.at;
    return {
      run({ row }) {
        row[SLOT.x] = x;
        row[SLOT.y] = y;
      },
      varies: [],
      events: noEvents,
    };
  }
  const { path, line } = way;
  const { lift: raised } = prepared;
  const { lead: ahead } = rider;
  const isChanged = hasOffsets(prepared);
  const by = liftsBy(prepared);
  const liftWay = by === 'normal' ? undefined : liftWayOf(prepared);
  const [shiftX, shiftY] = rider.shift;
  const work = new Float64Array(3);
  return {
    run({ row, side, direction, frame }) {
      if (!isChanged) {
        row[SLOT.lift] = raised;
        row[SLOT.lead] = ahead;
      }
      frame.distance = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
      const lift = row[SLOT.lift] ?? 0;
      path.locate(frame, 1);
      if (frame.atBreak && line.tangentSideAt(row[SLOT.local] ?? 0, side === direction ? 1 : -1, direction) < 0)
        path.locate(frame, -1);
      if (liftWay) {
        liftWay(frame, (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0), work);
        row[SLOT.x] = frame.x + lift * (work[0] ?? 0) + shiftX;
        row[SLOT.y] = frame.y + lift * (work[1] ?? 0) + shiftY;
        return;
      }
      row[SLOT.x] = frame.x + lift * frame.normalX + shiftX;
      row[SLOT.y] = frame.y + lift * frame.normalY + shiftY;
    },
    varies: footMoves(prepared) ? ['x', 'y'] : [],
    events(from, to) {
      // Held on an open guide: past its ends there is no corner.
      const round = path.isClosed ? path.length : Infinity;
      const corners = path.corners();
      // A rounded lift begins and ends to turn half its stretch from a corner.
      const beside = by === 'rounded' ? corners.flatMap((s) => [s - rider.rounding / 2, s + rider.rounding / 2]) : [];
      const places = path.isClosed
        ? beside.map((s) => s - Math.floor(s / path.length) * path.length)
        : beside.filter((s) => s > 0 && s < path.length);
      return passings(prepared, { places: [...corners, ...places].sort((a, b) => a - b), round }, from, to);
    },
  };
};
