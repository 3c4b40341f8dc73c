import { expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { WRITER_SCENES } from '../testing/scenes.ts';
import { bake, stillTake, valueOfCurve } from './index.ts';

test.each(Object.entries(WRITER_SCENES))(
  'a still of %s is what the evaluator has, and what is baked is near it',
  (_, scene) => {
    const motion = prepare(scene);
    const take = bake(scene);
    const time = 0.4321 * motion.length;
    const poses = motion.poseAt(time);
    const still = stillTake(scene, time);
    const arts = still.drawing.filter((one) => one.kind === 'art');
    expect(arts.length).toBeGreaterThan(0);
    for (const { id, curves, pose } of arts) {
      const index = motion.indexOf(id);
      expect(curves.x).toEqual([{ time: 0, value: poses.of(index, 'x') }]);
      expect(pose).toEqual([{ time: 0, value: poses.of(index, 'pose') }]);
      const baked = take.drawing.find((one) => one.kind === 'art' && one.id === id);
      if (baked?.kind !== 'art') throw new Error(`${id} is not in the take`);
      expect(Math.abs(valueOfCurve(baked.curves.x, time) - poses.of(index, 'x'))).toBeLessThan(0.26);
    }
    expect(still.view === null).toBe(take.view === null);
  },
);
