import { addKeyed, keyEvents } from '../key-lines.ts';
import { headingMode, RADIANS } from '../heading/index.ts';
import { nearestTurn, Turnings } from '../heading/turning.ts';
import { ownCursor, type Cursor } from '../cursor.ts';
import type { PreparedRider } from '../prepared-rider.ts';
import type { Side } from '../../geometry/index.ts';
import type { DistanceLine } from '../../pace/index.ts';
import { SLOT } from '../slots.ts';
import { entersOtherwise, type Channel, type RiderGraph } from '../posed.ts';
import { dependenciesOf } from '../../scene/index.ts';
import type { Earlier, PoseStage, PoseStageMaker } from '../stage.ts';
import { switchTimes } from './switches.ts';

/** Cosine below which something is more upside down than upright: straight up and down it stays as it was drawn. */
const OVER = -1e-6;

/** Which way it faces: where it heads, by its mode; round or mirrored; and the fine turn with its keys. */
export const headingStage: PoseStageMaker = (prepared, graph, earlier) => {
  const { rider, art, way, roll, keys, frame } = prepared;
  const { offset, left, limit, reverse } = rider.heading;
  const mode = headingMode(rider.heading.mode, way !== null, roll !== undefined);
  const facing = (art?.facing ?? 0) * RADIANS;
  const mirrors = left === 'mirror' && roll === undefined;
  const aim = mode.turns || mirrors ? mode.aim({ prepared, graph, frame }) : undefined;
  const turnsRound = way !== null && mode.reverses && reverse === 'turn' && aim !== undefined;
  const nose = mode.turns ? facing : 0;
  const drawn = mode.turns ? 0 : Math.sign(Math.abs(Math.cos(facing)) < 1e-9 ? 0 : Math.cos(facing));
  const still = offset * RADIANS - nose;
  // rad; undefined where it does not just stand.
  const stands = way === null && !mode.turns ? rider.stand * RADIANS : undefined;

  const head = (cursor: Cursor): void => {
    const { row } = cursor;
    row[SLOT.toward] = stands ?? 0;
    aim?.run(cursor);
    if (!turnsRound) return;
    if (row[SLOT.held] === 0) row[SLOT.back] = isBack(prepared, cursor) ? 1 : 0;
    if (row[SLOT.back] === 1) row[SLOT.toward] = (row[SLOT.toward] ?? 0) + Math.PI;
  };
  const table = aim && mode.turns ? turningOf(prepared, graph, earlier, { aim, head }) : undefined;
  if (!table && !mirrors && !turnsRound && !keys.turn) return plainStage(still, mode.turns, stands, aim);
  const work = new Float64Array(1);
  const share = mode.turns || stands !== undefined ? 1 : 0;
  // What is level and mirrored is turned right round and over.
  const flip = share === 1 ? 0 : Math.PI;

  const stage: PoseStage = {
    run(cursor) {
      const { row, side } = cursor;
      head(cursor);
      if (table) {
        table.turn(cursor, work);
        if (limit !== null) row[SLOT.toward] = work[0] ?? 0;
        else row[SLOT.toward] = nearestTurn(row[SLOT.toward] ?? 0, work[0] ?? 0);
      }
      const toward = row[SLOT.toward] ?? 0;
      if (row[SLOT.held] === 0) {
        const upright = mode.turns ? Math.cos(toward - facing) : Math.cos(toward) * (stands === undefined ? drawn : 1);
        row[SLOT.mirrored] = mirrors && upright < OVER ? 1 : 0;
      }
      row[SLOT.angle] = still;
      addKeyed(row, SLOT.angle, keys.turn, SLOT.local, side === cursor.direction ? 1 : -1);
      const turned = row[SLOT.angle] ?? 0;
      // Sums of both, not a choice: of a choice one would be boxed.
      const over = row[SLOT.mirrored] ?? 0;
      row[SLOT.angle] = share * toward + (1 - 2 * over) * turned + over * flip;
    },
    varies: variesOf(prepared, aim, mirrors || turnsRound),
    switches: mirrors || turnsRound,
    events: (from, to) => {
      const smooth = [...(aim?.events(from, to) ?? []), ...keyEvents(prepared, [keys.turn])(from, to)];
      if (!mirrors && !turnsRound) return smooth;
      const cursor = ownCursor();
      const stateAt = (time: number): number => {
        earlier.run(cursor, time, 1);
        stage.run(cursor);
        return (cursor.row[SLOT.mirrored] ?? 0) + 2 * (cursor.row[SLOT.back] ?? 0);
      };
      const stops = [from, ...earlier.events(from, to), ...smooth, to].sort((a, b) => a - b);
      return [...smooth, ...switchTimes(stateAt, stops)];
    },
  };
  return stage;
};

/** For the many that only turn along: a rider pays for no more than it uses. */
function plainStage(still: number, turns: boolean, stands: number | undefined, aim: PoseStage | undefined): PoseStage {
  const rest = stands ?? 0;
  const share = turns || stands !== undefined ? 1 : 0;
  return {
    run(cursor) {
      const { row } = cursor;
      row[SLOT.toward] = rest;
      row[SLOT.mirrored] = 0;
      aim?.run(cursor);
      // One sum for both: of a choice between a number and a sum one would be boxed.
      row[SLOT.angle] = still + share * (row[SLOT.toward] ?? 0);
    },
    varies: aim?.varies ?? [],
    events: (from, to) => aim?.events(from, to) ?? [],
  };
}

/** Whether it moves against the guide's direction, or at rest moved so last; what has so many rounds stands before the first as it will move. */
function isBack({ way, folding }: PreparedRider, { row, side, direction }: Cursor): boolean {
  if (way === null) return false;
  if (folding.times != null && (row[SLOT.time] ?? 0) < folding.delay) return firstWayOf(way.line) < 0;
  return way.line.wayAt(row[SLOT.local] ?? 0, side === direction ? 1 : -1, direction) < 0;
}

const firstWays = new WeakMap<DistanceLine, number>();

/** Shares of a stretch between two events over which it is asked whether anything moves: softly at first, it does not show at once. */
const FIRST_STEPS = [1e-4, 1e-2, 0.1, 1];

/** The direction in which a line first moves: +1, −1, or 0 where it never does. */
function firstWayOf(line: DistanceLine): number {
  let known = firstWays.get(line);
  if (known !== undefined) return known;
  const stops = line.events();
  known = 0;
  for (let i = 0; i + 1 < stops.length && known === 0; i++) {
    const [from, to] = [stops[i] ?? 0, stops[i + 1] ?? 0];
    const ways = FIRST_STEPS.map((u) => Math.sign(line.distanceAt(from + u * (to - from), -1) - line.distanceAt(from)));
    known = ways.find((way) => way !== 0) ?? 0;
  }
  firstWays.set(line, known);
  return known;
}

function variesOf({ keys }: PreparedRider, aim: PoseStage | undefined, switches: boolean): Channel[] {
  const found: Channel[] = aim ? [...aim.varies] : [];
  if (keys.turn && !keys.turn.isStill) found.push('angle');
  if (switches && aim && aim.varies.length > 0) found.push('angle', 'scaleY');
  return [...new Set(found)];
}

/** The direction without whole turns that come and go, and as slowly as it may turn; undefined where neither asks for it. */
function turningOf(
  { rider, loop, leadIn, leading }: PreparedRider,
  graph: RiderGraph,
  earlier: Earlier,
  { aim, head }: { readonly aim: PoseStage; readonly head: (cursor: Cursor) => void },
): Turnings | undefined {
  const { limit, mode } = rider.heading;
  if (aim.varies.length === 0 || (limit === null && mode !== 'toward')) return undefined;
  const cursor = ownCursor();
  const once = leading === 'only';
  const directionAt = (time: number, side: Side, isBefore: boolean): number => {
    earlier.run(cursor, time, side, isBefore);
    head(cursor);
    return cursor.row[SLOT.toward] ?? 0;
  };
  const loops = {
    ...loop,
    limit: limit === null ? Infinity : limit * RADIANS,
    // The round before the loop, of what comes only the first time, is one of the loop: it is there.
    directionAt: (time: number, side: Side) => directionAt(once && time < 0 ? time + loop.length : time, side, false),
    events: (from: number, to: number) => [...earlier.events(from, to), ...aim.events(from, to)],
  };
  const isOther = once || (limit === null && entersOtherwise(dependenciesOf(rider).map((id) => graph.motionOf(id))));
  const before = { directionAt: (time: number, side: Side) => directionAt(time, side, true) };
  return new Turnings(loops, leadIn, leadIn > 0 && isOther ? before : undefined);
}
