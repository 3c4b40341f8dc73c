import { expect, test, vi } from 'vitest';
import { STARTERS } from '../starters.ts';

const { held } = vi.hoisted(() => ({ held: new Map<string, unknown>() }));
vi.mock('localforage', () => ({
  default: {
    createInstance: () => ({
      setItem: (key: string, value: unknown) => Promise.resolve(held.set(key, structuredClone(value))),
      iterate: (visit: (value: unknown, key: string) => void) =>
        Promise.resolve([...held].forEach(([key, value]) => void visit(value, key))),
    }),
  },
}));

const { keepGuides, listKept, onCollectionChange } = await import('./index.ts');
const many = Array.from({ length: 1500 }, (_, i) => ({
  name: `Way ${i}`,
  guide: STARTERS[i % STARTERS.length]!.guide,
}));

test('1,500 guides are kept with progress and told once, each under an id of its own', async () => {
  let told = 0;
  const deafen = onCollectionChange(() => told++);
  const shares: number[] = [];
  expect(
    await keepGuides(
      many,
      (share) => shares.push(share),
      () => false,
    ),
  ).toBe(1500);
  deafen();
  expect(told).toBe(1);
  expect(shares).toHaveLength(30);
  expect(shares.at(-1)).toBe(1);
  expect(await listKept()).toHaveLength(1500);
});

test('stopped on the way, what was kept by then stays', async () => {
  held.clear();
  let asked = 0;
  expect(
    await keepGuides(
      many,
      () => undefined,
      () => ++asked > 2,
    ),
  ).toBe(100);
  expect(await listKept()).toHaveLength(100);
});
