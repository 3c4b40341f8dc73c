import { expect, test } from 'vitest';
import { Lateness } from './lateness.ts';

function watched(canBeFlat = false): { readonly after: (count: number, ms: number) => Lateness } {
  const lateness = new Lateness(canBeFlat);
  return {
    after: (count, ms) => {
      for (let i = 0; i < count; i++) lateness.note(ms);
      return lateness;
    },
  };
}

test('a loop that has slept is not far behind', () => {
  const { after } = watched();
  after(100, 16.7);
  expect(after(40, 4000).isFarBehind).toBe(false);
});

test('rough painting stays while it brings frames sooner', () => {
  const { after } = watched();
  expect(after(60, 20).isFarBehind).toBe(false);
  expect(after(40, 26).isFarBehind).toBe(true);
  expect(after(300, 22).isFarBehind).toBe(true);
  expect(after(100, 16.7).isFarBehind).toBe(false);
});

test('and ends where it gains nothing, as on a screen of thirty frames a second, to be tried again much later', () => {
  const { after } = watched();
  after(60, 30);
  let rough = 0;
  for (let i = 0; i < 590; i++) if (after(1, 33.3).isFarBehind) rough++;
  expect(rough).toBeLessThan(60);
  expect(after(0, 0).isFarBehind).toBe(false);
  for (let i = 0; i < 120 && !after(0, 0).isFarBehind; i++) after(1, 33.3);
  expect(after(0, 0).isFarBehind).toBe(true);
});

test('layers of one’s own are left out before anything is painted roughly, only where they may be what takes the time, and stay so', () => {
  const { after } = watched(true);
  expect(after(40, 90).isFlat).toBe(true);
  expect(after(10, 60).isFarBehind).toBe(false);
  // What is left is tried against by painting roughly.
  expect(after(60, 60).isFarBehind).toBe(true);
  expect(after(100, 16.7).isFarBehind).toBe(false);
  expect(after(0, 0).isFlat).toBe(true);
  expect(watched().after(300, 90).isFlat).toBe(false);
});

test('and come back where that gains nothing', () => {
  const { after } = watched(true);
  expect(after(40, 90).isFlat).toBe(true);
  expect(after(60, 90).isFlat).toBe(false);
});
