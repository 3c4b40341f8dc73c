import { noiseInto, type Waves } from '../../noise.ts';
import { timesOfLocals } from '../../time/index.ts';
import { addKeyed, keyEvents, timesKeyed } from '../key-lines.ts';
import { passings } from '../passings.ts';
import { footMoves, hasOffsets } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Lift and lead with what changes them: their keys, the art's height where its scale has keys, and the depth of the guide. */
export const offsetsStage: PoseStageMaker = (prepared) => {
  const { rider, way, keys, lift: constant, raised, depth, sway, folding } = prepared;
  if (!way || !hasOffsets(prepared)) return undefined;
  const { lift, lead } = keys;
  const { lead: ahead } = rider;
  const height = raised === 0 ? undefined : keys.scaleY;
  const { cycle } = folding;
  const moves = sway || [lift, lead, height].some((line) => line && !line.isStill) || (depth && footMoves(prepared));
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
      if (sway) addSway(row, sway.px, sway.waves, cycle);
      if (!depth) return;
      row[SLOT.depth] = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
      depth.factorAt(row, SLOT.depth, SLOT.depth);
      row[SLOT.lift] = (row[SLOT.lift] ?? 0) * (row[SLOT.depth] ?? 1);
    },
    varies: moves ? ['x', 'y'] : [],
    events(from, to) {
      const keyed = keyEvents(prepared, [lift, lead, height])(from, to);
      if (sway) keyed.push(...timesOfLocals(folding, crestsOf(sway.waves, cycle), from, to));
      const round = way.path.isClosed ? way.path.length : Infinity;
      return depth ? [...keyed, ...passings(prepared, { places: depth.stops, round }, from, to)] : keyed;
    },
  };
};

/** Local times, s, at which a sway comes to one of its waves. */
const crestsOf = (waves: Waves, cycle: number): number[] => [...waves.keys()].map((k) => (k * cycle) / waves.length);

const WORK = new Float64Array(1);

function addSway(row: Float64Array, px: number, waves: Waves, cycle: number): void {
  WORK[0] = (row[SLOT.local] ?? 0) / cycle;
  noiseInto(waves, WORK);
  row[SLOT.lift] = (row[SLOT.lift] ?? 0) + px * (WORK[0] ?? 0);
}
