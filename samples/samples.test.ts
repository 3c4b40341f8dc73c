import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { checkSeam, readScene, withOffer, writeScene, type Scene } from '@pace-line/core';
import { findingsOf, offersFor } from '@pace-line/core/findings';
import { cardsOf } from './cards.ts';
import { SAMPLES } from './scenes.ts';

/** What is wrong in the samples that show how something is put right. */
const FOUND: Readonly<Record<string, readonly string[]>> = {
  'narrows.paceline.json': ['clearance', 'corridor'],
  'two-sledges.paceline.json': ['clearance', 'corridor'],
};
const wrongIn = (scene: Scene) => findingsOf(scene).filter(({ holds }) => !holds);

test.each(Object.keys(FOUND))(
  'what is wrong in %s is put right by the first offer for each',
  { timeout: 240_000 },
  (name) => {
    let { scene } = SAMPLES.find(({ file }) => file === name)!;
    for (let presses = 0; presses < 2; presses++) {
      const [wrong] = wrongIn(scene);
      const [offer] = wrong ? offersFor(scene, wrong).offers : [];
      expect(offer).toBeDefined();
      scene = withOffer(scene, offer!);
    }
    expect(wrongIn(scene)).toEqual([]);
  },
);

describe.each(SAMPLES)('$file', ({ file, scene }) => {
  const text = readFileSync(new URL(`./scenes/${file}`, import.meta.url), 'utf8');
  test('is what the builder writes', () => expect(writeScene(scene)).toBe(text));
  test('is valid', () => expect(readScene(text).ok).toBe(true));
  test('no check finds anything that is not meant, but where that is what it shows', () =>
    expect(wrongIn(scene).map(({ check }) => check)).toEqual(FOUND[file] ?? []));
  test('loops without a visible seam', () => {
    // What goes back by its driver would loop as well, played by time.
    const findings = checkSeam({ ...scene, driver: [{ kind: 'time' }] });
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
