import { prepare } from '../motion/index.ts';
import { pathThrough, type Path } from '../geometry/index.ts';
import { artById, type Scene } from '../scene/index.ts';
import { valuesAlong } from './along.ts';
import type { DrawnArt } from './drawn-art.ts';
import { valuesOfCurves } from './gap.ts';
import { cornerGap, pivotBoxOf, sampleAt, type ChannelValues } from './sample.ts';
import type { Take } from './take.ts';

/** How far a take is from the evaluator. */
export interface TakeError {
  /** Largest displacement of the art box's corners, canvas px. */
  readonly px: number;
  /** The rider and the time, s, at which it was found; absent where nothing moves. */
  readonly rider?: string;
  readonly time?: number;
}

/** Looks a second of motion; scattered, so that no frame rate and no key is favoured. */
const LOOKS = 240;

/** s. Looks this near to an event of the motion are passed over: what jumps there may jump this much earlier or later. */
const EVENT_SLACK = 1e-4;

/** The largest displacement between a take's own keys and the evaluator, looked for at scattered times. Pure: what is measured is what a writer writes. */
export function measureTake(scene: Scene, take: Take): TakeError {
  const motion = prepare(scene);
  let worst: TakeError = { px: 0 };
  for (const drawn of take.drawing) {
    if (drawn.kind !== 'art') continue;
    const rider = motion.rider(drawn.id);
    const art = artById(scene, scene.riders[motion.indexOf(drawn.id)]?.art ?? '');
    if (!rider || !art || rider.varies.length === 0) continue;
    const shownAt = playerOf(drawn);
    const events = rider.events(0, take.length);
    const count = Math.min(20_000, Math.ceil(take.length * LOOKS));
    for (let i = 0; i < count; i++) {
      const time = ((i * 0.6180339887498949 + 0.137) % 1) * take.length;
      if (isNearOne(events, time)) continue;
      const px = cornerGap(shownAt(time), sampleAt(rider, time), pivotBoxOf(art));
      if (px > worst.px) worst = { px, rider: drawn.id, time };
    }
  }
  return worst;
}

/** What is shown of a rider at a time, s: by the way that is taken for it. */
function playerOf({ curves, along }: DrawnArt): (time: number) => ChannelValues {
  if (!along) return (time) => valuesOfCurves(curves, time);
  const path: Path = pathThrough(along.nodes, along.closed);
  return (time) => valuesAlong(along, path, time);
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
