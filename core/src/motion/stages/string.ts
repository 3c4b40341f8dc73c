import type { Side } from '../../geometry/index.ts';
import type { Art } from '../../scene/index.ts';
import { decompose } from '../decompose.ts';
import { RADIANS } from '../heading/index.ts';
import { addKeyed } from '../key-lines.ts';
import { nearestTurn, Turnings } from '../heading/turning.ts';
import { ownCursor, type Cursor } from '../cursor.ts';
import type { PreparedRider } from '../prepared-rider.ts';
import { POSE, POSE_SIZE, SLOT } from '../slots.ts';
import { entersOtherwise, type Posed } from '../posed.ts';
import { noEvents, type PoseStageMaker } from '../stage.ts';

/** px. Shorter than this there is no direction from one end to the other. */
const NO_DIRECTION = 1e-9;

/**
 * Hung between two riders: translate(first end) · rotate(direction to the second) · scale(stretch, 1) · rotate(fine turn − facing) · scale · translate(−pivot). Stretched, the
 * edge of its box that the nose points at from the pivot is as far away as the second end.
 */
export const stringStage: PoseStageMaker = ({ rider, art, keys, loop, leadIn }, graph) => {
  const { strung } = rider;
  const from = strung && graph.motionOf(strung.from);
  const to = strung && graph.motionOf(strung.to);
  if (!strung || !from || !to) return undefined;
  const [pivotX, pivotY] = art?.pivot ?? [0, 0];
  const facing = (art?.facing ?? 0) * RADIANS;
  const nose = reachOf(art, facing);
  const first = new End(from, strung.fromAt);
  const second = new End(to, strung.toAt);
  const fine = rider.heading.offset * RADIANS - facing;
  const stretch = strung.stretch ? 1 : 0;

  /** Puts the first end, and the direction and the way from it to the second, into the row. */
  const hang = (cursor: Cursor): void => {
    const { row } = cursor;
    first.run(cursor, row, SLOT.x, SLOT.y);
    second.run(cursor, row, SLOT.e, SLOT.f);
    const dx = (row[SLOT.e] ?? 0) - (row[SLOT.x] ?? 0);
    const dy = (row[SLOT.f] ?? 0) - (row[SLOT.y] ?? 0);
    row[SLOT.lead] = Math.sqrt(dx * dx + dy * dy);
    row[SLOT.toward] = Math.abs(dx) + Math.abs(dy) < NO_DIRECTION ? 0 : Math.atan2(dy, dx);
  };
  const events = (start: number, end: number): readonly number[] => [
    ...from.events(start, end),
    ...to.events(start, end),
  ];
  const isStill = from.varies.length === 0 && to.varies.length === 0;
  const table = isStill ? undefined : directionsOf(loop, hang, events, entersOtherwise([from, to]) ? leadIn : 0);
  const work = new Float64Array(1);
  return {
    run(cursor) {
      const { row, side } = cursor;
      hang(cursor);
      if (table) {
        table.turn(cursor, work);
        row[SLOT.toward] = nearestTurn(row[SLOT.toward] ?? 0, work[0] ?? 0);
      }
      const toward = row[SLOT.toward] ?? 0;
      row[SLOT.angle] = fine;
      addKeyed(row, SLOT.angle, keys.turn, SLOT.local, side === cursor.direction ? 1 : -1);
      const inner = row[SLOT.angle] ?? 0;
      const wide = row[SLOT.scaleX] ?? 1;
      // What is strung is never mirrored.
      const high = (row[SLOT.scaleY] ?? 1) * (1 - 2 * (row[SLOT.mirrored] ?? 0));
      const reach = Math.sqrt((nose[0] * wide) ** 2 + (nose[1] * high) ** 2);
      const long = stretch === 1 && reach > NO_DIRECTION ? (row[SLOT.lead] ?? 0) / reach : 1;
      const [cos, sin] = [Math.cos(toward), Math.sin(toward)];
      const [ci, si] = [Math.cos(inner), Math.sin(inner)];
      row[SLOT.a] = (cos * long * ci - sin * si) * wide;
      row[SLOT.b] = (sin * long * ci + cos * si) * wide;
      row[SLOT.c] = (-cos * long * si - sin * ci) * high;
      row[SLOT.d] = (-sin * long * si + cos * ci) * high;
      row[SLOT.angle] = toward + inner;
      decompose(row);
      row[SLOT.e] = (row[SLOT.x] ?? 0) - (row[SLOT.a] ?? 0) * pivotX - (row[SLOT.c] ?? 0) * pivotY;
      row[SLOT.f] = (row[SLOT.y] ?? 0) - (row[SLOT.b] ?? 0) * pivotX - (row[SLOT.d] ?? 0) * pivotY;
    },
    varies: isStill ? [] : ['x', 'y', 'angle', 'skew', 'scaleX', 'scaleY'],
    events: isStill ? noEvents : events,
  };
};

/** The direction over the loop, and over a lead-in of so many s in which it is another, without whole turns that come and go. */
function directionsOf(
  loop: PreparedRider['loop'],
  hang: (cursor: Cursor) => void,
  events: (from: number, to: number) => readonly number[],
  leadIn: number,
): Turnings {
  const cursor = ownCursor();
  const directionAt = (time: number, side: Side, before: number): number => {
    cursor.row[SLOT.time] = time;
    cursor.row[SLOT.before] = before;
    cursor.side = side;
    cursor.asked = side;
    hang(cursor);
    return cursor.row[SLOT.toward] ?? 0;
  };
  const loops = {
    ...loop,
    limit: Infinity,
    directionAt: (time: number, side: Side) => directionAt(time, side, 0),
    events,
  };
  const before = { directionAt: (time: number, side: Side) => directionAt(time, side, time) };
  return new Turnings(loops, leadIn, leadIn > 0 ? before : undefined);
}

/** From the pivot to the edge of the art's box, the way that its nose points, px. */
function reachOf(art: Art | undefined, facing: number): readonly [x: number, y: number] {
  if (!art) return [1, 0];
  const [x, y] = art.pivot;
  const [cos, sin] = [Math.cos(facing), Math.sin(facing)];
  const far = (at: number, size: number, way: number): number =>
    Math.abs(way) < NO_DIRECTION ? Infinity : ((way > 0 ? size : 0) - at) / way;
  const reach = Math.max(0, Math.min(far(x, art.width, cos), far(y, art.height, sin)));
  return [reach * cos, reach * sin];
}

/** One end: a point of a rider's art, its pivot where none is given. */
class End {
  readonly #rider: Posed;
  readonly #at: readonly [number, number] | null;
  readonly #pose = new Float64Array(POSE_SIZE);

  constructor(rider: Posed, at: readonly [number, number] | null) {
    this.#rider = rider;
    this.#at = at;
  }

  /** Puts where it is into two slots of the row, px of the canvas. */
  run(cursor: Cursor, row: Float64Array, x: number, y: number): void {
    const pose = this.#pose;
    this.#rider.poseWith(cursor, pose, 0);
    row[x] = pose[POSE.x] ?? 0;
    row[y] = pose[POSE.y] ?? 0;
    const at = this.#at;
    if (!at) return;
    row[x] = (pose[POSE.a] ?? 1) * at[0] + (pose[POSE.c] ?? 0) * at[1] + (pose[POSE.e] ?? 0);
    row[y] = (pose[POSE.b] ?? 0) * at[0] + (pose[POSE.d] ?? 1) * at[1] + (pose[POSE.f] ?? 0);
  }
}
