import {
  cycleOf,
  emptyFrame,
  frameCount,
  guideById,
  loopLength,
  pathOfGuide,
  motionAsSet,
  type Clock,
  type Guide,
  type Rider,
  type RiderMotion,
  type Scene,
} from '@pace-line/core';
import { kept } from '../shapes.ts';

/** Spacing ticks of a rider, px of its guide: short strokes where it is at each frame, longer ones at each second. */
export interface Ticks {
  readonly guide: Guide;
  readonly short: string;
  readonly long: string;
  /** Ticks stand at every n-th frame. */
  readonly every: number;
}

/** Least screen distance between ticks, px. */
const LEAST_GAP = 6;
const MOST_TICKS = 1200;

export function ticksOf(scene: Scene, rider: Rider, zoom: number): Ticks | null {
  const guide = guideById(scene, rider.guide);
  const moving = motionAsSet(scene, rider.id);
  return guide && moving ? ticksOn(moving, rider, guide, scene.clock, zoom) : null;
}

/** Made once for a motion, whoever asks. */
const ticksOn = kept((moving: RiderMotion, rider: Rider, guide: Guide, clock: Clock, zoom: number): Ticks => {
  const path = pathOfGuide(guide);
  const length = Math.min(loopLength(clock), cycleOf(rider, clock) * 2);
  const frames = Math.min(Math.round(length * clock.fps) || frameCount(clock), 4000);
  const distances = Array.from({ length: frames }, (_, i) => moving.distanceAt((i * length) / frames));
  const every = thinning(distances, zoom, Math.ceil(frames / MOST_TICKS));
  const perSecond = Math.round(clock.fps);
  const frame = emptyFrame();
  const strokes: [string[], string[]] = [[], []];
  for (let i = 0; i < frames; i += every) {
    path.frameAtDistance((distances[i] ?? 0) + rider.lead, 1, frame);
    const isLong = i % perSecond < every && Math.floor(i / perSecond) * perSecond + every > i;
    const reach = (isLong ? 8 : 4.5) / zoom;
    const n = (value: number): number => Math.round(value * 100) / 100;
    strokes[isLong ? 1 : 0].push(
      `M${n(frame.x - frame.normalX * reach)} ${n(frame.y - frame.normalY * reach)}L${n(frame.x + frame.normalX * reach)} ${n(frame.y + frame.normalY * reach)}`,
    );
  }
  return { guide, short: strokes[0].join(''), long: strokes[1].join(''), every };
});

/** The smallest n of 1, 2, 4, 5, 10, … with at most a tenth of the ticks nearer to the last than the least gap (rests and slow ends crowd in any case). */
function thinning(distances: readonly number[], zoom: number, least: number): number {
  for (const every of [1, 2, 3, 4, 5, 6, 10, 12, 15, 20, 30, 60, 120, 240]) {
    if (every < least) continue;
    const gaps: number[] = [];
    for (let i = every; i < distances.length; i += every)
      gaps.push(Math.abs((distances[i] ?? 0) - (distances[i - every] ?? 0)) * zoom);
    // What stands beside what is twelve times as fast counts as resting, however slow all of it is.
    const rests = Math.min(0.5, Math.max(0, ...gaps) / 12);
    const moving = gaps.filter((gap) => gap > rests);
    if (moving.filter((gap) => gap < LEAST_GAP).length <= moving.length * 0.15) return every;
  }
  return 240;
}
