import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Fingers, type Pinch } from './fingers.ts';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

function fingers() {
  const done: string[] = [];
  const pinches: Pinch[] = [];
  const hand = new Fingers<string>({
    press: (p) => void done.push(`press ${p}`),
    move: (p) => void done.push(`move ${p}`),
    lift: (p) => void done.push(`lift ${p}`),
    giveUp: () => void done.push('give up'),
    pinchBegins: () => void done.push('pinch'),
    pinch: (pinch) => void pinches.push(pinch),
  });
  return { hand, done, pinches };
}

describe('one finger', () => {
  test('a tap is a press and a lift at once', () => {
    const { hand, done } = fingers();
    hand.down(1, [10, 10], 'a');
    expect(done).toEqual([]);
    hand.up(1, 'b');
    expect(done).toEqual(['press a', 'lift b']);
  });
  test('moved, it works from where it came down; resting, it is there after a moment', () => {
    const { hand, done } = fingers();
    hand.down(1, [10, 10], 'a');
    hand.move(1, [13, 10], 'b');
    expect(done).toEqual([]);
    hand.move(1, [20, 10], 'c');
    hand.up(1, 'd');
    expect(done).toEqual(['press a', 'move c', 'lift d']);
    hand.down(2, [0, 0], 'e');
    vi.advanceTimersByTime(200);
    expect(done.at(-1)).toBe('press e');
    hand.lost(2);
    expect(done.at(-1)).toBe('give up');
  });
});

describe('two fingers', () => {
  test('coming down one after the other they press nothing, and move and scale', () => {
    const { hand, done, pinches } = fingers();
    hand.down(1, [100, 100], 'a');
    hand.down(2, [200, 100], 'b');
    hand.move(1, [80, 110], 'c');
    hand.move(2, [240, 110], 'd');
    expect(done).toEqual(['pinch']);
    expect(pinches.at(-1)).toEqual({ x: 160, y: 110, dx: 10, dy: 10, scale: 1.6 });
    hand.up(1, 'e');
    hand.move(2, [300, 300], 'f');
    hand.up(2, 'g');
    vi.advanceTimersByTime(500);
    expect(done).toEqual(['pinch']);
    hand.down(3, [0, 0], 'h');
    hand.up(3, 'i');
    expect(done).toEqual(['pinch', 'press h', 'lift i']);
  });
  test('a second one while the first works gives up what that began', () => {
    const { hand, done, pinches } = fingers();
    hand.down(1, [0, 0], 'a');
    hand.move(1, [50, 0], 'b');
    hand.down(2, [60, 0], 'c');
    hand.move(2, [70, 0], 'd');
    hand.down(3, [200, 200], 'e');
    hand.move(3, [210, 200], 'f');
    expect(done).toEqual(['press a', 'move b', 'give up', 'pinch']);
    // Fingers that touch each other say little of a scale.
    expect(pinches.every(({ scale }) => scale === 1)).toBe(true);
    for (const id of [1, 2, 3]) hand.up(id, 'x');
    expect(done).toHaveLength(4);
  });
});
