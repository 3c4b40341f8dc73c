import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { openScene } from './desk.ts';
import { redScene, sent, wanted, worst } from './red-rider.ts';

// Files of pixels as decoders have them that share nothing with the browser's: ffmpeg, and libwebp's own tools for animated WebP, which ffmpeg does not read.

const has = (program: string): boolean => spawnSync(program, ['-version'], { stdio: 'ignore' }).error === undefined;

/** What a program writes; throws where it fails. */
function ran(program: string, args: readonly string[]): Buffer {
  const done = spawnSync(program, args, { maxBuffer: 2 ** 30 });
  if (done.status !== 0) throw new Error(`${program}: ${done.stderr.toString()}`);
  return done.stdout;
}

const [WIDTH, HEIGHT] = [400, 300];
const FRAME = WIDTH * HEIGHT * 4;

/** The middle of what is red in a picture of straight RGBA, px. */
function redMiddle(rgba: Uint8Array): readonly [number, number] {
  let [x, y, count] = [0, 0, 0];
  for (let k = 0; k < rgba.length; k += 4)
    if (rgba[k]! > 150 && rgba[k + 1]! < 110 && rgba[k + 2]! < 110 && rgba[k + 3]! > 127) {
      x += (k / 4) % WIDTH;
      y += Math.floor(k / 4 / WIDTH);
      count++;
    }
  return [x / count + 0.5, y / count + 0.5];
}

let folder: string;
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'pace-line-'));
});
test.afterEach(() => rmSync(folder, { recursive: true }));

interface Probed {
  readonly streams: readonly { readonly width: number; readonly height: number; readonly codec_name: string }[];
  readonly frames: readonly { readonly pts_time: string }[];
}

for (const [name, codec, within] of [
  ['GIF', 'gif', 0.6],
  ['Animated PNG', 'apng', 0.5],
  ['WebM film', 'vp9', 1],
] as const)
  test(`${name}: ffmpeg finds every frame at its time, and the rider in its place`, async ({ page }) => {
    test.skip(!has('ffmpeg'), 'needs ffmpeg');
    test.setTimeout(120_000);
    await openScene(page, redScene);
    await page.getByRole('link', { name: 'Send' }).click();
    const path = join(folder, 'sent');
    writeFileSync(path, await sent(page, name));
    const probed = JSON.parse(
      ran('ffprobe', ['-v', 'error', '-show_streams', '-show_frames', '-of', 'json', path]).toString(),
    ) as Probed;
    expect(probed.streams).toHaveLength(1);
    expect(probed.streams[0]).toMatchObject({ width: WIDTH, height: HEIGHT, codec_name: codec });
    expect(probed.frames).toHaveLength(30);
    // No time is lost to rounding: GIF holds hundredths of a second.
    probed.frames.forEach(({ pts_time: time }, i) => expect(Math.abs(Number(time) - i / 15)).toBeLessThan(0.0101));
    const rgba = ran('ffmpeg', ['-v', 'error', '-i', path, '-vsync', '0', '-f', 'rawvideo', '-pix_fmt', 'rgba', '-']);
    expect(rgba.length).toBe(30 * FRAME);
    const places = Array.from({ length: 30 }, (_, i) => redMiddle(rgba.subarray(i * FRAME, (i + 1) * FRAME)));
    expect(worst(places, wanted(redScene, 30))).toBeLessThan(within);
    expect(worst(places, wanted(redScene, 30).slice(3).concat(wanted(redScene, 3)))).toBeGreaterThan(5);
  });

/** A part of an animated WebP, as webpmux lists it. */
interface Part {
  readonly size: readonly [number, number];
  readonly at: readonly [number, number];
  readonly ms: number;
  readonly clears: boolean;
  readonly blends: boolean;
}

function partsOf(path: string): { readonly parts: readonly Part[]; readonly info: string } {
  const info = ran('webpmux', ['-info', path]).toString();
  const parts = [...info.matchAll(/^\s*\d+:\s+(\d+)\s+(\d+)\s+\w+\s+(\d+)\s+(\d+)\s+(\d+)\s+(\w+)\s+(\w+)/gm)].map(
    ([, w, h, x, y, ms, dispose, blend]): Part => ({
      size: [Number(w), Number(h)],
      at: [Number(x), Number(y)],
      ms: Number(ms),
      clears: dispose === 'background',
      blends: blend === 'yes',
    }),
  );
  return { parts, info };
}

/** Straight RGBA of a binary PAM file of four channels. */
const pixelsOf = (pam: Buffer): Buffer => pam.subarray(pam.indexOf('ENDHDR\n') + 7);

test('Animated WebP: libwebp finds every frame, its time, its repeats, and the rider in its place', async ({
  page,
}) => {
  test.skip(!has('webpmux'), 'needs libwebp’s tools');
  test.setTimeout(120_000);
  await openScene(page, redScene);
  await page.getByRole('link', { name: 'Send' }).click();
  const path = join(folder, 'sent.webp');
  writeFileSync(path, await sent(page, 'Animated WebP'));
  const { parts, info } = partsOf(path);
  expect(info).toContain('Canvas size: 400 x 300');
  expect(info).toMatch(/Loop Count : 2\b/);
  expect(parts).toHaveLength(30);
  expect(parts.reduce((sum, { ms }) => sum + ms, 0)).toBe(2000);
  const canvas = new Uint8Array(FRAME);
  const places = parts.map(({ size: [w, h], at: [x, y], clears, blends }, i) => {
    const one = join(folder, 'one.webp');
    ran('webpmux', ['-get', 'frame', String(i + 1), path, '-o', one]);
    ran('dwebp', ['-quiet', '-pam', one, '-o', `${one}.pam`]);
    const rgba = pixelsOf(readFileSync(`${one}.pam`));
    expect(rgba.length).toBe(w * h * 4);
    for (let row = 0; row < h; row++)
      for (let column = 0; column < w; column++) {
        const from = 4 * (row * w + column);
        // What is half clear does not come here: the canvas is painted.
        if (!blends || rgba[from + 3]! > 127)
          canvas.set(rgba.subarray(from, from + 4), 4 * ((y + row) * WIDTH + x + column));
      }
    const place = redMiddle(canvas);
    if (clears)
      for (let row = 0; row < h; row++) canvas.fill(0, 4 * ((y + row) * WIDTH + x), 4 * ((y + row) * WIDTH + x + w));
    return place;
  });
  expect(worst(places, wanted(redScene, 30))).toBeLessThan(0.8);
});
