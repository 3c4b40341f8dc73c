import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { progress } from '../testing/reference-ease.ts';
import {
  compileLeg,
  EASE_OFFERS,
  EasedLine,
  joinedEase,
  offerOfEase,
  PaceLine,
  rangeOfEase,
  splitEase,
  wordsOfEase,
  type Ease,
} from './index.ts';

const us = Array.from({ length: 41 }, (_, i) => i / 40);
const eases: readonly Ease[] = [
  ...EASE_OFFERS.map((offer) => offer.ease),
  { kind: 'bezier', values: [0.2, -1.5, 0.4, 2] },
  {
    kind: 'points',
    points: [
      [0, 0],
      [0.3, 1.4],
      [0.6, -0.2],
      [1, 1],
    ],
  },
  { kind: 'spring', overshoot: 12.5, settle: 0.4 },
  { kind: 'spring', overshoot: 0, settle: 0.5 },
  { kind: 'shaped', points: [], ends: [0, 2] },
  {
    kind: 'shaped',
    points: [
      { time: 0.2, way: 0.5, slope: null },
      { time: 0.45, way: -0.2, slope: [-3, 2.5] },
      { time: 0.6, way: 0.4, slope: 1.5 },
      { time: 0.9, way: 1.2, slope: null },
    ],
    ends: [null, 0],
  },
  { kind: 'family', family: 'cubic', mode: 'in-out', even: 0.4 },
  { kind: 'family', family: 'back', mode: 'out', strength: 0.5, even: -0.6 },
  ...[0, 0.3, 0.7, 1.6, 2].flatMap((strength): Ease[] => [
    { kind: 'family', family: 'cubic', mode: 'in-out', strength },
    { kind: 'family', family: 'expo', mode: 'in', strength },
    { kind: 'family', family: 'back', mode: 'out', strength },
    { kind: 'bezier', values: [0.4, 0, 0.2, 1], strength },
    { kind: 'bezier', values: [0.4, 0, 0.2, 1.4], strength },
    { kind: 'spring', overshoot: 30, settle: 0.8, strength },
    { kind: 'family', family: 'circ', mode: 'out', strength },
    { kind: 'family', family: 'elastic', mode: 'in', strength },
    { kind: 'family', family: 'bounce', mode: 'out', strength },
    { kind: 'shaped', points: [{ time: 0.4, way: 0.7, slope: 2 }], ends: [0, 1.4], strength },
  ]),
];

describe('every ease of every kind', () => {
  test.each(eases.map((ease) => [JSON.stringify(ease), ease] as const))('%s', (_, ease) => {
    const { progress: fast, jumps } = compileLeg(ease);
    for (const u of us) expect(fast(u)).toBeCloseTo(progress(ease, u), 9);
    if (!jumps) expect(fast(1)).toBeCloseTo(1, 12);
    // Its range holds all that it reaches.
    const [low, high] = rangeOfEase(ease);
    for (let i = 0; i <= 2000; i++) {
      expect(fast(i / 2000)).toBeGreaterThan(low - 0.01);
      expect(fast(i / 2000)).toBeLessThan(high + 0.01);
    }
    // Cut in two and joined it is itself; its parts follow it.
    const [first, second] = splitEase(ease, 0.37);
    if (ease.kind === 'steady' || ease.kind === 'hold' || ease.kind === 'flow') return;
    expect(joinedEase(first, second)).toEqual(ease);
    expect(wordsOfEase(first)).toBe(`part of ${wordsOfEase(ease)}`);
    const middle = fast(0.37);
    if (Math.abs(middle) < 1e-6 || Math.abs(1 - middle) < 1e-6) return;
    for (const u of us) {
      expect(middle * compileLeg(first).progress(u)).toBeCloseTo(fast(0.37 * u), 6);
      expect(middle + (1 - middle) * compileLeg(second).progress(u)).toBeCloseTo(fast(0.37 + 0.63 * u), 6);
    }
  });
  test.each(
    eases
      .filter((ease) => !('strength' in ease) && !('even' in ease))
      .map((ease) => [JSON.stringify(ease), ease] as const),
  )('softer, it starts and ends as it does: %s', (_, ease) => {
    if (ease.kind === 'hold' || ease.kind === 'steady') return;
    const whole = compileLeg(ease);
    for (const strength of [0.15, 0.5, 0.85]) {
      const softer = compileLeg({ ...ease, strength });
      for (const end of [0, 1]) {
        const kept = Math.min(3, Math.max(0, whole.rate(end)));
        if (Math.abs(whole.rate(end) - kept) < 1e-9) expect(softer.rate(end)).toBeCloseTo(kept, 9);
      }
      // Its rate is what its way says, and it is nearer to steady than the whole one.
      let [far, farther] = [0, 0];
      for (let u = 0.005; u < 1; u += 0.01) {
        const slope = (softer.progress(u + 1e-6) - softer.progress(u - 1e-6)) / 2e-6;
        if (Math.abs(slope) < 20) expect(softer.rate(u)).toBeCloseTo(slope, 3);
        far = Math.max(far, Math.abs(softer.progress(u) - u));
        farther = Math.max(farther, Math.abs(whole.progress(u) - u));
      }
      expect(far).toBeLessThan(farther + 1e-9);
    }
  });
  test('offers have keys of their own and are found again', () => {
    expect(new Set(EASE_OFFERS.map(({ id }) => id)).size).toBe(EASE_OFFERS.length);
    for (const offer of EASE_OFFERS) expect(offerOfEase(offer.ease)).toBe(offer);
    expect(offerOfEase({ kind: 'bezier', values: [0.1, 0.2, 0.3, 0.4] })).toBeUndefined();
  });
});

describe('an eased line', () => {
  const line = new EasedLine([
    { time: 1, dwell: 0.5, value: 10, ease: { kind: 'steady' } },
    { time: 2.5, dwell: 0, value: 30, ease: { kind: 'hold' } },
    { time: 3.5, dwell: 0, value: -10 },
    { time: 3.5, dwell: 0, value: 40 },
  ]);
  test('stays before, rests, runs, holds, jumps, stays after', () =>
    expect([0, 1, 1.4, 2, 2.5, 3, 3.5, 9].map((t) => line.valueAt(t))).toEqual([10, 10, 10, 20, 30, 30, 40, 40]));
  test('from before, a hold has not jumped and the first of two marks at one time has not come', () => {
    expect(line.valueAt(3.5, -1)).toBe(30);
    expect(line.valueAt(2.5, -1)).toBe(30);
  });
  test('rates, and events', () => {
    expect([1.2, 2, 3].map((t) => line.rateAt(t) + 0)).toEqual([0, 20, 0]);
    expect(line.events()).toEqual([1, 1.5, 2.5, 3.5]);
    expect(line.isStill).toBe(false);
    expect(new EasedLine([{ time: 0, dwell: 0, value: 3 }]).isStill).toBe(true);
    expect(new EasedLine([]).valueAt(1)).toBe(0);
  });
});

test('the range of a pace line holds every distance it reaches', () => {
  const ease = fc.constantFrom(...eases);
  const marks = fc.array(
    fc.record({
      gap: fc.double({ min: 0.1, max: 1, noNaN: true }),
      distance: fc.integer({ min: -500, max: 500 }),
      ease,
    }),
    {
      minLength: 1,
      maxLength: 5,
    },
  );
  fc.assert(
    fc.property(marks, (list) => {
      let time = 0;
      const line = new PaceLine(
        list.map(({ gap, distance, ease: one }) => ({ time: (time += gap), dwell: 0, distance, ease: one })),
        'once',
      );
      const [low, high] = line.range();
      const slack = 0.01 * 1000;
      for (let i = 0; i <= 300; i++) {
        const distance = line.distanceAt((time * i) / 300);
        expect(distance).toBeGreaterThanOrEqual(low - slack);
        expect(distance).toBeLessThanOrEqual(high + slack);
      }
    }),
    { seed: 9, numRuns: 60 },
  );
});
