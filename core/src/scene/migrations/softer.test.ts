import { expect, test } from 'vitest';
import { compileLeg, type Ease } from '../../pace/index.ts';
import { LINE, riderOn, sceneOf } from '../../testing/scenes.ts';
import { readScene, writeScene } from '../file.ts';

type Given = Ease & { readonly strength: number };

/** What strength meant until version 9. */
const before = ({ strength, ...bare }: Given, u: number): number => u + strength * (compileLeg(bare).progress(u) - u);

test.each<[string, Given]>([
  ['a softer one', { kind: 'family', family: 'cubic', mode: 'in-out', strength: 0.35 }],
  ['a softer curve', { kind: 'bezier', values: [0.4, 0, 0.2, 1.4], strength: 0.5 }],
  ['a stronger one that turns back', { kind: 'family', family: 'back', mode: 'out', strength: 1.8 }],
  ['a stronger spring', { kind: 'spring', overshoot: 30, settle: 0.8, strength: 2 }],
  ['none at all', { kind: 'shaped', points: [{ time: 0.4, way: 0.9, slope: null }], ends: [0, null], strength: 0 }],
])('%s of version 9 goes as it went', (_, given) => {
  const scene = sceneOf({
    guides: [LINE],
    riders: [
      riderOn('r', 'line', [
        { time: 0, place: { by: 'share', value: 0 }, ease: given },
        { time: 2, place: { by: 'share', value: 1 } },
      ]),
    ],
  });
  const read = readScene(writeScene(scene).replace('"version": 10', '"version": 9'));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { progress } = compileLeg(read.scene.riders[0]!.pace.marks[0]!.ease);
  for (let u = 0; u <= 1; u += 0.05) expect(progress(u)).toBeCloseTo(before(given, u), 12);
});

test('a stronger one that only rises, and whatever else has a strength, is left as it is', () => {
  const ease = { kind: 'family', family: 'sine', mode: 'in', strength: 1.6 } as const;
  const scene = sceneOf({
    guides: [LINE],
    riders: [
      riderOn(
        'r',
        'line',
        [
          { time: 0, place: { by: 'share', value: 0 }, ease },
          { time: 2, place: { by: 'share', value: 1 } },
        ],
        {
          squash: { by: 'speed', strength: 0.25 },
        },
      ),
    ],
  });
  const read = readScene(writeScene(scene).replace('"version": 10', '"version": 9'));
  expect(read.ok && read.scene.riders[0]).toMatchObject({
    squash: { strength: 0.25 },
    pace: { marks: [{ ease }, {}] },
  });
});
