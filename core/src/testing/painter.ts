import { zlibSync } from 'fflate';
import { prepare } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';
import { frameTimes, type PixelOptions, type PixelRect, type Pixels } from '../take/index.ts';
import { ByteWriter, crc32 } from '../export/screens/bytes.ts';

/** Paints a scene without a canvas: each rider as a square of nine px about its pivot, each in a colour of its own. For tests of what is made of pixels. */
export function plainPixels(scene: Scene, options: PixelOptions): Promise<Pixels> {
  const motion = prepare(scene);
  const [width, height] = [
    Math.round(scene.canvas.width * options.scale),
    Math.round(scene.canvas.height * options.scale),
  ];
  const { times, lasts } = frameTimes(scene, options);
  const painted = (frame: number): Uint8ClampedArray => {
    const rgba = new Uint8ClampedArray(4 * width * height);
    if (options.background) rgba.fill(255);
    const poses = motion.poseAt(times[frame] ?? 0);
    scene.riders.forEach((_, i) => {
      const [x, y] = [Math.round(poses.of(i, 'x') * options.scale), Math.round(poses.of(i, 'y') * options.scale)];
      for (let v = y - 4; v <= y + 4; v++)
        for (let u = x - 4; u <= x + 4; u++)
          if (u >= 0 && v >= 0 && u < width && v < height)
            rgba.set([200 - 40 * i, 30, 40 * i, 255], 4 * (u + v * width));
    });
    return rgba;
  };
  let before: Uint8ClampedArray | undefined;
  return Promise.resolve({
    ...{ name: scene.name, width, height, count: times.length, length: times.length * lasts },
    times: scene.clock.times,
    isClear: !options.background,
    rgba: (frame) => Promise.resolve(painted(frame)),
    changed: (frame) => {
      const now = painted(frame);
      const was = frame === 0 ? undefined : before;
      before = now;
      return Promise.resolve(was ? difference(was, now, width) : { x: 0, y: 0, width, height });
    },
    picture: (frame, _type, _quality, rect = { x: 0, y: 0, width, height }) =>
      Promise.resolve(pngOf(painted(frame), width, rect)),
    sheet: (layout) => {
      const all = new Uint8ClampedArray(4 * layout.width * layout.height);
      layout.places.forEach(({ x, y }, i) => {
        const one = painted(layout.first + i);
        for (let v = 0; v < height; v++)
          all.set(one.subarray(4 * v * width, 4 * (v + 1) * width), 4 * (x + (y + v) * layout.width));
      });
      return Promise.resolve(pngOf(all, layout.width, { x: 0, y: 0, width: layout.width, height: layout.height }));
    },
    film: () => Promise.resolve(new Uint8Array(0)),
  });
}

function difference(a: Uint8ClampedArray, b: Uint8ClampedArray, width: number): PixelRect {
  const places = Array.from({ length: a.length / 4 }, (_, i) => i).filter((i) =>
    [0, 1, 2, 3].some((k) => a[4 * i + k] !== b[4 * i + k]),
  );
  if (places.length === 0) return { x: 0, y: 0, width: 1, height: 1 };
  const [xs, ys] = [places.map((i) => i % width), places.map((i) => Math.floor(i / width))];
  const least = (list: readonly number[]): number => list.reduce((x, y) => Math.min(x, y), Infinity);
  const most = (list: readonly number[]): number => list.reduce((x, y) => Math.max(x, y), 0);
  return { x: least(xs), y: least(ys), width: most(xs) - least(xs) + 1, height: most(ys) - least(ys) + 1 };
}

/** A PNG of 8 bits a channel, without filters. */
function pngOf(rgba: Uint8ClampedArray, stride: number, { x, y, width, height }: PixelRect): Uint8Array {
  const rows = new Uint8Array(height * (1 + 4 * width));
  for (let v = 0; v < height; v++) {
    const from = 4 * (x + (y + v) * stride);
    rows.set(rgba.subarray(from, from + 4 * width), v * (1 + 4 * width) + 1);
  }
  const out = new ByteWriter().add(Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a));
  const chunk = (kind: string, data: Uint8Array): void => {
    const body = new ByteWriter().text(kind).add(data).bytes();
    out.high(data.length, 4).add(body).high(crc32(body), 4);
  };
  chunk(
    'IHDR',
    new ByteWriter()
      .high(width, 4)
      .high(height, 4)
      .add(Uint8Array.of(8, 6, 0, 0, 0))
      .bytes(),
  );
  chunk('IDAT', zlibSync(rows));
  chunk('IEND', new Uint8Array(0));
  return out.bytes();
}
