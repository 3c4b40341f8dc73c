import { describe, expect, test } from 'vitest';
import { pathOfGuide, sceneShape } from '@pace-line/core';
import { looksLikeCollection, readCollection, writeCollection } from './index.ts';
import { STARTERS } from '../starters.ts';

describe('the collection as a file', () => {
  test('what is written is read back, name and guide alike', () => {
    const text = writeCollection(STARTERS, [
      { id: 'e', name: 'Our stop', thing: { kind: 'spring', overshoot: 12, settle: 0.8 } },
    ]);
    expect(looksLikeCollection(text)).toBe(true);
    const read = readCollection(text);
    if (!read.ok) throw new Error(read.message);
    expect(read.guides.map(({ name }) => name)).toEqual(STARTERS.map(({ name }) => name));
    expect(read.eases).toEqual([{ name: 'Our stop', ease: { kind: 'spring', overshoot: 12, settle: 0.8 } }]);
    expect(JSON.parse(JSON.stringify(read.guides[0]!.guide))).toEqual(JSON.parse(JSON.stringify(STARTERS[0]!.guide)));
  });
  test('a file of version 1 has guides alone', () => {
    const read = readCollection('{"format":"pace-line/guides","version":1,"guides":[]}');
    expect(read).toEqual({ ok: true, guides: [], eases: [] });
  });
  test.each([
    ['no JSON', '{', /not JSON/],
    ['another file', '{"format":"pace-line/scene"}', /format/],
    [
      'a guide without nodes',
      '{"format":"pace-line/guides","version":1,"guides":[{"name":"a","guide":{"id":"g"}}]}',
      /guides\.0\.guide/,
    ],
    ['a newer version', '{"format":"pace-line/guides","version":3,"guides":[]}', /version/],
  ])('%s is refused with its place', (_, text, message) => {
    const read = readCollection(text);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.message).toMatch(message);
  });
});

describe('guides to start from', () => {
  test('there are twelve, each sound and of a size to be placed', () => {
    expect(STARTERS).toHaveLength(12);
    expect(new Set(STARTERS.map(({ name }) => name)).size).toBe(12);
    const guides = sceneShape.shape.guides;
    for (const { name, guide } of STARTERS) {
      expect(guides.safeParse([guide]).success, name).toBe(true);
      const { bounds, length } = pathOfGuide(guide);
      expect(length, name).toBeGreaterThan(200);
      expect(Math.max(bounds.right - bounds.left, bounds.bottom - bounds.top), name).toBeLessThan(700);
    }
  });
});
