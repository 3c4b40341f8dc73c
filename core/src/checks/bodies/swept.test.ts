import { expect, test } from 'vitest';
import { Body, gapBetween, isPartlyIn, noGap } from '../../geometry/index.ts';
import { countedRandom } from '../../testing/random.ts';
import { isSweptClear } from './swept.ts';

const STANDING = [1, 0, 0, 1, 0, 0];

/** A rectangle about its middle, and what lies round a lane along a circle about the origin. */
const boat = new Body([[-40, -12, 40, -12, 40, 12, -40, 12]]);
const circle = (radius: number): number[] =>
  Array.from(
    { length: 720 },
    (_, i) => (i % 2 === 0 ? Math.cos : Math.sin)((Math.floor(i / 2) * Math.PI) / 180) * radius,
  );
const banks = new Body([[-900, -900, 900, -900, 900, 900, -900, 900], circle(330), circle(270)]);

/** Where it is after so many radians along the lane's middle, so far from it, turned against it by so much. */
const poseAt = (angle: number, off: number, turn: number): number[] => {
  const [c, s] = [Math.cos(angle + Math.PI / 2 + turn), Math.sin(angle + Math.PI / 2 + turn)];
  return [c, s, -s, c, (300 + off) * Math.cos(angle), (300 + off) * Math.sin(angle)];
};

test('what is said to be clear overlaps nowhere on the way, and most of what is clear is said to be', () => {
  const random = countedRandom(11);
  let [clear, said] = [0, 0];
  for (let n = 0; n < 400; n++) {
    const [from, turn, off] = [random() * 6, (random() - 0.5) * 0.4, (random() - 0.5) * 30];
    const [step, spin, drift] = [0.02 * random(), 0.1 * (random() - 0.5), 8 * (random() - 0.5)];
    const at = (share: number): number[] => poseAt(from + step * share, off + drift * share, turn + spin * share);
    const touches = Array.from({ length: 101 }, (_, k) => k / 100).some((share) => {
      const [a, b] = [
        { body: boat, data: at(share), offset: 0 },
        { body: banks, data: STANDING, offset: 0 },
      ];
      return isPartlyIn(a, b) || gapBetween(a, b, 1, noGap()).gap === 0;
    });
    const isClear = isSweptClear(boat, [at(0), at(0.5), at(1)], banks, STANDING);
    if (touches) expect(isClear).toBe(false);
    if (!touches) clear++;
    if (isClear) said++;
  }
  expect(clear).toBeGreaterThan(100);
  expect(said).toBeGreaterThan(0.9 * clear);
  expect(clear).toBeLessThan(350);
});
