import { expect, test } from 'vitest';
import { evaluate, PX, secondsAt } from './arithmetic.ts';

test.each([
  ['12', 12],
  ['12 px', 12],
  ['1+2*3', 7],
  ['(1+2)*3', 9],
  ['-4/2', -2],
  ['10 − 4', 6],
  ['2×3', 6],
  ['+=5', 105],
  ['*=2', 200],
  ['/=4', 25],
  ['-=10', 90],
  ['.5', 0.5],
])('%s is %f', (text, value) => expect(evaluate(text, PX, 100)).toBeCloseTo(value, 12));

test.each(['', 'abc', '1+', '(1', '1 2', '3 furlongs', '1/0', '--'])('%s is no sum', (text) =>
  expect(evaluate(text, PX, 100)).toBeUndefined(),
);

test.each(['('.repeat(20_000), '-'.repeat(20_000), `${'('.repeat(9000)}1${')'.repeat(9000)}`, '1+'.repeat(50_000)])(
  'what nobody types is no sum, and is answered at once',
  (text) => expect(evaluate(text, PX, 100)).toBeUndefined(),
);

test('times know seconds, milliseconds and frames', () => {
  const units = secondsAt(25);
  expect(evaluate('1.5 s', units, 0)).toBe(1.5);
  expect(evaluate('500ms', units, 0)).toBe(0.5);
  expect(evaluate('10f', units, 0)).toBeCloseTo(0.4, 12);
  expect(evaluate('1s + 5f', units, 0)).toBeCloseTo(1.2, 12);
});
