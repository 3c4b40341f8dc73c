import { eventTimes, prepare, type Motion } from '../motion/index.ts';
import { BAKE_TOLERANCE, SHORTEST_BAKE_STEP } from '../tolerances.ts';
import { artById, type Scene } from '../scene/index.ts';
import { bakeStrokes, type DrawnStroke } from './strokes.ts';
import { between, cornerGap, keyAt, type Key, type PivotBox } from './key.ts';

/** A rider's baked motion: keys in order of time from 0 to the loop's length. Two keys at one time are a jump; a rider that never moves has one key. */
export interface Track {
  /** Index of the rider in the scene. */
  readonly rider: number;
  readonly keys: readonly Key[];
}

/** The baked motion of all riders that are sent. */
export interface Take {
  readonly scene: Scene;
  /** Seconds. */
  readonly length: number;
  readonly tracks: readonly Track[];
  /** Guides that are drawn, each before (behind) a rider. */
  readonly strokes: readonly DrawnStroke[];
}

export interface BakeOptions {
  /** Factor from canvas px to delivered px. */
  readonly scale?: number;
  /** Largest displacement of the art box's corners, delivered px. */
  readonly tolerance?: number;
  /** Told the share of riders done, 0 to 1. */
  readonly onProgress?: (share: number) => void;
}

/** Bakes a scene continuously: sampled between events until straight lines hold, then reduced to few keys; within the tolerance at every time. */
export function bake(scene: Scene, { scale = 1, tolerance = BAKE_TOLERANCE, onProgress }: BakeOptions = {}): Take {
  const motion = prepare(scene);
  const tracks: Track[] = [];
  scene.riders.forEach((rider, index) => {
    if (!rider.output) return;
    const art = artById(scene, rider.art);
    const [px, py] = art?.pivot ?? [0, 0];
    const box: PivotBox = [-px, -py, (art?.width ?? 0) - px, (art?.height ?? 0) - py];
    tracks.push({ rider: index, keys: bakeRider(motion, index, box, tolerance / scale) });
    onProgress?.((index + 1) / scene.riders.length);
  });
  return { scene, length: motion.length, tracks, strokes: bakeStrokes(scene, motion, tolerance / scale) };
}

/** Share of the tolerance that sampling may use; reducing has the rest. */
const SAMPLING_SHARE = 0.125;

function bakeRider(motion: Motion, index: number, box: PivotBox, tolerance: number): readonly Key[] {
  if (!motion.riders[index]?.path) return [keyAt(motion, index, 0, 1)];
  const events = eventTimes(motion, index, 0, motion.length);
  const keys: Key[] = [];
  for (let i = 0; i + 1 < events.length; i++) {
    const piece = reduceKeys(
      samplePiece(motion, index, events[i] ?? 0, events[i + 1] ?? 0, box, tolerance * SAMPLING_SHARE),
      box,
      tolerance * (1 - SAMPLING_SHARE),
    );
    const last = keys[keys.length - 1];
    keys.push(...(last && piece[0] && goesOn(last, piece[0], box) ? piece.slice(1) : piece));
  }
  const first = keys[0];
  return first && keys.every((key) => goesOn(first, key, box)) ? [first] : keys;
}

/** Whether one key continues another: the same picture, and the same angle (a whole turn between them is a jump to an interpolating player). */
const goesOn = (a: Key, b: Key, box: PivotBox): boolean =>
  cornerGap(a, b, box) < 1e-6 && Math.abs(a.angle - b.angle) < 1e-6;

/** Longest step, s, at which a smooth piece is looked at before straight lines are trusted. */
const LONGEST_STEP = 1 / 30;

/** Keys on a smooth piece of time, dense enough for straight lines between them. The first is taken from after its time, the last from before. */
export function samplePiece(
  motion: Motion,
  index: number,
  from: number,
  to: number,
  box: PivotBox,
  tolerance: number,
): Key[] {
  const at = (time: number): Key => keyAt(motion, index, time, time >= to ? -1 : 1);
  const keys = [keyAt(motion, index, from, 1)];
  const refine = (a: Key, b: Key, depth: number): void => {
    const middle = at(0.5 * (a.time + b.time));
    const quarter = at(0.75 * a.time + 0.25 * b.time);
    const late = at(0.25 * a.time + 0.75 * b.time);
    const off = Math.max(...[quarter, middle, late].map((key) => cornerGap(between(a, b, key.time), key, box)));
    if (off <= tolerance || b.time - a.time <= SHORTEST_BAKE_STEP || depth === 0) {
      keys.push(b);
      return;
    }
    refine(a, middle, depth - 1);
    refine(middle, b, depth - 1);
  };
  const steps = Math.max(4, Math.ceil((to - from) / LONGEST_STEP));
  let last = keys[0] ?? at(from);
  for (let i = 1; i <= steps; i++) {
    const next = i === steps ? keyAt(motion, index, to, -1) : at(from + ((to - from) * i) / steps);
    refine(last, next, 24);
    last = next;
  }
  return keys;
}

/** The fewest of the keys, each reached from the one before as far as all between stay within the tolerance; ends are kept. */
export function reduceKeys(keys: readonly Key[], box: PivotBox, tolerance: number): Key[] {
  const first = keys[0];
  if (!first) return [];
  const holds = (from: number, to: number): boolean => {
    const a = keys[from];
    const b = keys[to];
    if (!a || !b) return false;
    for (let k = from + 1; k < to; k++) {
      const key = keys[k];
      if (key && cornerGap(between(a, b, key.time), key, box) > tolerance) return false;
    }
    return true;
  };
  const kept = [first];
  let at = 0;
  while (at < keys.length - 1) {
    let step = 1;
    while (at + 2 * step < keys.length && holds(at, at + 2 * step)) step *= 2;
    let low = step;
    let high = Math.min(2 * step, keys.length - 1 - at);
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (holds(at, at + middle)) low = middle;
      else high = middle - 1;
    }
    at += low;
    const key = keys[at];
    if (key) kept.push(key);
  }
  return kept;
}
