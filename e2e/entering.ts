import { sceneFromJson, type Scene } from '@pace-line/core';
import { LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';

const lap = (id: string) => [
  { time: 0, place: { by: 'node', node: 'l1' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
  { time: 2, place: { by: 'node', node: 'l1', lap: 1 }, id: `${id}-end` },
];

/** The same through a camera on the boat's way, that comes from farther off, turned. */
export function seenEntering(): Scene {
  const plain = entering();
  const eye = riderOn('eye', 'loops', lap('eye'), {
    heading: { mode: 'level' },
    pace: { delay: 0.3 },
    entrance: { start: 0.2, seconds: 0.9, from: [80, -30], turn: 20, scale: 1.6, opacity: 1 },
  });
  const read = sceneFromJson({ ...plain, camera: 'eye', riders: [...plain.riders, eye] });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.scene;
}

/** A boat that springs in, a lamp on it, and a bird that stands still and drops in later. */
export const entering = (clock: Record<string, unknown> = {}): Scene =>
  sceneOf({
    clock: { duration: 2, fps: 30, repeat: 'loop', ...clock },
    guides: [LOOPS],
    riders: [
      riderOn('boat', 'loops', lap('boat'), {
        entrance: {
          seconds: 0.8,
          from: [-60, 20],
          turn: 40,
          scale: 0.3,
          opacity: 0,
          ease: { kind: 'spring', overshoot: 20, settle: 0.9 },
        },
      }),
      { ...riderOn('lamp', 'loops', []), guide: null, at: [40, 10], carrier: { rider: 'boat' }, scale: [0.5, 0.5] },
      {
        ...riderOn('bird', 'loops', []),
        guide: null,
        at: [600, 120],
        entrance: { start: 0.5, seconds: 0.6, from: [0, -90] },
      },
    ],
  });
