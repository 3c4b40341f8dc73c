import { describe, expect, test } from 'vitest';
import { foldingOf, type Scene } from '@pace-line/core';
import { beatsOf } from './snap-time.ts';
import { onSheet, sheetBench, sheetScene, xOf, yOf } from './testing.ts';

const timeOf = (scene: Scene, mark: number): number => scene.riders[0]!.pace.marks[mark]!.time;

/** Where the third mark, at 3 s, lands when it is dragged to a time. */
function dragged(scene: Scene, to: number, ctrl = false): number {
  const bench = sheetBench(scene);
  const [x, y] = [xOf(3), yOf(400)];
  bench.tool.down(onSheet(x, y, { ctrl }));
  for (let i = 1; i <= 4; i++) bench.tool.move(onSheet(x + ((xOf(to) - x) * i) / 4, y, { ctrl }));
  bench.tool.up();
  return timeOf(bench.doc.state.committed, 2);
}

describe('beats', () => {
  const clock = { duration: 4, fps: 10, repeat: 'loop', times: null } as const;
  test('stand evenly about the one that is named, from the loop’s start on', () => {
    const beats = beatsOf({ ...clock, tempo: { beats: 50, from: 1.5 } }, 4);
    [0.3, 1.5, 2.7, 3.9].forEach((time, i) => expect(beats[i]).toBeCloseTo(time, 9));
    expect(beats).toHaveLength(4);
  });
  test('none without a tempo, nor where they stand too close to be meant', () => {
    expect(beatsOf({ ...clock, tempo: null }, 4)).toEqual([]);
    expect(beatsOf({ ...clock, tempo: { beats: 1000, from: 0 } }, 3600)).toEqual([]);
  });
});

describe('a mark that is dragged in time', () => {
  // Frames are a tenth of a second, 6 px are 0.06 s.
  const beats = sheetScene({ clock: { duration: 4, fps: 10, repeat: 'loop', tempo: { beats: 48, from: 0 } } });
  test('is on a frame, or with Ctrl anywhere', () => {
    expect(dragged(sheetScene(), 2.63)).toBeCloseTo(2.6, 9);
    expect(dragged(sheetScene(), 2.63, true)).toBeCloseTo(2.63, 9);
  });
  test('is drawn to a beat that is near, and to no other', () => {
    expect(dragged(beats, 2.53)).toBeCloseTo(2.5, 9);
    expect(dragged(beats, 2.63)).toBeCloseTo(2.6, 9);
  });
  test('is drawn to another rider’s mark, where that is in its own time', () => {
    const other = {
      ...sheetScene().riders[1]!,
      pace: {
        ...sheetScene().riders[1]!.pace,
        delay: 0.4,
        marks: [{ ...sheetScene().riders[1]!.pace.marks[0]!, time: 2.17 }],
      },
    };
    const scene = { ...sheetScene(), riders: [sheetScene().riders[0]!, other] };
    expect(foldingOf(other, scene.clock).delay).toBe(0.4);
    expect(dragged(scene, 2.59)).toBeCloseTo(2.57, 9);
  });
});
