import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { LINE, riderOn, sceneOf, WRITER_SCENES } from '../testing/scenes.ts';
import { FORMATS, formatById, formatNumber } from '../export/index.ts';
import { bake, between, cornerGap, keyAt, reduceKeys, type Key, type PivotBox } from './index.ts';

const box: PivotBox = [-20, -20, 40, 20];

describe('baked tracks against the evaluator', () => {
  test.each(Object.entries(WRITER_SCENES))('%s stays within a quarter of a pixel, at times of no frame', (_, scene) => {
    const take = bake(scene);
    const motion = prepare(scene);
    for (const { rider, keys } of take.tracks) {
      expect(keys[0]?.time).toBe(0);
      expect(keys.at(-1)?.time).toBeCloseTo(take.length, 9);
      for (let i = 0; i < 3000; i++) {
        const time = ((i * 0.6180339887 + 0.31) % 1) * take.length;
        const at = keys.findLastIndex((key) => key.time <= time);
        const a = keys[at];
        const b = keys[at + 1];
        if (!a || !b || b.time - a.time < 1e-4) continue;
        expect(cornerGap(between(a, b, time), keyAt(motion, rider, time, 1), box)).toBeLessThan(0.25);
      }
    }
  });
  test('a tighter tolerance needs more keys, a steady straight ride needs two, a parked rider one', () => {
    const scene = WRITER_SCENES['eased']!;
    const count = (tolerance: number): number => bake(scene, { tolerance }).tracks[0]!.keys.length;
    expect(count(0.05)).toBeGreaterThan(count(0.25));
    expect(count(0.25)).toBeGreaterThan(count(2));
    const straight = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'c' } },
        ]),
        { id: 'p', name: 'P', art: 'box', guide: null },
        { id: 'off', name: 'Off', art: 'box', guide: null, output: false },
      ],
    });
    expect(bake(straight).tracks.map(({ keys }) => keys.length)).toEqual([2, 1]);
  });
  test('a jump is two keys at one time', () => {
    const scene = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 2, place: { by: 'node', node: 'b' } },
          { time: 2, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'a' } },
        ]),
      ],
    });
    const [track] = bake(scene).tracks;
    expect(track!.keys.filter((key) => key.time === 2).map((key) => key.x)).toEqual([300, 100]);
  });
  test('reducing keeps both ends and never more than it was given', () => {
    const keys: Key[] = Array.from({ length: 50 }, (_, i) => ({
      time: i,
      x: i * 3,
      y: Math.sin(i / 4) * 40,
      angle: 0,
      scaleX: 1,
      scaleY: 1,
      opacity: 1,
    }));
    const kept = reduceKeys(keys, box, 0.5);
    expect(kept[0]).toBe(keys[0]);
    expect(kept.at(-1)).toBe(keys.at(-1));
    expect(kept.length).toBeLessThan(keys.length);
    for (const key of keys) {
      const at = kept.findLastIndex((one) => one.time <= key.time);
      const a = kept[at]!;
      expect(cornerGap(between(a, kept[at + 1] ?? a, key.time), key, box)).toBeLessThanOrEqual(0.5);
    }
  });
});

describe('writers', () => {
  test('the same scene gives the same bytes; another gives other names', () => {
    for (const format of FORMATS) {
      const write = (name: string): string =>
        format.write(bake(WRITER_SCENES[name]!), format.options.parse({}))[0]!.text;
      expect(write('eased')).toBe(write('eased'));
      expect(/pl[0-9a-f]{8}/.exec(write('eased'))![0]).not.toBe(/pl[0-9a-f]{8}/.exec(write('lifted'))![0]);
    }
  });
  test('names and titles are escaped, in the page too', () => {
    const scene = { ...WRITER_SCENES['eased']!, name: '<script>alert("1")</script> & co' };
    for (const id of ['animated-svg', 'web-page']) {
      const format = formatById(id)!;
      const [file] = format.write(bake(scene), format.options.parse({}));
      expect(file!.text).not.toContain('<script>');
      expect(file!.name).toMatch(/^scriptalert1script-co\.(svg|html)$/);
    }
  });
  test.each([
    [1.23456, 2, '1.23'],
    [-0.0001, 3, '0'],
    [-0, 3, '0'],
    [100, 3, '100'],
    [0.1 + 0.2, 6, '0.3'],
    [12.3455, 3, '12.346'],
    [1e-7, 6, '0'],
    [0.000001, 6, '0.000001'],
    [1200, 0, '1200'],
  ])('%f with %i decimals is %s', (value, digits, text) => expect(formatNumber(value, digits)).toBe(text));
});
