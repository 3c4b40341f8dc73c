import { expect, test } from 'vitest';
import { Lateness } from './lateness.ts';

function watched(): { readonly after: (count: number, ms: number) => Lateness } {
  const lateness = new Lateness();
  return {
    after: (count, ms) => {
      for (let i = 0; i < count; i++) lateness.note(ms);
      return lateness;
    },
  };
}

test('frames are late from one in ten that is left out, and in time again when hardly one is', () => {
  const { after } = watched();
  expect(after(100, 16.7).isLate).toBe(false);
  // One alone is none.
  expect(after(1, 33).isLate).toBe(false);
  expect(after(100, 19).isLate).toBe(true);
  expect(after(100, 18).isLate).toBe(true);
  expect(after(100, 16.7).isLate).toBe(false);
});

test('a loop that has slept is not late', () => {
  const { after } = watched();
  after(100, 16.7);
  expect(after(5, 4000).isLate).toBe(false);
});

test('rough painting stays while it brings frames sooner', () => {
  const { after } = watched();
  expect(after(60, 20).isFarBehind).toBe(false);
  expect(after(30, 26).isFarBehind).toBe(true);
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
