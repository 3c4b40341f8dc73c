import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { changeBetween, changed } from './change.ts';

/** JSON values, with what they hold in common shared as edits share it. */
const json = fc.jsonValue({ maxDepth: 4 }).map((value) => JSON.parse(JSON.stringify(value)) as unknown);

describe('a change between two states', () => {
  test('makes the one of the other, whatever they are, and leaves the first as it was', () => {
    fc.assert(
      fc.property(json, json, (before, after) => {
        const copy = JSON.stringify(before);
        expect(changed(before, changeBetween(before, after))).toEqual(after);
        expect(JSON.stringify(before)).toBe(copy);
      }),
      { numRuns: 500 },
    );
  });
  test('of lists that share their entries: any kept, in any order, others between them', () => {
    const entries = Array.from({ length: 8 }, (_, i) => ({ id: i }));
    const lists = fc.array(
      fc.oneof(
        fc.constantFrom(...entries),
        fc.nat().map((n) => ({ new: n })),
      ),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(lists, (after) => {
        expect(changed({ list: entries }, changeBetween({ list: entries }, { list: after }))).toEqual({ list: after });
      }),
    );
  });
  test('of one entry among thousands is one small step; of none, none', () => {
    const nodes = Array.from({ length: 5000 }, (_, i) => ({ id: `n${i}`, x: i, y: 0 }));
    const before = { name: 'A', guides: [{ nodes }] };
    const moved = nodes.map((one, i) => (i === 2500 ? { ...one, x: 7 } : one));
    expect(changeBetween(before, { ...before, guides: [{ nodes: moved }] })).toEqual([
      { at: ['guides', 0, 'nodes', 2500, 'x'], set: 7 },
    ]);
    const without = nodes.filter((_, i) => i !== 2500);
    expect(changeBetween(before, { ...before, guides: [{ nodes: without }] })).toEqual([
      { at: ['guides', 0, 'nodes'], from: 2500, gone: 1, come: [] },
    ]);
    expect(changeBetween(before, before)).toEqual([]);
  });
  test('a key that is undefined is one that is not there', () => {
    expect(changeBetween({ a: 1, b: 2 }, { a: undefined, b: 2 })).toEqual([{ at: ['a'], drop: true }]);
    expect(changed({ a: 1 }, changeBetween({ a: 1 }, { a: undefined }))).toEqual({});
    expect(changeBetween({ a: undefined }, { a: 1 })).toEqual([{ at: ['a'], set: 1 }]);
  });
  test('of another state it does not apply', () => {
    expect(() => changed({ list: [1] }, [{ at: ['list', 4], set: 1 }])).toThrow('another list');
    expect(() => changed({ list: [1] }, [{ at: ['list'], from: 0, gone: 3, come: [] }])).toThrow('another list');
    expect(() => changed({ list: 1 }, [{ at: ['list', 'x'], set: 1 }])).toThrow('another value');
  });
});
