import { inflateSync } from 'node:zlib';
import { unzipSync, unzlibSync } from 'fflate';
import { describe, expect, test, vi } from 'vitest';
import { evenDelays, frameTimes, type PixelOptions } from '../../take/index.ts';
import { loopLength, type Scene } from '../../scene/index.ts';
import { plainPixels } from '../../testing/painter.ts';
import { LINE, riderOn, sceneOf, WRITER_SCENES } from '../../testing/scenes.ts';
import {
  bytesOf,
  formatById,
  lostIn,
  memorySink,
  NoPainterError,
  QUIET_RUN,
  send,
  sheetShape,
  textOf,
} from '../index.ts';

const scene: Scene = {
  ...WRITER_SCENES['eased']!,
  canvas: { width: 200, height: 150, background: '#ffffff' },
  clock: { ...WRITER_SCENES['eased']!.clock, fps: 12, times: 3 },
};

async function filesOf(
  id: string,
  options: object = {},
  of: Scene = scene,
): Promise<readonly { name: string; bytes: Uint8Array }[]> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(of, format, format.options.parse(options), sink, QUIET_RUN, plainPixels);
  return files.map((file) => ({ name: file.name, bytes: bytesOf(file) }));
}

describe('frames of a loop', () => {
  test('none is repeated at its end; another rate, or a stretch of it', () => {
    const options = { scale: 1, fps: 0, background: true, from: 0, to: 0 };
    const two = sceneOf({ clock: { duration: 2, fps: 8, repeat: 'loop' } });
    expect(frameTimes(two, { ...options, fps: 4 }).times).toEqual([0, 0.25, 0.5, 0.75, 1, 1.25, 1.5, 1.75]);
    expect(frameTimes(two, options).times).toHaveLength(16);
    expect(frameTimes(two, { ...options, fps: 2, from: 0.5, to: 1.5 }).times).toEqual([0.5, 1]);
    expect(frameTimes(two, { ...options, from: 9 }).times).toEqual([2]);
    // Nothing enters: there is nothing before the loop.
    expect(frameTimes(two, { ...options, from: -1 }).times[0]).toBe(0);
    const entering = sceneOf({
      clock: two.clock,
      riders: [{ ...riderOn('r', 'line', []), guide: null, at: [9, 9], entrance: { seconds: 0.5 } }],
    });
    expect(frameTimes(entering, { ...options, from: -3 }).times).toHaveLength(20);
    expect(frameTimes(entering, { ...options, from: -3 }).times[0]).toBe(-0.5);
    expect(frameTimes(entering, { ...options, from: -0.25, to: 0.25 }).times).toEqual([-0.25, -0.125, 0, 0.125]);
    const gif = formatById('gif')!;
    expect(lostIn(entering, gif, { from: 0 })).toEqual(['How “r” enters: the loop begins at once.']);
    expect(lostIn(entering, gif, { from: -0.5 })).toEqual([]);
  });
  test('what plays once ends with its last moment, in pixels, on sheets and in data', async () => {
    const options = { scale: 1, fps: 0, background: true, from: 0, to: 0 };
    const clock = { duration: 1.2, fps: 30, repeat: 'once' } as const;
    const once = sceneOf({
      clock,
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 1.2, place: { by: 'node', node: 'c' } },
        ]),
      ],
    });
    const { times, lasts } = frameTimes(once, options);
    expect(times).toHaveLength(37);
    expect(times.at(-1)).toBe(1.2);
    expect(lasts).toBeCloseTo(1 / 30, 12);
    expect(frameTimes(once, { ...options, fps: 5, to: 0.6 }).times).toEqual(
      [0, 0.2, 0.4, 0.6].map((time): unknown => expect.closeTo(time, 9)),
    );
    const written = async (id: string): Promise<string> => {
      const format = formatById(id)!;
      const { sink, files } = memorySink();
      await send(once, format, format.options.parse({}), sink, QUIET_RUN, plainPixels);
      return textOf(files.find(({ name }) => /\.(json|csv)$/.test(name))!);
    };
    const frames = JSON.parse(await written('frames-json')) as {
      frames: { time: number; riders: Record<string, { x: number }> }[];
    };
    expect(frames.frames).toHaveLength(37);
    expect(frames.frames.at(-1)!.time).toBe(1.2);
    expect((await written('frames-csv')).trimEnd().split('\n').at(-1)).toMatch(/^1\.2\d*,r,500\./);
    expect((await written('exposure-csv')).trimEnd().split('\n').at(-1)).toMatch(/1\.2/);
    const sheet = JSON.parse(await written('sprite-sheet')) as { frames: unknown[]; duration: number; length: number };
    expect(sheet.frames).toHaveLength(37);
    expect(sheet.duration).toBeCloseTo(1 / 30, 6);
  });
  test('delays that a format cannot hold are spread evenly and add up to the loop', () => {
    const delays = evenDelays(90, 3, 100);
    expect(new Set(delays)).toEqual(new Set([3, 4]));
    expect(delays.reduce((sum, one) => sum + one)).toBe(300);
    expect(evenDelays(50, 1, 100).every((one) => one === 2)).toBe(true);
  });
});

test('an animated PNG: counted, each frame’s data after its head, and every check sum right', async () => {
  const [file] = await filesOf('apng');
  const view = new DataView(file!.bytes.buffer, file!.bytes.byteOffset);
  const kinds: string[] = [];
  let sequence = 0;
  let lasts = 0;
  for (let at = 8; at < file!.bytes.length;) {
    const size = view.getUint32(at);
    const kind = Buffer.from(file!.bytes.subarray(at + 4, at + 8)).toString();
    const data = file!.bytes.subarray(at + 8, at + 8 + size);
    kinds.push(kind);
    if (kind === 'acTL') expect([view.getUint32(at + 8), view.getUint32(at + 12)]).toEqual([48, 3]);
    if (kind === 'fcTL' || kind === 'fdAT') expect(view.getUint32(at + 8)).toBe(sequence++);
    if (kind === 'fcTL') lasts += view.getUint16(at + 8 + 20) / view.getUint16(at + 8 + 22);
    if (kind === 'fdAT') expect(inflateSync(data.subarray(4)).length).toBeGreaterThan(0);
    at += 12 + size;
  }
  expect(kinds.slice(0, 4)).toEqual(['IHDR', 'acTL', 'fcTL', 'IDAT']);
  expect(kinds.filter((kind) => kind === 'fcTL')).toHaveLength(48);
  expect(kinds.at(-1)).toBe('IEND');
  expect(lasts).toBeCloseTo(4, 9);
});

test('an animated PNG is the same bytes, whichever of its frames is packed first', async () => {
  const [width, height] = [48, 48];
  // The first frame is smaller with rows told by their neighbours, the second without: what comes after takes over what the second found.
  const frameOf = (frame: number): Uint8ClampedArray => {
    let seed = 7;
    const rgba = new Uint8ClampedArray(4 * width * height).fill(255);
    for (let i = 0; i < width * height; i++) {
      seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31;
      const value =
        frame === 1 ? (seed & (2 ** 20) ? 250 : 5) : ((i % width) * 3 + Math.floor(i / width) * 2 + frame) % 256;
      rgba.set([value, value, value], 4 * i);
    }
    return rgba;
  };
  const Real = globalThis.CompressionStream;
  /** Packs as the platform does, what the second frame is tried by so many ms later. */
  const late = (ms: number) => {
    let made = 0;
    return class {
      readonly writable;
      readonly readable;
      constructor(format: CompressionFormat) {
        const { writable, readable } = new Real(format);
        const reader = readable.getReader();
        const wait = [2, 3].includes(made++) ? ms : 0;
        const read = async () => {
          await new Promise((resolve) => setTimeout(resolve, wait));
          return reader.read();
        };
        this.writable = writable;
        this.readable = { getReader: () => ({ read }) };
      }
    };
  };
  const format = formatById('apng')!;
  const texts: string[] = [];
  // Once the third frame is painted when the second is packed already, once before that.
  for (const [ms, painting] of [
    [0, 80],
    [80, 0],
  ] as const) {
    vi.stubGlobal('CompressionStream', late(ms));
    const { sink, files } = memorySink();
    const painter = async (scene: Scene, how: PixelOptions) => ({
      ...(await plainPixels(scene, how)),
      ...{
        width,
        height,
        count: 4,
        length: 1,
        rgba: async (frame: number) => {
          if (frame === 2) await new Promise((resolve) => setTimeout(resolve, painting));
          return frameOf(frame);
        },
      },
    });
    await send(WRITER_SCENES['eased']!, format, format.options.parse({}), sink, QUIET_RUN, painter);
    texts.push(Buffer.from(bytesOf(files[0]!)).toString('base64'));
  }
  vi.unstubAllGlobals();
  expect(texts[1]).toBe(texts[0]);
});

test('a GIF: its loop is counted after the first showing, its frames and their time add up', async () => {
  const [file] = await filesOf('gif');
  const text = Buffer.from(file!.bytes).toString('latin1');
  expect(text.startsWith('GIF89a')).toBe(true);
  const loop = text.indexOf('NETSCAPE2.0') + 11;
  expect(file!.bytes[loop + 2]! + 256 * file!.bytes[loop + 3]!).toBe(2);
  const controls = [...text.matchAll(/\x21\xf9\x04([\s\S])([\s\S])([\s\S])[\s\S]\x00/g)];
  expect(controls).toHaveLength(48);
  expect(controls.reduce((sum, [, , low, high]) => sum + low!.charCodeAt(0) + 256 * high!.charCodeAt(0), 0)).toBe(400);
  const format = formatById('gif')!;
  const saidOf = (fps: number, given = 0): readonly string[] =>
    format.notes!({ ...scene, clock: { ...scene.clock, fps } }, format.options.parse({ fps: given }));
  expect(saidOf(12)[0]).toContain('8 or 9');
  expect(saidOf(25)).toEqual([]);
  expect(saidOf(60)).toEqual([
    'A GIF shows at most 50 frames a second: 50 instead of 60. The loop lasts as long as on the Desk.',
  ]);
  expect(saidOf(60, 30)[0]).toContain('3 or 4');
});

test.each([60, 24, 50, 120])(
  'no frame of a GIF of %i frames a second is shorter than players show, and the loop is as long',
  async (fps) => {
    for (const duration of [1, 0.99, 1.333, 0.05, 0.01]) {
      const short = { ...scene, clock: { ...scene.clock, duration, fps } };
      const [file] = await filesOf('gif', {}, short);
      const text = Buffer.from(file!.bytes).toString('latin1');
      const delays = [...text.matchAll(/\x21\xf9\x04[\s\S]([\s\S])([\s\S])[\s\S]\x00/g)].map(
        ([, low, high]) => low!.charCodeAt(0) + 256 * high!.charCodeAt(0),
      );
      if (duration > 0.02) expect(Math.min(...delays), `${duration} s`).toBeGreaterThanOrEqual(2);
      expect(
        delays.reduce((sum, one) => sum + one, 0),
        `${duration} s`,
      ).toBe(Math.round(loopLength(short.clock) * 100));
    }
  },
);

test('a PNG sequence is numbered, in an archive that is the same each time', async () => {
  const [file] = await filesOf('png-sequence', { fps: 3 });
  const names = Object.keys(unzipSync(file!.bytes));
  expect(names).toHaveLength(12);
  expect(names[11]).toMatch(/-0011\.png$/);
  expect((await filesOf('png-sequence', { fps: 3 }))[0]!.bytes).toEqual(file!.bytes);
});

test('a sprite sheet: frames apart, none over another, in sides that are powers of two where that is asked', async () => {
  const [image, list] = await filesOf('sprite-sheet', { fps: 2, padding: 3, powers: true });
  const told = sheetShape.parse(JSON.parse(new TextDecoder().decode(list!.bytes)));
  expect(told.image).toBe(image!.name);
  expect([Math.log2(told.width) % 1, Math.log2(told.height) % 1]).toEqual([0, 0]);
  expect(told.frames).toHaveLength(8);
  told.frames.forEach((a, i) => {
    expect(a.x + a.width).toBeLessThanOrEqual(told.width);
    expect(a.y + a.height).toBeLessThanOrEqual(told.height);
    for (const b of told.frames.slice(i + 1))
      expect(Math.abs(a.x - b.x) >= 203 || Math.abs(a.y - b.y) >= 153).toBe(true);
  });
  const format = formatById('sprite-sheet')!;
  const saidOf = (given: object): readonly string[] => format.notes!(scene, format.options.parse(given));
  expect(saidOf({ fps: 2 })).toEqual([]);
  expect(saidOf({ columns: 24, side: 16_384 })[0]).toMatch(
    /^The sheet comes out 4846 by 302 px: many devices take at most 4096/,
  );
});

/** A PNG of eight bits a channel with no filters, as the plain painter makes it: its sides, and a pixel. */
function pictureIn(bytes: Uint8Array): { width: number; height: number; at: (x: number, y: number) => string } {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const [width, height] = [view.getUint32(16), view.getUint32(20)];
  for (let at = 8; ; at += 12 + view.getUint32(at)) {
    if (Buffer.from(bytes.subarray(at + 4, at + 8)).toString() !== 'IDAT') continue;
    const rows = unzlibSync(bytes.subarray(at + 8, at + 8 + view.getUint32(at)));
    const pixel = (x: number, y: number): Uint8Array => {
      const place = y * (1 + 4 * width) + 1 + 4 * x;
      return rows.subarray(place, place + 4);
    };
    return { width, height, at: (x, y) => [...pixel(x, y)].join() };
  }
}

test('what is more than a side holds goes on further sheets, as evenly as it can, and the list says on which', async () => {
  const options = { fps: 6, side: 640, padding: 2 };
  const files = await filesOf('sprite-sheet', options);
  const told = sheetShape.parse(JSON.parse(new TextDecoder().decode(files.at(-1)!.bytes)));
  // 24 frames of 200 × 150: three in a row, four rows at most.
  const all = [{ image: told.image, width: told.width, height: told.height }, ...told.more!];
  expect(all).toHaveLength(2);
  expect(all.map(({ image }) => image)).toEqual(files.slice(0, -1).map(({ name }) => name));
  expect(told.frames).toHaveLength(24);
  expect(told.frames.filter(({ sheet }) => sheet === undefined)).toHaveLength(12);
  const pictures = files.slice(0, -1).map(({ bytes }) => pictureIn(bytes));
  pictures.forEach(({ width, height }, i) => {
    expect([width, height]).toEqual([all[i]!.width, all[i]!.height]);
    expect(Math.max(width, height)).toBeLessThanOrEqual(640);
  });
  // Each frame is where it is said to be: as it is by itself.
  const painted = await plainPixels(scene, { scale: 1, fps: 6, background: true, from: 0, to: 0 });
  for (const [i, { x, y, sheet = 0 }] of told.frames.entries()) {
    const rgba = await painted.rgba(i);
    for (let k = 0; k < 200 * 150; k += 37) {
      const [u, v] = [k % 200, Math.floor(k / 200)];
      expect(pictures[sheet]!.at(x + u, y + v)).toBe([...rgba.subarray(4 * k, 4 * k + 4)].join());
    }
  }
  const format = formatById('sprite-sheet')!;
  const saidOf = (given: object): readonly string[] => format.notes!(scene, format.options.parse(given));
  expect(saidOf(options)[0]).toMatch(/^The frames come out on 2 sheets of up to 604 by 606 px/);
  expect(saidOf({ side: 640, powers: true, fps: 6 })[0]).toContain('512 by');
  await expect(filesOf('sprite-sheet', { side: 128 })).rejects.toThrow('a frame is 200 by 150 px');
  expect(saidOf({ side: 128 })[0]).toContain('no side of a sheet may be longer than 128');
});

test('where nobody can paint it is said', async () => {
  const format = formatById('gif')!;
  await expect(send(scene, format, format.options.parse({}), memorySink().sink, QUIET_RUN)).rejects.toBeInstanceOf(
    NoPainterError,
  );
});
