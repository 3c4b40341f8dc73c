import { expect, test } from 'vitest';
import { Changes } from './changes.ts';

/** A canvas that shows what it is told. */
const showing = (width: number, height: number, lit: readonly (readonly [number, number])[]) => ({
  getImageData: () => {
    const data = new Uint8ClampedArray(4 * width * height);
    for (const [x, y] of lit) data[4 * (x + y * width)] = 255;
    return { data } as unknown as ImageData;
  },
});

test('the first frame is whole, then only what differs, and a single px where nothing does', () => {
  const changes = new Changes(20, 10);
  const whole = { x: 0, y: 0, width: 20, height: 10 };
  expect(changes.since(0, showing(20, 10, [[3, 4]]))).toEqual(whole);
  expect(changes.since(1, showing(20, 10, [[5, 7]]))).toEqual({ x: 3, y: 4, width: 3, height: 4 });
  // Asked once more, it is the same.
  expect(changes.since(1, showing(20, 10, [[0, 0]]))).toEqual({ x: 3, y: 4, width: 3, height: 4 });
  expect(changes.since(2, showing(20, 10, [[5, 7]]))).toEqual({ x: 0, y: 0, width: 1, height: 1 });
  expect(changes.since(9, showing(20, 10, [[5, 7]]))).toEqual(whole);
});
