import type { Told } from '@pace-line/core';
import { describe, expect, test } from 'vitest';
import { framed } from './framing.ts';

const pane = { width: 686, height: 460 };
const told = (place: Told['place'], patch: Told['patch'] = []): Told => ({
  ...{
    check: 'clearance',
    about: '',
    label: 'Clearance',
    holds: false,
    riders: ['a', 'b'],
    at: 1,
    spans: [],
    words: '2.0 px',
    figures: {},
  },
  ...{ place, patch, meant: null },
});
/** Where on screen a place of the canvas is seen. */
const seen = ({ zoom, x, y }: { zoom: number; x: number; y: number }, [px, py]: readonly [number, number]) => [
  px * zoom + x,
  py * zoom + y,
];

describe('what is looked at comes into sight', () => {
  const view = { zoom: 0.5, x: 20, y: 40 };
  test('where it is seen well, the view stays as it is', () => {
    for (const one of [
      told(null),
      told([
        [300, 300],
        [360, 300],
      ]),
      told([
        [300, 300],
        [300, 300],
      ]),
    ])
      expect(framed(one, view, pane)).toBe(view);
  });
  test('a gap too small to be read is enlarged, in the middle of the pane, with what is about it', () => {
    const next = framed(
      told([
        [300, 300],
        [304, 300],
      ]),
      view,
      pane,
    );
    expect(4 * next.zoom).toBeGreaterThan(4 * view.zoom * 2);
    expect(seen(next, [302, 300])).toEqual([expect.closeTo(343, 6), expect.closeTo(230, 6)]);
    expect(next.zoom * 2 * 90).toBeLessThanOrEqual(pane.height);
  });
  test('what lies outside is brought in, its patch whole', () => {
    const next = framed(
      told(
        [
          [1500, 300],
          [1520, 310],
        ],
        [[1400, 280, 1600, 280, 1600, 340]],
      ),
      view,
      pane,
    );
    for (const corner of [
      [1400, 280],
      [1600, 340],
    ] as const) {
      const [x = 0, y = 0] = seen(next, corner);
      expect(x).toBeGreaterThanOrEqual(28);
      expect(x).toBeLessThanOrEqual(pane.width - 28);
      expect(y).toBeGreaterThanOrEqual(28);
      expect(y).toBeLessThanOrEqual(pane.height - 28);
    }
  });
  test('who looks closely already is not taken away', () => {
    const close = { zoom: 6, x: -1600, y: -1600 };
    expect(
      framed(
        told([
          [300, 300],
          [301, 300],
        ]),
        close,
        pane,
      ),
    ).toBe(close);
  });
});
