import { expect, test } from 'vitest';
import { HOUR, thinned, type VersionCard, type VersionReason } from './thinning.ts';

const NOW = Date.UTC(2026, 10, 27, 23, 30);
const card = (hoursAgo: number, why: VersionReason = 'time', size = 10): VersionCard => ({
  key: `${why}-${hoursAgo}`,
  scene: 'one',
  at: NOW - hoursAgo * HOUR,
  order: -hoursAgo,
  why,
  name: null,
  size,
  assets: [],
});

test('a day keeps its hours, later each day its last, after a month none', () => {
  const hours = Array.from({ length: 24 * 40 }, (_, i) => card(i));
  const kept = hours.filter((one) => !thinned(hours, NOW).includes(one));
  expect(kept.filter(({ at }) => NOW - at <= 24 * HOUR)).toHaveLength(25);
  const later = kept.filter(({ at }) => NOW - at > 24 * HOUR);
  expect(later.length).toBeGreaterThan(27);
  expect(later.length).toBeLessThan(31);
  expect(new Set(later.map(({ at }) => Math.floor(at / HOUR / 24))).size).toBe(later.length);
  expect(later.every(({ at }) => new Date(at).getUTCHours() === 23)).toBe(true);
});

test('above the size the oldest go, but none that was kept by hand', () => {
  const cards = [card(1, 'time', 60), card(2, 'import', 60), card(3, 'hand', 500), card(4, 'migration', 10)];
  expect(thinned(cards, NOW, 100).map(({ key }) => key)).toEqual(['import-2']);
  expect(thinned(cards, NOW, 1000)).toEqual([]);
});

test('thinning again takes nothing more', () => {
  const hours = Array.from({ length: 24 * 40 }, (_, i) => card(i));
  const gone = new Set(thinned(hours, NOW));
  expect(
    thinned(
      hours.filter((one) => !gone.has(one)),
      NOW,
    ),
  ).toEqual([]);
});

test('what a clock that ran ahead has stamped is as new as what is kept now, and goes with the size', () => {
  const ahead: VersionCard = { ...card(0), key: 'ahead', at: Date.UTC(2030, 0, 1), order: -5.5 };
  const hours = [...Array.from({ length: 10 }, (_, i) => card(i)), ahead];
  expect(thinned(hours, NOW)).toEqual([]);
  expect(thinned(hours, NOW, 60).map(({ key }) => key)).toEqual(['ahead', 'time-6', 'time-7', 'time-8', 'time-9']);
});
