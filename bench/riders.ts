import { Poses, prepare, type Scene } from '@pace-line/core';
import { replaceRider } from '../core/src/commands/edits.ts';
import { LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { medianTime, ms, type Row } from './measure.ts';

type Json = Record<string, unknown>;

const lap = [
  { time: 0, place: { by: 'node', node: 'l1' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
  { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
];

const keysOf = (id: string): Json => ({
  turn: [0, 2, 4].map((time, i) => ({ id: `${id}-t${i}`, time, value: i * 10 })),
  opacity: [0, 4].map((time, i) => ({ id: `${id}-o${i}`, time, value: i })),
  lift: [0, 4].map((time, i) => ({ id: `${id}-l${i}`, time, value: 5 * i })),
});

/** Riders by fours: one on the guide, smoothed or rolling, three carried by each other on it; all with keys. */
function carriedCrowd(count: number): Scene {
  return sceneOf({
    guides: [LOOPS],
    riders: Array.from({ length: count }, (_, i) => {
      const id = `r${i}`;
      if (i % 4 > 0) {
        const carrier = { rider: `r${i - 1}`, turn: i % 4 !== 2 };
        return riderOn(id, 'loops', [], { guide: null, at: [10, 5], keys: keysOf(id), carrier });
      }
      return riderOn(id, 'loops', lap, {
        heading: { mode: 'along', smooth: 40, left: i % 8 === 0 ? 'mirror' : 'over' },
        roll: i % 12 === 0 ? { radius: 20 } : null,
        keys: keysOf(id),
        pace: { delay: i / 100 },
      });
    }),
  });
}

/** What riders cost that use all that they can: posed, prepared, and prepared again after one of them was changed. */
export function riding(): Row[] {
  const scene = carriedCrowd(300);
  const motion = prepare(scene);
  const poses = new Poses(300);
  let t = 0;
  const posed = medianTime(() => motion.poseAt((t += 0.0137), poses), 200, 50);
  const copies = Array.from({ length: 9 }, () => structuredClone(scene));
  const prepared = medianTime(() => prepare(copies.pop() ?? scene), 6, 2);
  const edits = Array.from({ length: 24 }, (_, i) => {
    const rider = scene.riders[4];
    if (!rider) throw new Error('the crowd is too small');
    return replaceRider(scene, { ...rider, lift: i });
  });
  const edited = medianTime(() => prepare(edits.pop() ?? scene), 18, 4);
  return [
    {
      what: '300 riders with smoothing, roll, keys and carriers three deep posed',
      figure: ms(posed),
      beside: 'limit 3 ms',
      promise: 'under 3 ms',
      kept: posed < 3,
    },
    {
      what: 'a scene of these prepared',
      figure: ms(prepared),
      beside: 'limit 60 ms',
      promise: 'in 60 ms',
      kept: prepared < 60,
    },
    { what: '… again after one edit', figure: ms(edited), beside: 'limit 2 ms', promise: 'in 2 ms', kept: edited < 2 },
  ];
}
