import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { problemsOf, readScene, sceneFromJson, sceneShape } from '@pace-line/core';
import { countedRandom } from '../core/src/testing/random.ts';
import { fateOfDrawing } from './drawing-fate.ts';
import { hostileDrawings } from './drawings.ts';
import { fateOf } from './evaluate.ts';
import { mutated } from './mutations.ts';
import { hostileScenes } from './scenes.ts';

// A tenth of what `npm run hostile` does; the largest files are left to it.
const MUTATIONS = 1000;

const samples = readdirSync(new URL('../samples/scenes/', import.meta.url))
  .filter((name) => name.endsWith('.json'))
  .map((name) => readFileSync(new URL(`../samples/scenes/${name}`, import.meta.url), 'utf8'));

describe('drawings that strain', () => {
  const smaller = hostileDrawings().filter(({ size }) => size < 0.1);
  test.each(smaller)('$name', ({ text }) => {
    expect(fateOfDrawing(text).faults).toEqual([]);
  });
  test('there are as many as are promised, none twice', () => {
    expect(new Set(hostileDrawings().map(({ text }) => text)).size).toBeGreaterThanOrEqual(150);
  });
});

describe('scenes at the edge of what may be', () => {
  const scenes = hostileScenes();
  test.each(scenes)('$name', async ({ json }) => {
    const fate = await fateOf(json, false);
    expect(fate).toEqual({ state: 'taken', faults: [], written: [] });
  });
  test.each(scenes.filter((_, i) => i % 10 === 4))('written: $name', async ({ json }) => {
    expect(await fateOf(json)).toMatchObject({ state: 'taken', faults: [] });
  });
});

describe('scene files changed at random', () => {
  const scenes = samples.map((text) => JSON.parse(text) as unknown);
  test(`${MUTATIONS} are refused with a reason, or work`, async () => {
    const taken: number[] = [];
    for (let seed = 0; seed < MUTATIONS; seed++) {
      const fate = await fateOf(mutated(scenes[seed % scenes.length], seed), false);
      if (fate.state === 'refused') continue;
      taken.push(seed);
      expect({ seed, faults: fate.faults }).toEqual({ seed, faults: [] });
    }
    expect(taken.length).toBeGreaterThan(MUTATIONS / 20);
  });
  test('what may be kept is what may be opened: both say the same of any', () => {
    for (let seed = 0; seed < MUTATIONS; seed++) {
      const json = mutated(scenes[seed % scenes.length], seed);
      const shaped = sceneShape.safeParse(json);
      if (shaped.success)
        expect({ seed, sound: problemsOf(shaped.data).length === 0 }).toEqual({ seed, sound: sceneFromJson(json).ok });
    }
  });
  test('cut off or garbled anywhere they are refused with a reason, never thrown', () => {
    const random = countedRandom(5);
    for (let i = 0; i < 300; i++) {
      const text = samples[i % samples.length] ?? '';
      const at = Math.floor(random() * text.length);
      const garbled = text.slice(0, at) + (i % 2 === 0 ? '' : String.fromCharCode(random() * 200) + text.slice(at + 1));
      const read = readScene(garbled);
      if (!read.ok) expect(read.problems[0]?.message).toBeTruthy();
    }
  });
});
