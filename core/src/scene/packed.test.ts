import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';
import { base64, base64urlnopad } from '@scure/base';
import { describe, expect, test } from 'vitest';
import { WRITER_SCENES } from '../testing/scenes.ts';
import { problemsOf } from './check.ts';
import { readScene, wordingOf, writeScene } from './file.ts';
import { carried, carriedScene, linked, linkedScene } from './packed.ts';
import { MOST_PROBLEMS } from './problems.ts';

test('a scene comes back as it was, from a file that carries it and from an address', () => {
  for (const scene of Object.values(WRITER_SCENES)) {
    const found = carriedScene(`<svg/>\n<!-- ${carried(scene)} -->\n`);
    expect(found?.ok && writeScene(found.scene)).toBe(writeScene(scene));
    const link = linked(scene);
    expect(link).toMatch(/^[\w-]+$/);
    const there = linkedScene(link);
    expect(there.ok && writeScene(there.scene)).toBe(writeScene(scene));
  }
});

test('a file without one has none; one that is cut short, or is none, is refused with words', () => {
  expect(carriedScene('<svg/>')).toBeUndefined();
  const link = linked(Object.values(WRITER_SCENES)[0]!);
  for (const bad of [link.slice(0, 200), 'a', '%%%', '', base64urlnopad.encode(deflateSync(new Uint8Array([1, 2])))])
    expect(linkedScene(bad)).toMatchObject({ ok: false, problems: [{ message: expect.any(String) as string }] });
  expect(carriedScene(`pace-line-scene:${base64.encode(new Uint8Array([9, 9, 9]))}`)).toMatchObject({ ok: false });
});

const packedJson = (text: string): string => base64urlnopad.encode(deflateSync(strToU8(text), { level: 9 }));

test('what unpacks to far more than a scene may have is given up before it is unpacked', () => {
  const bomb = deflateSync(new Uint8Array(300 * 1024 * 1024), { level: 9 });
  expect(bomb.length).toBeLessThan(400_000);
  const before = process.memoryUsage().arrayBuffers;
  const found = linkedScene(base64urlnopad.encode(bomb));
  expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(60 * 1024 * 1024);
  expect(found).toMatchObject({ ok: false, problems: [{ message: expect.stringContaining('far more') as string }] });
});

test('a scene that packs to almost nothing is carried all the same', () => {
  const scene = Object.values(WRITER_SCENES)[0]!;
  const art = scene.art[0]!;
  if (art.kind !== 'svg') throw new Error('a drawing is meant');
  const dots = '<rect x="1" y="1" width="1" height="1"/>'.repeat(90_000);
  const uniform = { ...scene, art: [{ ...art, markup: art.markup.replace('</svg>', `${dots}</svg>`) }] };
  const text = strFromU8(inflateSync(base64urlnopad.decode(linked(uniform))));
  expect(text === writeScene(uniform)).toBe(true);
  // It is read as far as its drawing, which has too many elements: what is said is not that it unpacks to too much.
  const read = linkedScene(linked(uniform));
  expect(read.ok ? '' : read.problems[0]?.message).not.toContain('unpacks');
});

describe('what is too much is refused before it is taken apart', () => {
  const began = '{"format":"pace-line/scene","version":9,"name":"x","riders":[';
  const many = (piece: string, count: number): string => `${began}${Array(count).fill(piece).join(',')}]}`;
  test.each([
    ['millions of empty objects', many('{}', 3_000_000), /2,000,000 values/],
    ['a list in a list in a list', `${began}${'['.repeat(1_000_000)}`, /40 deep/],
    ['objects in objects', `${'{"a":'.repeat(500_000)}1${'}'.repeat(500_000)}`, /40 deep/],
    ['as many riders as there is room for', many('{}', 900_000), /20,000 entries/],
    ['20,000 riders that are none', many('{}', 20_000), /art/],
    ['a text of backslashes', `{"name":"${'\\'.repeat(5_000_000)}"}`, /not a Pace Line scene/],
  ])('%s', (_, text, words) => {
    const read = readScene(text);
    if (read.ok) throw new Error('it was taken');
    expect(read.problems.length).toBeLessThanOrEqual(MOST_PROBLEMS);
    expect(read.problems.map(wordingOf).join('\n')).toMatch(words);
    // Packed it comes to the same, or is not unpacked at all.
    const linkedToo = linkedScene(packedJson(text));
    expect(linkedToo.ok).toBe(false);
  });
});

test('a scene that its own file would refuse for its size is not sound', () => {
  const scene = Object.values(WRITER_SCENES)[0]!;
  const guide = scene.guides[0]!;
  const nodes = Array.from({ length: 20_000 }, (_, i) => ({ id: `n${i}`, x: i, y: i, join: 'corner' as const }));
  const wide = Array.from({ length: 30 }, (_, i) => ({ ...guide, id: `g${i}`, nodes }));
  expect(problemsOf({ ...scene, guides: wide }, false)[0]?.message).toMatch(/2,000,000 values/);
});
