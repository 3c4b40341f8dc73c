import { eventTimes, type Motion } from '../motion/index.ts';
import { guideById, pathOfGuide, type Scene } from '../scene/index.ts';
import { quantised } from './key.ts';

/** How much of a guide is drawn at a time: s, and a share of its length in [0, 1]. */
export interface DrawnKey {
  readonly time: number;
  readonly share: number;
}

/** A guide that is drawn in what is sent. `keys` is empty where it is there whole all the time. */
export interface DrawnStroke {
  /** Index of the guide in the scene. */
  readonly guide: number;
  readonly keys: readonly DrawnKey[];
  /** Index of the rider before which it is drawn. */
  readonly before: number;
}

/**
 * Index of the rider before which a guide's stroke is drawn: the first that rides it, so that it lies over the scenery behind and under what runs along
 * it; without one the first that rides anything; else after all.
 */
export function strokeLevel(scene: Scene, guide: string): number {
  const own = scene.riders.findIndex((rider) => rider.guide === guide);
  const any = own >= 0 ? own : scene.riders.findIndex((rider) => rider.guide !== null);
  return any >= 0 ? any : scene.riders.length;
}

/** Share of a guide's length that is drawn when its rider is at a distance, px. */
export const drawnShare = (distance: number, length: number): number =>
  length > 0 ? Math.min(1, Math.max(0, distance / length)) : 0;

/** Longest step, s, between looks at a smooth piece. */
const STEP = 1 / 60;

/** The guides that are drawn in the output, and how each is drawn by its rider: straight lines between keys stay within `tolerance` px. */
export function bakeStrokes(scene: Scene, motion: Motion, tolerance: number): DrawnStroke[] {
  return scene.guides.flatMap((guide, index): DrawnStroke[] => {
    if (!guide.stroke) return [];
    const rider = scene.riders.findIndex((one) => one.id === guide.stroke?.draws);
    const isRiding = rider >= 0 && guideById(scene, scene.riders[rider]?.guide ?? null) === guide;
    return [
      {
        guide: index,
        before: strokeLevel(scene, guide.id),
        keys: isRiding ? drawnKeys(motion, rider, pathOfGuide(guide).length, tolerance) : [],
      },
    ];
  });
}

function drawnKeys(motion: Motion, rider: number, length: number, tolerance: number): DrawnKey[] {
  if (!(length > 0)) return [];
  const keyAt = (time: number, side: 1 | -1): DrawnKey => {
    const { distance } = motion.distanceAt(rider, time, side);
    return { time, share: quantised(drawnShare(distance, length)) };
  };
  const events = eventTimes(motion, rider, 0, motion.length);
  const keys: DrawnKey[] = [];
  for (let i = 0; i + 1 < events.length; i++) {
    const from = events[i] ?? 0;
    const to = events[i + 1] ?? 0;
    const steps = Math.max(2, Math.ceil((to - from) / STEP));
    const piece = Array.from({ length: steps + 1 }, (_, k) =>
      k === 0 ? keyAt(from, 1) : k === steps ? keyAt(to, -1) : keyAt(from + ((to - from) * k) / steps, 1),
    );
    keys.push(...fewest(piece, tolerance / length));
  }
  return keys.filter((key, i) => i === 0 || key.time !== keys[i - 1]?.time || key.share !== keys[i - 1]?.share);
}

/** The fewest of the keys between which straight lines stay within a share of the length. */
function fewest(keys: readonly DrawnKey[], tolerance: number): DrawnKey[] {
  const kept: DrawnKey[] = keys.slice(0, 1);
  let at = 0;
  for (let to = 2; to < keys.length; to++) {
    const a = keys[at];
    const b = keys[to];
    if (!a || !b) continue;
    const holds = keys
      .slice(at + 1, to)
      .every(
        (key) =>
          Math.abs(a.share + ((b.share - a.share) * (key.time - a.time)) / (b.time - a.time) - key.share) <= tolerance,
      );
    const before = keys[to - 1];
    if (!holds && before) {
      kept.push(before);
      at = to - 1;
    }
  }
  const last = keys[keys.length - 1];
  if (last && keys.length > 1) kept.push(last);
  return kept;
}
