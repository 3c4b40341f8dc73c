import type { Path } from '../geometry/index.ts';
import { PaceLine, cookedLine, swayOf, type DistanceLine, type Sway } from '../pace/index.ts';
import {
  distanceOfPlace,
  foldingWith,
  hiddenUntil,
  loopLength,
  pathOfGuide,
  type Art,
  type Clock,
  type Guide,
  type Leading,
  type Rider,
} from '../scene/index.ts';
import type { Folding, Repeat } from '../time/index.ts';
import { CarrierFrame } from './carrier-frame.ts';
import { DeepLine } from './deep-line.ts';
import { DepthLine } from './depth-line.ts';
import { keyLinesOf, type KeyLines } from './key-lines.ts';
import type { RiderGraph } from './posed.ts';

/** A rider with what it refers to looked up: the input of the stages. Art lends it pivot, facing and size, nothing else. */
export interface PreparedRider {
  readonly rider: Rider;
  readonly art: Art | undefined;
  readonly folding: Folding;
  /** Null when parked. */
  readonly way: { readonly path: Path; readonly line: DistanceLine; readonly guide: Guide } | null;
  /** How large it is along the guide; undefined where the guide has no depth, and for what rolls. */
  readonly depth: DepthLine | undefined;
  readonly keys: KeyLines;
  /** How it rolls; undefined where it does not. */
  readonly roll: Rolling | undefined;
  /** Lift without its keys, px: with the radius where the guide is the ground, and with what it is raised. */
  readonly lift: number;
  /** What of that is a share of the art's height, px. */
  readonly raised: number;
  /** How it sways to both sides of its guide over its cycle; undefined where it does not. */
  readonly sway: Sway | undefined;
  /** s of the loop for which each of its poses stays; 0 where it moves all the time. */
  readonly hold: number;
  /** The frame that it is placed in; undefined: the canvas. */
  readonly frame: CarrierFrame | undefined;
  /** What is played and sent: s, and how it goes on after it. */
  readonly loop: { readonly length: number; readonly repeat: Repeat };
  /** s that are played once before it, what the rider does in them, and the time before which it is not seen. */
  readonly leadIn: number;
  readonly leading: Leading;
  readonly hiddenUntil: number;
}

/** px, and +1 where the ground lies on the right of the guide's direction, so that it rolls clockwise as it goes on. */
export interface Rolling {
  readonly radius: number;
  readonly way: 1 | -1;
}

export function preparedRider(
  rider: Rider,
  guide: Guide | undefined,
  art: Art | undefined,
  clock: Clock,
  { leadIn, leading }: Pick<PreparedRider, 'leadIn' | 'leading'>,
  graph: RiderGraph,
): PreparedRider {
  const folding = foldingWith(rider, clock, leadIn);
  const way = guide ? { guide, path: pathOfGuide(guide), line: lineOn(guide, rider.pace, folding) } : null;
  const roll =
    way && rider.roll
      ? ({ radius: radiusOf(rider, art), way: rider.roll.side === 'left' ? 1 : -1 } as const)
      : undefined;
  const radius = roll && rider.roll?.guide === 'ground' ? roll.way * roll.radius : 0;
  const raised = (rider.raise / 100) * (art?.height ?? 0) * Math.abs(rider.scale[1]);
  const lift = rider.lift + radius + raised;
  const depth = guide && !roll ? depthOf(guide) : undefined;
  const loop = { length: loopLength(clock), repeat: clock.repeat };
  const carrier = rider.carrier ? graph.motionOf(rider.carrier.rider) : undefined;
  const frame = rider.carrier && carrier ? new CarrierFrame(carrier, rider.carrier) : undefined;
  const keys = keyLinesOf(rider.keys);
  const sway = way && rider.pace.recipe ? swayOf(rider.pace.recipe) : undefined;
  const hold = rider.pace.on > 1 ? rider.pace.on / clock.fps : 0;
  const lead = { leadIn, leading, hiddenUntil: hiddenUntil(rider, leadIn) };
  return { rider, art, folding, way, keys, roll, lift, raised, depth, sway, hold, frame, loop, ...lead };
}

/** px. A wheel without size turns as one of this radius. */
const LEAST_RADIUS = 0.1;

/** The radius with which a rider rolls, px on the canvas: as given, or half the smaller side of its art's box, scaled. */
export function radiusOf({ roll, scale }: Pick<Rider, 'roll' | 'scale'>, art: Art | undefined): number {
  if (roll?.radius != null) return roll.radius;
  const [width, height] = [(art?.width ?? 0) * Math.abs(scale[0]), (art?.height ?? 0) * Math.abs(scale[1])];
  return Math.max(LEAST_RADIUS, Math.min(width, height) / 2);
}

/** px. A guide that is shorter has no depth: nothing goes anywhere on it. */
const SHORTEST = 1e-6;

const depths = new WeakMap<Guide, DepthLine>();

function depthOf(guide: Guide): DepthLine | undefined {
  if (!guide.depth || !(pathOfGuide(guide).length > SHORTEST)) return undefined;
  let depth = depths.get(guide);
  if (!depth) depths.set(guide, (depth = new DepthLine(guide.depth, pathOfGuide(guide))));
  return depth;
}

const lines = new WeakMap<Rider['pace'], { guide: Guide; line: DistanceLine; repeat: Repeat; cycle: number }>();

/** The distance line of a pace on a guide; made once for each pair of them. */
function lineOn(guide: Guide, pace: Rider['pace'], { repeat, cycle }: Folding): DistanceLine {
  const known = lines.get(pace);
  if (known && known.guide === guide && known.repeat === repeat && known.cycle === cycle) return known.line;
  const line = newLine(guide, pace, repeat, cycle);
  lines.set(pace, { guide, line, repeat, cycle });
  return line;
}

function newLine(guide: Guide, { marks, recipe }: Rider['pace'], repeat: Repeat, cycle: number): DistanceLine {
  const path = pathOfGuide(guide);
  const placed = marks.map(({ time, dwell, place, ease }) => ({
    time,
    dwell,
    distance: distanceOfPlace(guide, path, place),
    ease,
  }));
  if (recipe) return cookedLine(recipe, path, placed, { cycle, repeat }).line;
  const deep = guide.depth?.speed === true ? depthOf(guide) : undefined;
  if (!deep) return new PaceLine(placed, repeat, cycle);
  const sums = placed.map((mark) => ({ ...mark, distance: deep.sumAt(mark.distance) }));
  return new DeepLine(new PaceLine(sums, repeat, cycle), deep);
}

/** Whether the foot of a rider on its guide ever moves. */
export const footMoves = ({ way, keys }: PreparedRider): boolean =>
  way !== null && (!way.line.isStill || (keys.lead !== undefined && !keys.lead.isStill));

/** Whether lift or lead change along the way. */
export const hasOffsets = ({ keys, depth, raised, sway }: PreparedRider): boolean =>
  sway !== undefined ||
  keys.lift !== undefined ||
  keys.lead !== undefined ||
  depth !== undefined ||
  (raised !== 0 && keys.scaleY !== undefined);
