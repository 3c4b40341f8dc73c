import { expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { MOST, problemsOf, readScene, writeScene, type Scene } from '../scene/index.ts';
import { BOX_ART, LINE, riderOn, sceneOf } from '../testing/scenes.ts';
import * as c from './index.ts';

/** A scene of so many riders on one line, each later than the one before. */
const crowd = (name: string, count: number): Scene =>
  sceneOf({
    name,
    art: [BOX_ART],
    guides: [LINE],
    riders: Array.from({ length: count }, (_, i) => ({
      ...riderOn(`r${i}`, LINE.id, [
        { time: 0, place: { by: 'share', value: 0 } },
        { time: 1, place: { by: 'share', value: 1 } },
      ]),
      name: `Rider ${i}`,
    })),
  });
const into = (scene: Scene, inner: Scene): Parameters<typeof c.setIn>[1] => ({
  inner,
  at: [scene.canvas.width / 2, scene.canvas.height / 2],
  size: 0.5,
  duration: 2,
});

test('scenes are set in three deep, as full as a scene can be, and the file of that opens and moves', () => {
  const innermost = crowd('Innermost', 1600);
  const middle = c.setIn(crowd('Middle', 1600), into(crowd('Middle', 1), innermost));
  const outer = c.setIn(crowd('Outer', 1790), into(crowd('Outer', 1), middle));
  expect(outer.riders.length).toBeGreaterThan(0.99 * MOST.riders);
  expect(problemsOf(outer)).toEqual([]);
  const text = writeScene(outer);
  const read = readScene(text);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  expect(writeScene(read.scene)).toBe(text);
  const poses = prepare(read.scene).poseAt(1.3);
  for (let i = 0; i < read.scene.riders.length; i += 97) expect(poses.of(i, 'e')).toSatisfy(Number.isFinite);
  // One more is one too many, and is refused by name.
  expect(c.setIn.can(outer, into(outer, crowd('More', 40)))).toMatchObject({ code: 'too-many-riders' });
});

test('set into each other again and again they are as deep as a scene can be, and then refused', () => {
  let scene = crowd('Deepest', 1);
  let refused: string | undefined;
  for (let depth = 0; depth < 12 && refused === undefined; depth++) {
    const around = crowd(`Around ${depth}`, 1);
    try {
      scene = c.setIn(around, into(around, scene));
      expect(problemsOf(scene)).toEqual([]);
    } catch (error) {
      if (!(error instanceof c.SceneError)) throw error;
      refused = error.refusal.code;
    }
  }
  const read = readScene(writeScene(scene));
  expect(read.ok).toBe(true);
  expect(refused).toBeDefined();
});
