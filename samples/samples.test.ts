import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { checkSeam, readScene, writeScene } from '@pace-line/core';
import { findingsOf } from '@pace-line/core/findings';
import { cardsOf } from './cards.ts';
import { SAMPLES } from './scenes.ts';

describe.each(SAMPLES)('$file', ({ file, scene }) => {
  const text = readFileSync(new URL(`./scenes/${file}`, import.meta.url), 'utf8');
  test('is what the builder writes', () => expect(writeScene(scene)).toBe(text));
  test('is valid', () => expect(readScene(text).ok).toBe(true));
  test('no check finds anything that is not meant', () =>
    expect(findingsOf(scene).filter(({ holds }) => !holds)).toEqual([]));
  test('loops without a visible seam', () => {
    const findings = checkSeam(scene);
    expect(findings.length).toBeGreaterThan(0);
    for (const finding of findings) expect(finding).toMatchObject({ closes: true, smooth: true });
  });
});

test('what the Shelf says of them before one is opened is what they are', () => {
  const cards = readFileSync(new URL('./scenes/cards.json', import.meta.url), 'utf8');
  expect(JSON.parse(cards)).toEqual(cardsOf(SAMPLES));
});

test('a broken seam is seen', () => {
  const { scene } = SAMPLES.find(({ file }) => file.startsWith('two-ferries'))!;
  const bent = {
    ...scene,
    riders: scene.riders.map((rider) => ({ ...rider, pace: { ...rider.pace, marks: rider.pace.marks.slice(0, -1) } })),
  };
  expect(checkSeam(bent).some((finding) => !finding.closes)).toBe(true);
});
