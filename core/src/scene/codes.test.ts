import { expect, test } from 'vitest';
import { riderCodes } from './index.ts';

const codes = (...names: string[]): string[] => [
  ...riderCodes(names.map((name, i) => ({ id: `r${i}`, name }))).values(),
];

test('code calls riders by their names, plainly', () => {
  expect(codes('Glider', 'Paddle A1', '  Tea—tin! ', '灯', 'Éclair', '***', '', '3-4')).toEqual([
    ...['glider', 'paddle-a1', 'tea-tin', '灯', 'éclair', 'rider', 'rider-2', 'r-3-4'],
  ]);
});

test('each is called something else, and nobody is given what another is called', () => {
  expect(codes('Boat', 'boat', 'Boat 2', 'BOAT')).toEqual(['boat', 'boat-3', 'boat-2', 'boat-4']);
  const many = codes(...Array.from({ length: 300 }, (_, i) => (i % 3 === 0 ? 'boat' : `boat ${i}`)));
  expect(new Set(many).size).toBe(300);
});

test('they do not change with riders of other names, nor with ids', () => {
  const of = (list: readonly { id: string; name: string }[]): Map<string, string | undefined> => {
    const found = riderCodes(list);
    return new Map(list.map(({ id, name }) => [name, found.get(id)]));
  };
  const few = of([
    { id: 'a', name: 'Kite' },
    { id: 'b', name: 'Quay' },
  ]);
  const more = of([
    { id: 'x', name: 'Lamp' },
    { id: 'q', name: 'Kite' },
    { id: 'b', name: 'Quay' },
  ]);
  for (const [name, code] of few) expect(more.get(name)).toBe(code);
});
