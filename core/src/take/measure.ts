import { prepare, type RiderMotion } from '../motion/index.ts';
import { pathThrough, type Path } from '../geometry/index.ts';
import { guideById, type Scene } from '../scene/index.ts';
import { valuesAlong } from './along.ts';
import { boxCarried, type CarriedFrame } from './carried-frame.ts';
import type { DrawnArt } from './drawn-art.ts';
import { valueOfCurve } from './curve.ts';
import { valuesOfCurves } from './gap.ts';
import { cornerGap, pivotBoxOf, sampleAt, type ChannelValues, type PivotBox } from './sample.ts';
import type { Take } from './take.ts';

/** How far a take is from the evaluator. */
export interface TakeError {
  /** Largest displacement of the art box's corners, canvas px. */
  readonly px: number;
  /** The rider and the time, s, at which it was found, below 0 in the lead-in; absent where nothing moves. */
  readonly rider?: string;
  readonly time?: number;
}

/** Looks a second of motion; scattered, so that no frame rate and no key is favoured. */
const LOOKS = 240;

/** s. Looks this near to an event of the motion are passed over: what jumps there may jump this much earlier or later. */
const EVENT_SLACK = 1e-4;

/** The largest displacement between a take's own keys and the evaluator, looked for at scattered times of the loop and of the lead-in. Pure: what is measured is what a writer writes. */
export function measureTake(scene: Scene, take: Take): TakeError {
  const motion = prepare(scene);
  let worst: TakeError = { px: 0 };
  const look = (rider: RiderMotion, box: PivotBox, shown: ChannelValues, time: number): void => {
    const px = cornerGap(shown, sampleAt(rider, time), box);
    if (px > worst.px) worst = { px, rider: rider.id, time };
  };
  for (const { id, box, shownAt, runs, entering } of measuredIn(scene, take)) {
    const rider = motion.rider(id);
    if (!rider) continue;
    if (rider.varies.length > 0)
      for (const time of scattered(take.length, rider.events(0, take.length))) look(rider, box, shownAt(time), time);
    const entries = rider.entering.map((time) => time + take.leadIn);
    if (entering || runs)
      for (const time of scattered(take.leadIn, entries)) {
        const within = runs ? shownAt(time % take.length) : undefined;
        look(rider, box, enteringAt(entering, time, within), time - take.leadIn);
      }
  }
  return worst;
}

/** What is shown in the lead-in: its own curves there over what it has as it runs. */
function enteringAt(entering: Measured['entering'], time: number, within: ChannelValues | undefined): ChannelValues {
  const own = Object.entries(entering ?? {}).map(([channel, curve]) => [channel, valueOfCurve(curve, time)] as const);
  return { ...within, ...(Object.fromEntries(own) as unknown as ChannelValues) };
}

/** Times within a length, s, that favour none, and are not near to any of ascending events. */
function scattered(length: number, events: readonly number[]): number[] {
  const count = Math.min(20_000, Math.ceil(length * LOOKS));
  return Array.from({ length: count }, (_, i) => ((i * 0.6180339887498949 + 0.137) % 1) * length).filter(
    (time) => !isNearOne(events, time),
  );
}

/** Something that keys move: the rider whose motion it has, the box that is looked at, and what is shown of it at a time, s. */
interface Measured {
  readonly id: string;
  readonly box: PivotBox;
  readonly shownAt: (time: number) => ChannelValues;
  readonly runs: boolean;
  readonly entering: CarriedFrame['entering'];
}

/** All that a take moves: art, and the frames of what is carried, lines that are drawn and those that riders are seen within. */
function measuredIn(scene: Scene, { drawing, length }: Take): Measured[] {
  const framed = (id: string, frame: CarriedFrame | null): Measured[] => {
    const guide = guideById(scene, id);
    if (!frame || guide?.carrier == null) return [];
    const { curves, runs, entering, pivot } = frame;
    const shownAt = (time: number): ChannelValues => valuesOfCurves(curves, time);
    return [{ id: guide.carrier, box: boxCarried(guide, pivot), shownAt, runs, entering }];
  };
  return drawing.flatMap((drawn) => {
    if (drawn.kind === 'stroke') return framed(drawn.id, drawn.frame);
    const { id, art, runs, entering, inside } = drawn;
    const own = { id, box: pivotBoxOf(art), shownAt: playerOf(drawn, length), runs, entering };
    return [own, ...(inside ? framed(inside.guide, inside.frame) : [])];
  });
}

/** What is shown of a rider at a time, s: by the way that is taken for it, of the one that it repeats. */
function playerOf({ curves, along, echo }: DrawnArt, length: number): (time: number) => ChannelValues {
  const timeOf = (time: number): number => (echo ? (time + echo.ahead) % length : time);
  if (!along) return (time) => valuesOfCurves(curves, timeOf(time));
  const path: Path = pathThrough(along.nodes, along.closed);
  return (time) => valuesAlong(along, path, timeOf(time));
}

/** Whether a time is so near to one of ascending events that what jumps there may jump that much earlier or later. */
function isNearOne(events: readonly number[], time: number): boolean {
  let [low, high] = [0, events.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((events[middle] ?? 0) < time - EVENT_SLACK) low = middle + 1;
    else high = middle;
  }
  return Math.abs((events[low] ?? Infinity) - time) < EVENT_SLACK;
}
