import { describe, expect, test } from 'vitest';
import { pathOfGuide, sceneShape } from '@pace-line/core';
import { looksLikeCollection, readCollection, writeCollection } from './collection.ts';
import { STARTERS } from './starters.ts';

describe('the collection as a file', () => {
  test('what is written is read back, name and guide alike', () => {
    const text = writeCollection(STARTERS);
    expect(looksLikeCollection(text)).toBe(true);
    const read = readCollection(text);
    if (!read.ok) throw new Error(read.message);
    expect(read.guides.map(({ name }) => name)).toEqual(STARTERS.map(({ name }) => name));
    expect(JSON.parse(JSON.stringify(read.guides[0]!.guide))).toEqual(JSON.parse(JSON.stringify(STARTERS[0]!.guide)));
  });
  test.each([
    ['no JSON', '{', /not JSON/],
    ['another file', '{"format":"pace-line/scene"}', /format/],
    [
      'a guide without nodes',
      '{"format":"pace-line/guides","version":1,"guides":[{"name":"a","guide":{"id":"g"}}]}',
      /guides\.0\.guide/,
    ],
    ['a newer version', '{"format":"pace-line/guides","version":2,"guides":[]}', /version/],
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
