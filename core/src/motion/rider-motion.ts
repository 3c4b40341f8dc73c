import type { Path, Side } from '../geometry/index.ts';
import type { DistanceLine } from '../pace/index.ts';
import { dependenciesOf } from '../scene/index.ts';
import { emptyFolded, foldTime, isHeld, type Folding, roundOf } from '../time/index.ts';
import { askAt, askedCursor, cursorAt, ownCursor, type Cursor } from './cursor.ts';
import { liftWayOf } from './lifting.ts';
import { hasOffsets, type PreparedRider } from './prepared-rider.ts';
import { POSE, POSE_SIZE, SLOT } from './slots.ts';
import { CHANNELS, type Channel, type Posed, type RiderGraph } from './posed.ts';
import { MOST_STEPS, tooManySteps, type Earlier, type PoseStage } from './stage.ts';
import { wholeNumbers } from '../search.ts';
import { entranceEvents } from './stages/enter.ts';
import { STAGES } from './stages/index.ts';

/** s. Events nearer to the one before count as one. */
const SAME_EVENT = 1e-8;

/** s. So long before a time its state is looked at, where the limit from earlier times is asked for and a state may change there. */
const JUST_BEFORE = 1e-7;

/** Holds the time and side that are asked about, outermost. */
const ASKED = askedCursor();

/** s before and after a time over which its own speed is looked at, and room for both poses. */
const OWN_STEP = 1e-4;
const TWO_POSES = new Float64Array(2 * POSE_SIZE);

/** One rider, ready to be posed. Immutable. */
export class RiderMotion implements Posed {
  readonly id: string;
  readonly folding: Folding;
  /** The channels that change over time; none for a rider that stands still. */
  readonly varies: readonly Channel[];
  /** Whether it is in the lead-in as in the loop, but for not being seen: it runs there, and so does all that it depends on. */
  readonly runsBefore: boolean;
  readonly #prepared: PreparedRider;
  readonly #stages: readonly PoseStage[];
  /** Some of its states change at once. */
  readonly #switches: boolean;
  readonly #folded = emptyFolded();
  /** s for which each of its poses stays; 0 where it moves all the time. */
  readonly #hold: number;
  readonly #graph: RiderGraph;
  #entering: readonly number[] | undefined;

  constructor(prepared: PreparedRider, graph: RiderGraph) {
    this.id = prepared.rider.id;
    this.folding = prepared.folding;
    this.#prepared = prepared;
    this.#hold = prepared.hold;
    const stages: PoseStage[] = [];
    for (const make of STAGES) {
      const stage = make(prepared, graph, earlierOf(stages.slice(), prepared));
      if (stage) stages.push(stage);
    }
    this.#stages = stages;
    this.#switches = stages.some((stage) => stage.switches === true);
    this.varies = variesOf(stages);
    this.#graph = graph;
    this.runsBefore = runsBefore(prepared, graph);
  }

  /** Times of the lead-in, below 0, at which it, or what it depends on, is not smooth there; ascending. None where it stands as the loop begins. */
  get entering(): readonly number[] {
    return (this.#entering ??= this.#eventsBefore());
  }

  #eventsBefore(): readonly number[] {
    const { rider, leadIn, leading, loop, hiddenUntil } = this.#prepared;
    if (leadIn === 0) return [];
    const rounds = wholeNumbers(1, Math.ceil(leadIn / loop.length - 1e-9));
    const own = {
      stands: () => [],
      runs: () => rounds.flatMap((k) => this.events(0, loop.length).map((time) => time - k * loop.length)),
      only: () => this.events(-leadIn, 0),
    };
    const needed = dependenciesOf(rider).flatMap((id) => this.#graph.motionOf(id)?.entering ?? []);
    const moves = this.varies.length > 0 ? own[leading]() : [];
    const seen = Number.isFinite(hiddenUntil) ? [hiddenUntil] : [];
    const all = [...moves, ...entranceEvents(rider, leadIn), ...seen, ...needed];
    return all.length > 0 ? apart(all, 0) : all;
  }

  /** The guide's path; null when parked. */
  get path(): Path | null {
    return this.#prepared.way?.path ?? null;
  }

  /** Distance over local time; null when parked. */
  get line(): DistanceLine | null {
    return this.#prepared.way?.line ?? null;
  }

  /** The radius with which it rolls, px; null where it does not. */
  get radius(): number | null {
    return this.#prepared.roll?.radius ?? null;
  }

  /** The pose at a time in s, any real number, written into `data` from `offset` on (see POSE). `side` −1: the limit from earlier times. */
  poseAt(time: number, side: Side = 1, data: Float64Array = new Float64Array(POSE_SIZE), offset = 0): Float64Array {
    askAt(ASKED, time, side, this.#prepared.leadIn);
    this.poseWith(ASKED, data, offset);
    return data;
  }

  poseWith(asked: Cursor, data: Float64Array, offset: number): void {
    const cursor = cursorAt(asked.depth + 1);
    const { row } = cursor;
    this.#take(cursor, asked);
    if (this.#hold > 0) holdTime(row, this.#hold, cursor);
    row[SLOT.distance] = 0;
    row[SLOT.held] = 0;
    row[SLOT.pose] = 1;
    row[SLOT.under] = 0;
    cursor.direction = 1;
    const stages = this.#stages;
    if (cursor.side < 0 && this.#switches) holdStates(stages, cursor);
    if (this.#hold > 0) this.#runHeld(cursor, asked);
    else for (let i = 0; i < stages.length; i++) stages[i]?.run(cursor);
    for (let i = 0; i < POSE_SIZE; i++) data[offset + i] = row[i] ?? 0;
  }

  /** Takes the time and side that are asked about, as they are for this rider: in the lead-in it may stand, run as in the loop, or do what it does there alone. */
  #take(cursor: Cursor, asked: Cursor): void {
    const { row } = cursor;
    const { leading, loop } = this.#prepared;
    const before = asked.row[SLOT.before] ?? 0;
    row[SLOT.time] = asked.row[SLOT.time] ?? 0;
    row[SLOT.before] = before;
    cursor.side = asked.side;
    cursor.asked = asked.asked;
    if (before < 0) {
      cursor.side = asked.asked;
      row[SLOT.time] = before;
      if (leading !== 'only') intoLoop(cursor, leading, loop.length);
    } else if (leading === 'only' && (row[SLOT.time] ?? 0) < 0) row[SLOT.time] = 0;
  }

  /** Runs the stages at the time that is held; what carries the rider does not stop with it. */
  #runHeld(cursor: Cursor, asked: Cursor): void {
    for (const stage of this.#stages) {
      if (!stage.goesOn) {
        stage.run(cursor);
        continue;
      }
      this.#take(cursor, asked);
      this.#prepared.frame?.run(cursor);
      stage.run(cursor);
      holdTime(cursor.row, this.#hold, cursor);
    }
  }

  /** Distance along the guide at a time, px, not wrapped; 0 when parked. */
  distanceAt(time: number, side: Side = 1): number {
    const { line } = this;
    if (!line) return 0;
    const { local, direction } = foldTime(this.#inLoop(time), this.folding, side, this.#folded);
    return isUnseen(this.#prepared, time, side) ? 0 : line.distanceAt(local, side === direction ? 1 : -1);
  }

  /** Where its foot is on the guide at a time: distance and lead, px. */
  footAt(time: number, side: Side = 1): number {
    return this.distanceAt(time, side) + this.leadAt(time, side);
  }

  /** Least and greatest px from the pivot's distance to its foot, overshoot of eases left out. */
  get leads(): readonly [low: number, high: number] {
    const { rider, keys } = this.#prepared;
    const keyed = keys.lead?.stops.map(({ value }) => value) ?? [0];
    return [rider.lead + Math.min(...keyed), rider.lead + Math.max(...keyed)];
  }

  /** px along the guide from the pivot's distance to its foot at a time, keys included. */
  leadAt(time: number, side: Side = 1): number {
    const { rider, keys } = this.#prepared;
    if (!keys.lead) return rider.lead;
    const { local, direction } = foldTime(this.#inLoop(time), this.folding, side, this.#folded);
    return rider.lead + keys.lead.valueAt(local, side === direction ? 1 : -1);
  }

  /** px from its foot to the left of the guide at a time: keys, depth, and the radius of what rolls on the ground included. */
  liftAt(time: number, side: Side = 1): number {
    if (!hasOffsets(this.#prepared)) return this.#prepared.lift;
    const cursor = ownCursor();
    cursor.row[SLOT.time] = this.#inLoop(time);
    cursor.side = side;
    runStages(this.#stages, cursor);
    return cursor.row[SLOT.lift] ?? 0;
  }

  /** The direction in which its lift goes at a distance along its guide: a unit vector. */
  liftWayAt(distance: number): readonly [x: number, y: number] {
    const { path } = this;
    const out = new Float64Array(3);
    if (path) liftWayOf(this.#prepared)(path.frameAtDistance(distance), distance, out);
    return [out[0] ?? 0, out[1] ?? 0];
  }

  /** How large it is at a distance along its guide, by that one's depth: a factor. */
  depthAt(distance: number): number {
    const { depth } = this.#prepared;
    if (!depth) return 1;
    const work = Float64Array.of(distance, 1);
    depth.factorAt(work, 0, 1);
    return work[1] ?? 1;
  }

  /** The time, s, that its own stages are asked about: in the lead-in it may stand on its guide where the loop begins, or run as in the loop. */
  #inLoop(time: number): number {
    const { leadIn, leading, loop } = this.#prepared;
    if (!(time < 0 && leadIn > 0)) return time;
    const before = Math.max(time, -leadIn);
    if (leading === 'runs') return before + Math.ceil(-before / loop.length) * loop.length;
    return leading === 'only' ? before : 0;
  }

  get comesOnce(): boolean {
    return this.#prepared.leading === 'only';
  }

  get hidesBefore(): boolean {
    const { hiddenUntil, frame } = this.#prepared;
    return Number.isFinite(hiddenUntil) || frame?.carrier.hidesBefore === true;
  }

  timeOfMark(id: string): number | undefined {
    return this.#prepared.rider.pace.marks.find((mark) => mark.id === id)?.time;
  }

  /** Speed along the guide at a time, px/s, in the direction of the time that is played; 0 when parked. */
  speedAt(time: number, side: Side = 1): number {
    const { line } = this;
    if (!line || isHeld(this.folding, time)) return 0;
    const { local, direction } = foldTime(this.#inLoop(time), this.folding, side, this.#folded);
    return line.speedAt(local, side === direction ? 1 : -1) * direction;
  }

  /** Speed of its pivot on the canvas with which it goes on from a time, px/s: over a tenth of a millisecond, so that a leap at that time is no speed. */
  ownSpeedAt(time: number): number {
    this.poseAt(time, 1, TWO_POSES, 0);
    this.poseAt(time + OWN_STEP, -1, TWO_POSES, POSE_SIZE);
    const way = (at: number): number => (TWO_POSES[POSE_SIZE + at] ?? 0) - (TWO_POSES[at] ?? 0);
    return Math.hypot(way(POSE.x), way(POSE.y)) / OWN_STEP;
  }

  /** s after which it repeats itself; infinite where its rounds have an end. */
  get round(): number {
    const { cycle, repeat, times } = this.folding;
    return repeat === 'once' || times != null ? Infinity : roundOf(cycle, repeat);
  }

  /** `from`, `to` and the times between, ascending, at which the motion may not be smooth: marks, ends of dwells, breaks of eases, turns and ends of cycles, corners passed. */
  events(from: number, to: number): number[] {
    if (!(this.#hold > 0)) return eventsOf(this.#stages, from, to);
    const own = this.varies.length > 0 ? this.#holds(from, to) : [];
    const going = this.#stages.flatMap((stage) => (stage.goesOn ? stage.events(from, to) : []));
    return apart([from, ...own, ...going, to], to);
  }

  /** Times inside (from, to), s, at which it takes its next pose, where each is held. */
  #holds(from: number, to: number): number[] {
    const hold = this.#hold;
    return wholeNumbers(Math.floor(from / hold) + 1, Math.ceil(to / hold) - 1).map((k) => k * hold);
  }

  /** The time, s, at which the pose that it has at a time was taken: another where it is held on frames. */
  takenAt(time: number, side: Side = 1): number {
    const hold = this.#hold;
    if (!(hold > 0)) return time;
    const cursor = ownCursor();
    cursor.row[SLOT.time] = this.#inLoop(time);
    cursor.side = side;
    holdTime(cursor.row, hold, cursor);
    return cursor.row[SLOT.time] ?? time;
  }

  /** `from`, `to` and the times between, ascending, at which another pose or another place in the stack is shown. */
  steps(from: number, to: number): number[] {
    const hold = this.#hold;
    const inner = this.#stages.flatMap((stage) => stage.steps?.(from, to) ?? []);
    if (hold > 0 && inner.length > 0) {
      const isTooMuch = (to - from) / hold > MOST_STEPS;
      return apart([from, ...(isTooMuch ? tooManySteps(from, to) : this.#holds(from, to)), to], to);
    }
    return apart([from, ...inner, to], to);
  }

  /** The same in the lead-in, from its beginning on: s below 0, and 0. */
  stepsBefore(): number[] {
    const { leadIn, loop } = this.#prepared;
    const rounds = wholeNumbers(1, Math.ceil(leadIn / loop.length - 1e-9));
    const shown = this.steps(0, loop.length);
    const all = [...rounds.flatMap((k) => shown.map((time) => time - k * loop.length)), ...this.steps(-leadIn, 0)];
    return apart([-leadIn, ...all.filter((time) => time > -leadIn && time < 0), 0], 0);
  }
}

/** Share of a hold by which a time may lie before its start and count as in it: frames are not exact in seconds. */
const NEARLY = 1e-6;

/** The time at which the pose that is held at the cursor's was taken, in its place. */
function holdTime(row: Float64Array, hold: number, cursor: Cursor): void {
  const count = (row[SLOT.time] ?? 0) / hold;
  const held = cursor.side > 0 ? Math.floor(count + NEARLY) : Math.ceil(count - NEARLY) - 1;
  row[SLOT.time] = held * hold;
  cursor.side = 1;
}

/** Leaves the states of just before the cursor's time in it: what changes at once is asked for from earlier times. */
function holdStates(stages: readonly PoseStage[], cursor: Cursor): void {
  const { row } = cursor;
  const time = row[SLOT.time] ?? 0;
  row[SLOT.time] = time - JUST_BEFORE;
  cursor.side = 1;
  runStages(stages, cursor);
  row[SLOT.time] = time;
  row[SLOT.distance] = 0;
  row[SLOT.held] = 1;
  cursor.side = -1;
  cursor.direction = 1;
}

/** Runs stages at the time and side that stand in the cursor: a number that is handed over may be boxed. */
function runStages(stages: readonly PoseStage[], cursor: Cursor): void {
  cursor.row[SLOT.distance] = 0;
  cursor.direction = 1;
  for (let i = 0; i < stages.length; i++) stages[i]?.run(cursor);
}

function eventsOf(stages: readonly PoseStage[], from: number, to: number): number[] {
  const inner = stages.flatMap((stage) => stage.events(from, to));
  return apart([from, ...inner, to], to);
}

/** Times in order, those next to each other counted once. */
function apart(all: readonly number[], to: number): number[] {
  const times = [...new Set(all)].sort((a, b) => a - b);
  return times.filter(
    (time, i) => i === 0 || time === to || (time - (times[i - 1] ?? 0) > SAME_EVENT && to - time > SAME_EVENT),
  );
}

/** Whether it is in the lead-in as in the loop, but for not being seen: it and all that it depends on run there, and none enters. */
const runsBefore = ({ rider, leadIn, leading }: PreparedRider, graph: RiderGraph): boolean =>
  leadIn > 0 &&
  leading === 'runs' &&
  rider.entrance === null &&
  dependenciesOf(rider).every((id) => graph.motionOf(id)?.runsBefore);

/** Whether it is not seen yet at a time, s. */
const isUnseen = ({ leadIn, hiddenUntil }: PreparedRider, time: number, side: Side): boolean =>
  leadIn > 0 && time < 0 && (time < hiddenUntil || (time === hiddenUntil && side < 0));

/** A time of the lead-in in the loop, in the cursor: its start for what stands, the same share of it for what runs. */
function intoLoop(cursor: Cursor, leading: 'stands' | 'runs', length: number): void {
  const { row } = cursor;
  if (leading === 'stands') {
    row[SLOT.time] = 0;
    cursor.side = 1;
    return;
  }
  const time = row[SLOT.time] ?? 0;
  const within = time - Math.floor(time / length) * length;
  row[SLOT.time] = within <= 0 && cursor.side < 0 ? length : within;
}

const variesOf = (stages: readonly PoseStage[]): Channel[] =>
  CHANNELS.filter((channel) => stages.some((stage) => stage.varies.includes(channel)));

const earlierOf = (stages: readonly PoseStage[], { leading, loop }: PreparedRider): Earlier => ({
  run: (cursor, time, side, isBefore = false) => {
    cursor.row[SLOT.time] = time;
    cursor.row[SLOT.before] = isBefore ? time : 0;
    cursor.side = side;
    cursor.asked = side;
    if (isBefore && leading !== 'only') intoLoop(cursor, leading, loop.length);
    runStages(stages, cursor);
  },
  events: (from, to) => eventsOf(stages, from, to),
  varies: variesOf(stages),
});
