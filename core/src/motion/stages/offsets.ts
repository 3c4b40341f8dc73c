import { addKeyed, keyEvents, timesKeyed } from '../key-lines.ts';
import { passings } from '../passings.ts';
import { footMoves, hasOffsets } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Lift and lead with what changes them: their keys, the art's height where its scale has keys, and the depth of the guide. */
export const offsetsStage: PoseStageMaker = (prepared) => {
  const { rider, way, keys, lift: constant, raised, depth } = prepared;
  if (!way || !hasOffsets(prepared)) return undefined;
  const { lift, lead } = keys;
  const { lead: ahead } = rider;
  const height = raised === 0 ? undefined : keys.scaleY;
  const moves = [lift, lead, height].some((line) => line && !line.isStill) || (depth && footMoves(prepared));
  return {
    run({ row, side, direction }) {
      const localSide = side === direction ? 1 : -1;
      row[SLOT.lead] = ahead;
      addKeyed(row, SLOT.lead, lead, SLOT.local, localSide);
      row[SLOT.lift] = constant;
      if (height) {
        row[SLOT.lift] = raised;
        timesKeyed(row, SLOT.lift, height, SLOT.local, localSide);
        row[SLOT.lift] = constant - raised + Math.abs(row[SLOT.lift] ?? 0) * Math.sign(raised);
      }
      addKeyed(row, SLOT.lift, lift, SLOT.local, localSide);
      if (!depth) return;
      row[SLOT.depth] = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
      depth.factorAt(row, SLOT.depth, SLOT.depth);
      row[SLOT.lift] = (row[SLOT.lift] ?? 0) * (row[SLOT.depth] ?? 1);
    },
    varies: moves ? ['x', 'y'] : [],
    events(from, to) {
      const keyed = keyEvents(prepared, [lift, lead, height])(from, to);
      const round = way.path.isClosed ? way.path.length : Infinity;
      return depth ? [...keyed, ...passings(prepared, { places: depth.stops, round }, from, to)] : keyed;
    },
  };
};
