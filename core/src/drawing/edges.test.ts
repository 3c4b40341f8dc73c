import { expect, test } from 'vitest';
import { hasShares, liesWithin } from './edges.ts';
import { rootOf, type Picture } from '../scene/index.ts';

const drawing = (inner: string, more = 'viewBox="0 0 60 40"'): Exclude<Picture, { kind: 'image' }> => ({
  ...{ id: 'a', name: 'A', kind: 'svg', width: 60, height: 40, pivot: [0, 0], facing: 0 },
  markup: `<svg xmlns="http://www.w3.org/2000/svg" ${more}>${inner}</svg>`,
});

// By hand: the box is 60 by 40.
test.each([
  ['a box that fills it', '<rect width="60" height="40"/>', true],
  ['one that is a tenth of a px wider', '<rect width="60.1" height="40"/>', false],
  ['a circle that touches its edges', '<circle cx="30" cy="20" r="20"/>', true],
  [
    'a stroke of 4 px about it, round',
    '<circle cx="30" cy="20" r="17" stroke="#000" stroke-width="4" stroke-linejoin="round"/>',
    true,
  ],
  [
    'the same with mitres of up to four widths',
    '<path d="M10 10L50 20L10 30" fill="none" stroke="#000" stroke-width="6"/>',
    false,
  ],
  [
    'a stroke that is taken from what it lies in',
    '<g stroke="#000" stroke-width="9"><rect x="2" y="2" width="56" height="36"/></g>',
    false,
  ],
  ['moved out', '<g transform="translate(5 0)"><rect width="60" height="40"/></g>', false],
  ['shrunk into it', '<g transform="scale(.5)"><rect width="120" height="80"/></g>', true],
  ['out of it, and not displayed', '<rect width="90" height="90" display="none"/>', true],
  ['a gradient beside what it paints', '<defs><rect width="900" height="9"/></defs><rect width="9" height="9"/>', true],
  ['letters, whose width nobody knows', '<text x="2" y="20">a</text>', false],
  [
    'a filter',
    '<rect width="9" height="9" filter="url(#f)"/><filter id="f"><feGaussianBlur stdDeviation="9"/></filter>',
    false,
  ],
])('%s', (_, inner, is) => {
  expect(liesWithin(drawing(inner))).toBe(is);
});

test('it is measured in the box that it is fitted into, and what its root says reaches out too', () => {
  // A square of 100 in a box of 60 by 40: 40 by 40, in the middle.
  expect(liesWithin(drawing('<rect width="100" height="100"/>', 'viewBox="0 0 100 100"'))).toBe(true);
  expect(liesWithin(drawing('<rect x="-20" width="140" height="100"/>', 'viewBox="0 0 100 100"'))).toBe(true);
  expect(liesWithin(drawing('<rect x="-30" width="140" height="100"/>', 'viewBox="0 0 100 100"'))).toBe(false);
  const filtered = '<filter id="f"><feGaussianBlur stdDeviation="9"/></filter><rect width="9" height="9"/>';
  expect(liesWithin(drawing(filtered, 'viewBox="0 0 60 40" filter="url(#f)"'))).toBe(false);
});

test('lengths that are shares of the box are told from those of a gradient’s own', () => {
  const shares = (inner: string): boolean => hasShares(rootOf(drawing(inner)));
  expect(shares('<rect width="50%" height="40"/>')).toBe(true);
  const gradient = (more: string): string =>
    `<linearGradient id="g" x1="0%" x2="100%"${more}><stop offset="20%"/></linearGradient><rect width="9" height="9" fill="url(#g)"/>`;
  expect(shares(gradient(''))).toBe(false);
  expect(shares(gradient(' gradientUnits="userSpaceOnUse"'))).toBe(true);
});
