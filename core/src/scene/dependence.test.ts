import { expect, test } from 'vitest';
import { CircleError, orderOfDependence } from './dependence.ts';

const order = (needs: Record<string, readonly string[]>): string[] => {
  const ids = Object.keys(needs);
  return orderOfDependence(
    ids,
    (id) => id,
    (id) => needs[id] ?? [],
  ).map((i) => ids[i]!);
};

test('each rider comes after what it depends on, else as they stood', () => {
  expect(order({ lamp: ['boat'], boat: [], kite: [], post: ['lamp', 'kite'] })).toEqual([
    'boat',
    'lamp',
    'kite',
    'post',
  ]);
  expect(order({ a: [], b: [], c: [] })).toEqual(['a', 'b', 'c']);
  expect(order({ a: ['gone'] })).toEqual(['a']);
});

test('a circle is refused', () => {
  expect(() => order({ a: ['b'], b: ['c'], c: ['a'] })).toThrow(CircleError);
  expect(() => order({ a: ['a'] })).toThrow(CircleError);
});
