import { posesOf } from '../../scene/index.ts';
import { timesOfLocals, type Folding } from '../../time/index.ts';
import { passings } from '../passings.ts';
import type { PreparedRider } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import type { RiderGraph } from '../posed.ts';
import { MOST_STEPS, noEvents, tooManySteps, type PoseStage, type PoseStageMaker } from '../stage.ts';

/** Share of a pose by which rounding may miss its beginning. */
const HAIR = 1e-9;

/** Which pose of a strip is shown: one, by time, by the distance of its foot, or through once from a mark on. */
export const posesStage: PoseStageMaker = (prepared, graph) => {
  const { rider, art } = prepared;
  if (art?.kind !== 'strip') return undefined;
  const count = posesOf(art);
  switch (rider.poses.by) {
    case 'still':
      return still(count, rider.poses.first);
    case 'time':
      return byTime(prepared, count);
    case 'distance':
      return prepared.way ? byDistance(prepared, count) : still(count, rider.poses.first);
    case 'mark':
      return fromMark(prepared, count, graph);
  }
};

/** All of it is settled by one number of poses gone by, in the row: where a limit from earlier times is asked for, that of just before stays. */
const stageOf = (run: PoseStage['run'], steps: NonNullable<PoseStage['steps']>): PoseStage => ({
  run(cursor) {
    if (cursor.row[SLOT.held] === 0) run(cursor);
  },
  varies: [],
  events: noEvents,
  steps,
  switches: true,
});

function still(count: number, first: number): PoseStage {
  const pose = ((first - 1) % count) + 1;
  return {
    run({ row }) {
      row[SLOT.pose] = pose;
    },
    varies: [],
    events: noEvents,
  };
}

/** Puts the pose into the row that is so many poses after the first, round and round. */
function turnTo(row: Float64Array, count: number, first: number): void {
  const gone = Math.floor((row[SLOT.pose] ?? 0) + HAIR) + first - 1;
  row[SLOT.pose] = gone - Math.floor(gone / count) * count + 1;
}

function byTime({ rider, folding }: PreparedRider, count: number): PoseStage {
  const { rate, first } = rider.poses;
  return stageOf(
    ({ row }) => {
      row[SLOT.pose] = (row[SLOT.local] ?? 0) * rate;
      turnTo(row, count, first);
    },
    (from, to) => {
      const within = Math.floor(folding.cycle * rate + HAIR);
      if (within * Math.ceil((to - from) / folding.cycle + 1) > MOST_STEPS) return tooManySteps(from, to);
      const locals = Array.from({ length: within + 1 }, (_, k) => k / rate);
      return timesOfLocals(folding, [...locals, folding.cycle], from, to);
    },
  );
}

function byDistance(prepared: PreparedRider, count: number): PoseStage {
  const { stride, first } = prepared.rider.poses;
  const each = stride / count;
  return stageOf(
    ({ row }) => {
      row[SLOT.pose] = ((row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0)) / each;
      turnTo(row, count, first);
    },
    (from, to) => [
      ...passings(prepared, { places: [0], round: each }, from, to),
      ...timesOfLocals(prepared.folding, [0, prepared.folding.cycle, ...jumpsOf(prepared)], from, to),
    ],
  );
}

/** Local times at which the foot may jump. */
const jumpsOf = ({ way, keys }: PreparedRider): readonly number[] => [
  ...(way?.line.events() ?? []),
  ...(keys.lead?.events() ?? []),
];

/** s. What is that long before a passing has not been passed yet; nearer to it, numbers are not exact. */
const NOT_YET = -1e-6;

function fromMark(prepared: PreparedRider, count: number, graph: RiderGraph): PoseStage {
  const { poses, id, pace } = prepared.rider;
  const { rate, first, around, mark } = poses;
  const other = mark && mark.rider !== id ? graph.motionOf(mark.rider) : undefined;
  const folding: Folding = other?.folding ?? prepared.folding;
  const time = other ? other.timeOfMark(mark?.mark ?? '') : pace.marks.find((one) => one.id === mark?.mark)?.time;
  if (time === undefined) return still(count, first);
  const isHidden = around === 'hidden';
  const { cycle, delay, repeat } = folding;
  const round = repeat === 'there-and-back' ? 2 * cycle : cycle;
  // Rounds in which it is passed: the first and the last.
  const [least, most] = folding.times == null ? [-Infinity, Infinity] : [0, folding.times - 1];
  const back = round - time;
  const once = other?.comesOnce === true;
  return stageOf(
    ({ row }) => {
      // What comes only the first time is asked about at the lead-in's own time, wherever this one is in it.
      const now = once && (row[SLOT.before] ?? 0) < 0 ? (row[SLOT.before] ?? 0) : (row[SLOT.time] ?? 0);
      // s since the mark was last passed: on the way there, or on the way back.
      let gone = now - delay - time;
      if (repeat !== 'once') {
        const later = now - delay - back;
        gone -= Math.max(least, Math.min(most, Math.floor(gone / round + HAIR))) * round;
        if (repeat === 'there-and-back') {
          const since = later - Math.max(least, Math.min(most, Math.floor(later / round + HAIR))) * round;
          gone = gone < NOT_YET ? since : since < NOT_YET ? gone : Math.min(gone, since);
        }
      }
      const steps = Math.floor(gone * rate + HAIR);
      row[SLOT.pose] = Math.min(Math.max(steps, 0), count - 1);
      turnTo(row, count, first);
      if (isHidden && (steps < 0 || steps >= count)) row[SLOT.pose] = 0;
    },
    (from, to) => {
      const passed = timesOfLocals(folding, [time], from - count / rate - HAIR, to);
      if (passed.length * count > MOST_STEPS) return tooManySteps(from, to);
      const all = passed.flatMap((at) => Array.from({ length: count + 1 }, (_, k) => at + k / rate));
      return all.filter((at) => at > from && at < to);
    },
  );
}
