import { emptyFrame, type Frame, type Path, type PathNode, type Side } from '../geometry/index.ts';
import { CHANNELS, type Channel, type RiderMotion } from '../motion/index.ts';
import { pathOfGuide, type Guide } from '../scene/index.ts';
import { constantCurves } from './curves-of.ts';
import { isConstant, valueOfCurve, type Curve } from './curve.ts';
import { BESIDE, valuesOfCurves } from './gap.ts';
import { reducedCurve, type Point } from './reduce.ts';
import { reducedChannel, reducedTogether, type Looked } from './reduction.ts';
import { cornerGap, quantised, type ChannelValues, type PivotBox, type Sample } from './sample.ts';

/** A rider's place as a share of a path, for targets that move things along paths by themselves: another way to the same poses. */
export interface Along {
  readonly nodes: readonly PathNode[];
  readonly closed: boolean;
  /** Of the path's length, over the loop; beyond 1 a closed path is gone round again. */
  readonly share: Curve;
  /** It turns with the path's tangent. */
  readonly turns: boolean;
  /** What its pose is on the path's point, turned with it or not: place, angle, skew, scale; and opacity. */
  readonly rest: Readonly<Record<Channel, Curve>>;
}

/** px by which a player's point of a path may be off: its numbers are written in units of a twenty-fifth of a px, in which players follow it closely. */
const PLACE_SLACK = 0.03;

/**
 * rad · px^(1/3): by so much, divided by the cube root of the path's radius, a player's tangent may be off, as measured in three engines on arcs of 2 to 320 px: they take the chord of a
 * piece whose length they hold to be that of the curve, which is as long as the two thirds power of the radius.
 */
const TURN_SLACK = 0.0118;

/** px. Tighter bends turn a player by more than can be said. */
const TIGHTEST = 4;

/** px. Longer paths are too long for the numbers of players (32 bits). */
const LONGEST = 5000;

/** px within which, for a time (s), a rider is said to rest at a corner of its path: there a player has the one tangent or the other. */
const AT_CORNER = 0.05;
const PASSED = 1e-3;

/** Share of what is allowed that players may be off by themselves: the rest is for the keys. */
const MOST_SLACK = 0.9;

/** Share of what is allowed within which something counts as the same all the time. */
const SAME_SHARE = 0.05;

/** The same motion by a share of the rider's guide; null where it is not on it, or where a player would be farther off than is allowed. */
export function alongOf(rider: RiderMotion, ridden: Guide, length: number, looked: Looked): Along | null {
  const path = pathOfGuide(ridden);
  if (!(path.length > 0) || path.length > LONGEST || rider.takenAt(length / 3) !== length / 3) return null;
  const feet = looked.pieces.map((piece) => piece.map(({ time }, i) => rider.footAt(time, sideOf(piece, i))));
  const riding: Ridden = { rider, guide: ridden, path, looked, feet };
  const fixed = fixedOn(riding);
  const most = looked.allowed * MOST_SLACK;
  if (PLACE_SLACK > most) return null;
  const isNear = fixed !== null && mostSlack(riding, fixed) < most && !restsAtCorner(riding);
  const turning = isNear ? reducedAlong(riding, fixed) : null;
  return turning ?? (isOn(riding) ? reducedAlong(riding, null) : null);
}

/** A rider on its guide, and where its foot was on it, px, whenever it was looked at. */
interface Ridden {
  readonly rider: RiderMotion;
  readonly guide: Guide;
  readonly path: Path;
  readonly looked: Looked;
  readonly feet: readonly (readonly number[])[];
}

/** The fewest keys along its guide: turned with it as it is fixed to it, or turned by a curve of its own. */
function reducedAlong({ rider, guide, path, looked, feet }: Ridden, fixed: Fixed | null): Along | null {
  const { pieces, allowed } = looked;
  const still = (value: number): Curve => [{ time: 0, value: quantised(value) }];
  const { x, y } = fixed ?? { x: 0, y: 0 };
  const angle = fixed && { angle: still(fixed.angle) };
  const base: Record<Channel, Curve> = { ...constantCurves(rider), x: still(x), y: still(y), ...angle };
  const turns = fixed !== null;
  const left = rider.varies.filter((channel) => channel !== 'x' && channel !== 'y' && !(turns && channel === 'angle'));
  const points = pieces.map((piece, p) =>
    piece.map(({ time }, i): Point => ({ time, value: (feet[p]?.[i] ?? 0) / path.length })),
  );
  const grid = 10 ** Math.floor(Math.log10(allowed / 5 / path.length));
  const { nodes, closed } = guide;
  const { made, gap } = reducedTogether(
    allowed,
    (part): Along => {
      const rest = { ...base };
      for (const channel of left) rest[channel] = reducedChannel(looked, channel, part);
      const share = reducedCurve(points, { tolerance: (allowed * part) / path.length, grid, cubic: looked.cubic });
      return { nodes, closed, share, turns, rest };
    },
    (along) => gapAlong(along, path, looked, feet, fixed, grid * path.length),
  );
  return gap <= allowed && !isConstant(made.share) ? made : null;
}

/** What a player of a motion along a path shows at a time, s; `foot`: the distance, px, at which it is, where that is known better. */
export function valuesAlong(along: Along, path: Path, time: number, side: Side = 1, foot?: number): ChannelValues {
  const { share, turns, rest, closed } = along;
  const own = valuesOfCurves(rest, time);
  const at = foot ?? valueOfCurve(share, time) * path.length;
  const frame = path.frameAtDistance(closed ? at : Math.min(path.length, Math.max(0, at)), side, FRAME);
  if (!turns) return { ...own, x: frame.x + own.x, y: frame.y + own.y };
  const [x, y] = fromFrame(frame, own.x, own.y);
  return { ...own, x, y, angle: own.angle + Math.atan2(frame.tangentY, frame.tangentX) };
}

const FRAME = emptyFrame();

const fromFrame = ({ x, y, tangentX, tangentY }: Frame, along: number, aside: number): [x: number, y: number] => [
  x + tangentX * along - tangentY * aside,
  y + tangentY * along + tangentX * aside,
];

/** Whether a rider's pivot is on the path all the time. */
const isOn = ({ path, looked: { pieces, allowed }, feet }: Ridden): boolean =>
  pieces.every((piece, p) =>
    piece.every(({ x, y }, i) => {
      const frame = path.frameAtDistance(feet[p]?.[i] ?? 0, sideOf(piece, i), FRAME);
      return Math.hypot(frame.x - x, frame.y - y) <= allowed * SAME_SHARE;
    }),
  );

interface Fixed {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

/** Where a rider is in its path's own directions, and how it is turned in them: px, rad; null where that changes. */
function fixedOn({ path, looked, feet }: Ridden): Fixed | null {
  const { pieces, allowed, units } = looked;
  let first: Fixed | null = null;
  for (const [p, piece] of pieces.entries())
    for (const [i, sample] of piece.entries()) {
      const frame = path.frameAtDistance(feet[p]?.[i] ?? 0, sideOf(piece, i), FRAME);
      const [dx, dy] = [sample.x - frame.x, sample.y - frame.y];
      const x = dx * frame.tangentX + dy * frame.tangentY;
      const y = dy * frame.tangentX - dx * frame.tangentY;
      const angle = sample.angle - Math.atan2(frame.tangentY, frame.tangentX);
      first ??= { x, y, angle };
      const turned = Math.abs(Math.sin((angle - first.angle) / 2)) * 2;
      const off = Math.max(Math.abs(x - first.x), Math.abs(y - first.y), turned * units.angle);
      if (off > allowed * SAME_SHARE) return null;
    }
  return first;
}

const sideOf = (piece: readonly Sample[], i: number): Side => (i > 0 && i === piece.length - 1 ? -1 : 1);

/** Whether a rider stands, or nearly, where its path has a corner. */
function restsAtCorner({ rider, path, looked: { pieces }, feet }: Ridden): boolean {
  const corners = path.corners();
  if (corners.length === 0) return false;
  const isNear = (distance: number): boolean =>
    corners.some((corner) => {
      const away = path.isClosed ? path.wrap(distance - corner) : Math.abs(distance - corner);
      return away < AT_CORNER || (path.isClosed && path.length - away < AT_CORNER);
    });
  return pieces.some((piece, p) =>
    piece.some(
      ({ time }, i) =>
        isNear(feet[p]?.[i] ?? 0) && (isNear(rider.footAt(time + PASSED)) || isNear(rider.footAt(time - PASSED, -1))),
    ),
  );
}

/** Largest distance of the corners, px, that a player of it may show from what was looked at; `rounding`: px to which its shares are rounded. */
function gapAlong(
  along: Along,
  path: Path,
  { pieces, box }: Looked,
  feet: readonly (readonly number[])[],
  fixed: Fixed | null,
  rounding: number,
): number {
  let worst = 0;
  for (const [p, piece] of pieces.entries())
    for (const [i, sample] of piece.entries()) {
      const next = piece[i + 1] ?? piece[i - 1];
      const time = sample.time + ((next?.time ?? sample.time) - sample.time) * BESIDE;
      const at = valueOfCurve(along.share, time) * path.length;
      const exact = feet[p]?.[i] ?? 0;
      // At the ends of a piece there may be a corner: a rounded share is on the other side of it for so short a time that nobody sees it.
      const isEnd = i === 0 || i === piece.length - 1;
      const foot = isEnd && Math.abs(at - exact) < rounding ? exact : at;
      const shown = valuesAlong(along, path, time, sideOf(piece, i), foot);
      worst = Math.max(worst, cornerGap(shown, sample, box) + slackAt(FRAME, fixed, box, sample));
    }
  return worst;
}

/** px that players may be off by themselves at a place of a path; what is fixed to it beside it is turned about the path's point. */
function slackAt(frame: Frame, fixed: Fixed | null, box: PivotBox, { scaleX, scaleY }: Sample): number {
  if (!fixed) return PLACE_SLACK;
  const reach = Math.hypot(Math.max(-box[0], box[2]), Math.max(-box[1], box[3]));
  const size = Math.max(Math.abs(scaleX), Math.abs(scaleY));
  return PLACE_SLACK + turnSlack(frame) * (Math.hypot(fixed.x, fixed.y) + reach * size);
}

/** The most of that wherever a rider goes that turns with its path. */
function mostSlack({ path, looked: { pieces, box }, feet }: Ridden, fixed: Fixed): number {
  let most = 0;
  for (const [p, piece] of pieces.entries())
    for (const [i, sample] of piece.entries())
      most = Math.max(
        most,
        slackAt(path.frameAtDistance(feet[p]?.[i] ?? 0, sideOf(piece, i), FRAME), fixed, box, sample),
      );
  return most;
}

/** rad by which a player's tangent may be off at a place of a path. */
const turnSlack = ({ curvature }: Frame): number =>
  Math.abs(curvature) > 1 / TIGHTEST ? Infinity : TURN_SLACK * Math.cbrt(Math.abs(curvature));

/** Bytes, compressed, that keys and a path's nodes take where they are written, roughly: what is chosen between is far apart. */
const STRAIGHT_KEY = 10;
const CUBIC_KEY = 18;
const NODE = 15;
const PATH = 50;

const sizeOf = (curves: readonly Curve[]): number =>
  curves.reduce(
    (sum, curve) =>
      sum + (isConstant(curve) ? 0 : curve.reduce((n, { ease }) => n + (ease ? CUBIC_KEY : STRAIGHT_KEY), 0)),
    0,
  );

/** Whether a motion along a path is written in fewer bytes than curves. */
export const isShorter = ({ nodes, share, rest }: Along, curves: Readonly<Record<Channel, Curve>>): boolean =>
  PATH + nodes.length * NODE + sizeOf([share]) + sizeOf(CHANNELS.map((one) => rest[one])) <
  sizeOf(CHANNELS.map((one) => curves[one]));
