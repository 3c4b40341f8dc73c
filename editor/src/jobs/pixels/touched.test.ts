import { expect, test } from 'vitest';
import { prepare, type Scene } from '@pace-line/core';
import { LOOPS, riderOn, sceneOf } from '../../../../core/src/testing/scenes.ts';
import type { Painted, Pictures } from './pictures.ts';
import { Touched } from './touched.ts';

const scene: Scene = sceneOf({
  canvas: { width: 800, height: 600, background: '#ffffff' },
  guides: [LOOPS],
  riders: [
    riderOn('still', 'loops', [], { guide: null, at: [700, 30] }),
    riderOn('r', 'loops', [
      { time: 1, place: { by: 'node', node: 'l1' } },
      { time: 2, place: { by: 'node', node: 'l1', lap: 1 } },
    ]),
  ],
});

/** Every art's picture fills its box. */
const pictures: Pictures = new Map(
  scene.art.map(({ id, width, height }) => [
    id,
    new Map([[1, { x: 0, y: 0, width, height, bitmap: undefined as unknown as ImageBitmap } satisfies Painted]]),
  ]),
);

const touched = (of: Scene = scene, scale = 2) =>
  new Touched(of, pictures, scale, { width: 800 * scale, height: 600 * scale });

test('the first frame is whole, and one out of order', () => {
  const all = { x: 0, y: 0, width: 1600, height: 1200 };
  const rects = touched();
  expect(rects.since(0, 0.5)).toEqual(all);
  expect(rects.since(1, 1.1)).not.toEqual(all);
  expect(rects.since(5, 1.2)).toEqual(all);
});

test('a piece holds where the rider was and where it is, and not the whole canvas', () => {
  const motion = prepare(scene);
  const rects = touched();
  const art = scene.art[0]!;
  for (let frame = 0; frame < 60; frame++) {
    const time = 1 + frame / 60;
    const { x, y, width, height } = rects.since(frame, time);
    expect(rects.since(frame, 99)).toEqual({ x, y, width, height });
    if (frame === 0) continue;
    expect(width * height).toBeLessThan(400_000);
    for (const when of [time, time - 1 / 60]) {
      const poses = motion.poseAt(when);
      const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => poses.of(1, key);
      for (const [u, v] of [
        [0, 0],
        [art.width, 0],
        [0, art.height],
        [art.width, art.height],
      ] as const) {
        const [px, py] = [2 * (m('a') * u + m('c') * v + m('e')), 2 * (m('b') * u + m('d') * v + m('f'))];
        if (px < 0 || py < 0 || px > 1600 || py > 1200) continue;
        expect(px).toBeGreaterThanOrEqual(x);
        expect(px).toBeLessThanOrEqual(x + width);
        expect(py).toBeGreaterThanOrEqual(y);
        expect(py).toBeLessThanOrEqual(y + height);
      }
    }
  }
});

test('where nothing moves, one px', () => {
  const rects = touched();
  rects.since(0, 0.2);
  expect(rects.since(1, 0.4)).toEqual({ x: 0, y: 0, width: 1, height: 1 });
});

test('what a moving camera shows is new everywhere', () => {
  const rects = touched({ ...scene, camera: 'r' });
  rects.since(0, 1.2);
  expect(rects.since(1, 1.4)).toEqual({ x: 0, y: 0, width: 1600, height: 1200 });
});
