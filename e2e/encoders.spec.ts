import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync, writeFileSync, mkdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { expect, test } from '@playwright/test';

// Pixels as we write them beside an encoder of another make, ffmpeg's, from the same frames: how large, and how like the frames.

const hasFfmpeg = spawnSync('ffmpeg', ['-version'], { stdio: 'ignore' }).error === undefined;
const FPS = 6;

function ran(program: string, args: readonly string[]): string {
  const done = spawnSync(program, args, { encoding: 'utf8', maxBuffer: 2 ** 28 });
  if (done.status !== 0) throw new Error(`${program} ${args.join(' ')}: ${done.stderr}`);
  return done.stderr;
}

let folder: string;
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'pace-line-'));
});
test.afterEach(() => rmSync(folder, { recursive: true }));

const exported = (sample: string, format: string, ...set: readonly string[]): string => {
  const out = join(folder, `${format}.${format === 'png-sequence' ? 'zip' : 'file'}`);
  const more = [`scale=0.5`, `fps=${FPS}`, ...set].flatMap((one) => ['--set', one]);
  ran(process.execPath, [
    'cli/bin/pace-line.js',
    'export',
    `samples/scenes/${sample}.paceline.json`,
    '--to',
    format,
    '--out',
    out,
    ...more,
  ]);
  return out;
};

/** The frames as files for ffmpeg, as its input. */
function framesOf(sample: string): readonly string[] {
  const frames = join(folder, 'frames');
  mkdirSync(frames);
  const all = Object.entries(unzipSync(readFileSync(exported(sample, 'png-sequence'))));
  all.sort(([a], [b]) => (a < b ? -1 : 1)).forEach(([, bytes], i) => writeFileSync(join(frames, `${i}.png`), bytes));
  return ['-framerate', String(FPS), '-i', join(frames, '%d.png')];
}

/** How like the frames a file is (structural similarity, 1: the same): frame by frame, in all three channels. */
function similarity(file: string, frames: readonly string[]): number {
  const counted = `format=rgb24,settb=AVTB,setpts=N/${FPS}/TB`;
  const told = ran('ffmpeg', [
    '-v',
    'info',
    '-i',
    file,
    ...frames,
    '-lavfi',
    `[0:v]${counted}[a];[1:v]${counted}[b];[a][b]ssim`,
    '-f',
    'null',
    '-',
  ]);
  return Number(/SSIM.*All:([\d.]+)/.exec(told)![1]);
}

for (const sample of ['kite', 'heron', 'two-ferries'])
  test(`${sample}: GIF and animated PNG are as good as those of another encoder, and no larger`, () => {
    test.skip(!hasFfmpeg, 'needs ffmpeg');
    test.setTimeout(180_000);
    const frames = framesOf(sample);
    const encoded = (name: string, ...args: readonly string[]): string => {
      const out = join(folder, name);
      ran('ffmpeg', ['-v', 'error', ...frames, ...args, out]);
      return out;
    };
    const sizeOf = (file: string): number => statSync(file).size;

    const apng = exported(sample, 'apng');
    expect(similarity(apng, frames)).toBe(1);
    expect(sizeOf(apng)).toBeLessThan(
      1.05 * sizeOf(encoded('other.apng', '-pix_fmt', 'rgb24', '-pred', 'mixed', '-plays', '0', '-f', 'apng')),
    );

    const whole = (dither: string): string =>
      `split[a][b];[a]palettegen=stats_mode=full[p];[b][p]paletteuse=dither=${dither}`;
    const gif = exported(sample, 'gif');
    const other = encoded('other.gif', '-vf', whole('none'));
    expect(similarity(gif, frames)).toBeGreaterThanOrEqual(similarity(other, frames));
    expect(sizeOf(gif)).toBeLessThan(1.1 * sizeOf(other));

    // Mixed by a pattern: beside one that is mixed by a pattern as well.
    const mixed = exported(sample, 'gif', 'dither=true');
    const otherMixed = encoded('other-mixed.gif', '-vf', whole('bayer:bayer_scale=2'));
    expect(similarity(mixed, frames)).toBeGreaterThanOrEqual(similarity(otherMixed, frames));
    expect(sizeOf(mixed)).toBeLessThan(1.1 * sizeOf(otherMixed));
  });
