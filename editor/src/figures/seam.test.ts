import { expect, test } from 'vitest';
import { checkSeam } from '@pace-line/core';
import { LINE, riderOn, sceneOf } from '../../../core/src/testing/scenes.ts';
import { seamFigures } from './seam.ts';

const figuresOf = (more: Record<string, unknown> = {}) => {
  const scene = sceneOf({
    guides: [LINE],
    riders: [
      riderOn(
        'r',
        'line',
        [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'c' } },
        ],
        more,
      ),
    ],
  });
  return seamFigures(checkSeam(scene, ['r'])[0]!);
};

test('what shows stands first, with its unit', () => {
  const [first, ...others] = figuresOf();
  expect(first).toEqual({ name: 'place', text: '400 px', shows: true });
  expect(others.every(({ shows }) => !shows)).toBe(true);
  const keyed = figuresOf({
    keys: {
      turn: [
        { id: 't1', time: 0, value: 0 },
        { id: 't2', time: 4, value: 40 },
      ],
      opacity: [
        { id: 'o1', time: 0, value: 1 },
        { id: 'o2', time: 4, value: 0.5 },
      ],
    },
  });
  expect(keyed.filter(({ shows }) => shows).map(({ name, text }) => `${name} ${text}`)).toEqual([
    'place 400 px',
    'heading 40°',
    'opacity 50 %',
  ]);
});
