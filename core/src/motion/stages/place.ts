import { bracketedRoot, type Path } from '../../geometry/index.ts';
import { wholeNumbers } from '../../search.ts';
import { foldTime, timesOfLocals } from '../../time/index.ts';
import { footMoves, type PreparedRider } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import { noEvents, type PoseStageMaker } from '../stage.ts';

/** Distance to the place of the pivot: lead along the guide, lift to its left. A parked rider stands where it was put. */
export const placeStage: PoseStageMaker = (prepared) => {
  const { rider, folding, way, keys } = prepared;
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
  const isKeyed = keys.lift !== undefined || keys.lead !== undefined;
  return {
    run({ row, side, direction, frame }) {
      if (!isKeyed) {
        row[SLOT.lift] = raised;
        row[SLOT.lead] = ahead;
      }
      frame.distance = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
      const lift = row[SLOT.lift] ?? 0;
      path.locate(frame, 1);
      if (frame.atBreak && line.tangentSideAt(row[SLOT.local] ?? 0, side === direction ? 1 : -1, direction) < 0)
        path.locate(frame, -1);
      row[SLOT.x] = frame.x + lift * frame.normalX;
      row[SLOT.y] = frame.y + lift * frame.normalY;
    },
    varies: footMoves(prepared) ? ['x', 'y'] : [],
    events(from, to) {
      const corners = path.corners();
      if (corners.length === 0) return [];
      const locals = [0, folding.cycle, ...line.events(), ...(keys.lead?.events() ?? [])];
      const inner = timesOfLocals(folding, locals, from, to);
      const stops = [...new Set([from, ...inner, to])].sort((a, b) => a - b);
      return stops.slice(1).flatMap((stop, i) => passings(prepared, path, corners, stops[i] ?? from, stop));
    },
  };
};

/** Steps per smooth piece of time in which passings of corners are looked for. */
const PASSING_STEPS = 64;

/** Corners passed in one such step from which on they are not told apart: they follow each other faster than anything can show or write. */
const MOST_PASSED = 500;

/** Times inside (a, b) at which distance + lead passes a corner, laps included. */
function passings(
  { rider, folding, way, keys }: PreparedRider,
  path: Path,
  corners: readonly number[],
  a: number,
  b: number,
): number[] {
  const at = (time: number): number => {
    const { local } = foldTime(time, folding);
    return (way?.line.distanceAt(local) ?? 0) + rider.lead + (keys.lead?.valueAt(local) ?? 0);
  };
  const found: number[] = [];
  const inset = (b - a) * 1e-9;
  let t0 = a + inset;
  let s0 = at(t0);
  for (let i = 1; i <= PASSING_STEPS; i++) {
    const t1 = i === PASSING_STEPS ? b - inset : a + ((b - a) * i) / PASSING_STEPS;
    const s1 = at(t1);
    const [low, high] = s0 < s1 ? [s0, s1] : [s1, s0];
    for (const corner of ((high - low) / path.length) * corners.length > MOST_PASSED ? [] : corners) {
      const laps = path.isClosed
        ? wholeNumbers(Math.ceil((low - corner) / path.length), Math.floor((high - corner) / path.length))
        : [0];
      for (const lap of laps) {
        const goal = corner + lap * path.length;
        // A step may end just on a corner: that one belongs to the side with the greater distance.
        if (goal > low && goal <= high) found.push(bracketedRoot((t) => at(t) - goal, t0, t1));
      }
    }
    t0 = t1;
    s0 = s1;
  }
  return found;
}
