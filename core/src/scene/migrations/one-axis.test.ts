import { expect, test } from 'vitest';
import { prepare } from '../../motion/index.ts';
import { BOX_ART } from '../../testing/scenes.ts';
import { sceneFromJson } from '../file.ts';
import type { Scene } from '../schema/index.ts';

const before = (squash: object, keys: readonly (readonly [number, number, number])[]): object => ({
  format: 'pace-line/scene',
  version: 9,
  name: 'Pressed',
  canvas: { width: 640, height: 360, background: null },
  clock: { duration: 4, fps: 30, repeat: 'once' },
  art: [BOX_ART],
  guides: [],
  riders: [
    {
      ...{ id: 'drum', name: 'Drum', art: BOX_ART.id, guide: null, at: [200, 100], squash },
      keys: { squash: keys.map(([time, stretch, axis], i) => ({ id: `k${i}`, time, value: [stretch, axis] })) },
    },
  ],
});

function opened(json: object): Scene {
  const read = sceneFromJson(json);
  if (!read.ok) throw new Error(read.problems.map(({ message }) => message).join('; '));
  return read.scene;
}

/** The four numbers of the matrix that stretches by k along an axis, degrees. */
function stretched(k: number, degrees: number): number[] {
  const [x, y] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const xy = (k - 1 / k) * x * y;
  return [k * x * x + (y * y) / k, xy, xy, k * y * y + (x * x) / k];
}

function shownAt(scene: Scene, time: number): number[] {
  const pose = prepare(scene).poseAt(time);
  return (['a', 'b', 'c', 'd'] as const).map((key) => pose.of(0, key));
}

test('neutral keys have no axis any more: one that lands upright is not skewed on the way', () => {
  const scene = opened(
    before({ by: 'keys', axis: 'own' }, [
      [0, 1, 0],
      [1, 0.6, 90],
      [2, 1, 0],
    ]),
  );
  expect(scene.riders[0]!.squash).toMatchObject({ axis: 'fixed', angle: 90 });
  expect(scene.riders[0]!.keys.axis).toEqual([]);
  for (const time of [0, 0.3, 0.8, 1, 1.6]) {
    const [, b, c, d] = shownAt(scene, time);
    expect([b, c]).toEqual([expect.closeTo(0, 12), expect.closeTo(0, 12)]);
    expect(d).toBeCloseTo(1 - 0.4 * (1 - Math.abs(1 - time)), 9);
  }
});

test('keys that stretched along different axes still do, each along its own', () => {
  const keys = [
    [0, 1.4, 170],
    [1, 1, 33],
    [2, 0.5, 20],
    [3, 1.7, 60],
    [4, 1, 0],
  ] as const;
  const scene = opened(before({ by: 'keys', axis: 'own' }, keys));
  for (const [time, k, axis] of keys)
    for (const [i, number] of stretched(k, axis).entries()) expect(shownAt(scene, time)[i]).toBeCloseTo(number, 9);
  // Up to the neutral one the axis is the first one's, from there the next one's; between two that stretch it turns the short way, as it did.
  const at = (time: number, k: number, axis: number): void => {
    for (const [i, number] of stretched(k, axis).entries()) expect(shownAt(scene, time)[i]).toBeCloseTo(number, 9);
  };
  at(0.5, 1.2, 170);
  at(1.5, 0.75, 20);
  at(2.5, 1.1, 40);
});

test('by speed every key’s axis counted; one of the heading has none; what is no list is left to the schema', () => {
  const bySpeed = opened(
    before({ by: 'speed', axis: 'own' }, [
      [0, 1, 0],
      [4, 1, 80],
    ]),
  ).riders[0]!;
  expect(bySpeed.keys.axis.map(({ value }) => value)).toEqual([0, 80]);
  expect(opened(before({ by: 'keys', axis: 'own' }, [])).riders[0]!.squash).toMatchObject({ axis: 'fixed', angle: 0 });
  const heading = opened(before({ by: 'keys' }, [[0, 2, 45]])).riders[0]!;
  expect([heading.squash?.axis, heading.keys.axis, heading.keys.squash[0]!.value]).toEqual(['heading', [], 2]);
  expect(sceneFromJson({ ...before({}, []), riders: 'none' })).toMatchObject({ ok: false });
});
