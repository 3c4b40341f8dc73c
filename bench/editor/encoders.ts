import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import type { Scene } from '@pace-line/core';
import { median, type Row } from '../measure.ts';
import { open, PORT } from './hands.ts';
import { largeRows } from './large.ts';
import { crowd } from './scenes.ts';

/** 800 × 600, 120 frames. */
function scene(): Scene {
  const whole = crowd(8);
  return {
    ...whole,
    name: 'Encoded',
    canvas: { ...whole.canvas, width: 800, height: 600 },
    clock: { ...whole.clock, duration: 8, fps: 15 },
  };
}

/** How often each is measured; the median counts. */
const TURNS = 5;

/** Presses a format and gives the ms until its file is there. In the page: what looks from outside looks ever more seldom, at last twice a second. */
function pressedUntilSaved(button: HTMLElement | SVGElement): Promise<number> {
  const isSaved = (): boolean =>
    [...document.querySelectorAll('button')].some(({ textContent }) => /^Save .*\./.test(textContent));
  return new Promise((resolve) => {
    const begun = performance.now();
    let isWriting = false;
    const observer = new MutationObserver(() => {
      if (!isSaved()) isWriting = true;
      else if (isWriting) {
        observer.disconnect();
        resolve(performance.now() - begun);
      }
    });
    observer.observe(document.body, { childList: true, subtree: true, characterData: true });
    if (button instanceof HTMLElement) button.click();
  });
}

/** ms from the press of a format until its file is there; and the file. */
async function sent(page: Page, name: string): Promise<{ readonly ms: number; readonly file: Buffer }> {
  const ms = await page.getByRole('button', { name, exact: true }).evaluate(pressedUntilSaved);
  const save = page.getByRole('button', { name: /^Save .*\./ });
  const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
  return { ms, file: readFileSync(await download.path()) };
}

interface Alone {
  /** Bytes of the browser's own PNGs of all frames. */
  readonly pngBytes: number;
  readonly gif: number;
  readonly apng: number;
  readonly webm: number;
}

/** The encoders alone, on frames that are ready in memory: ms for each. Runs in a worker, as ours do, from its own text. */
async function encodersAlone(data: string, code: string): Promise<Alone> {
  const bytes = Uint8Array.from(atob(data), (one) => one.charCodeAt(0));
  const decoder = new ImageDecoder({ data: bytes, type: 'image/png' });
  await decoder.tracks.ready;
  await decoder.completed;
  const count = decoder.tracks.selectedTrack!.frameCount;
  const frames: ImageData[] = [];
  let size = { width: 0, height: 0 };
  for (let i = 0; i < count; i++) {
    const { image } = await decoder.decode({ frameIndex: i });
    size = { width: image.displayWidth, height: image.displayHeight };
    const context = new OffscreenCanvas(size.width, size.height).getContext('2d')!;
    context.drawImage(image, 0, 0);
    frames.push(context.getImageData(0, 0, size.width, size.height));
    image.close();
  }
  const timed = async (run: () => Promise<void>): Promise<number> => {
    const begun = performance.now();
    await run();
    return performance.now() - begun;
  };
  interface Gifenc {
    readonly GIFEncoder: () => { writeFrame(...args: unknown[]): void; finish(): void };
    readonly quantize: (rgba: Uint8ClampedArray, colours: number) => unknown;
    readonly applyPalette: (rgba: Uint8ClampedArray, palette: unknown) => Uint8Array;
  }
  const library = (await import(
    URL.createObjectURL(new Blob([code], { type: 'text/javascript' }))
  )) as unknown as Gifenc;
  const gif = await timed(() => {
    const encoder = library.GIFEncoder();
    for (const { data: rgba } of frames) {
      const palette = library.quantize(rgba, 256);
      encoder.writeFrame(library.applyPalette(rgba, palette), size.width, size.height, { palette, delay: 60 });
    }
    encoder.finish();
    return Promise.resolve();
  });
  let pngBytes = 0;
  const apng = await timed(async () => {
    const canvas = new OffscreenCanvas(size.width, size.height);
    const context = canvas.getContext('2d')!;
    for (const frame of frames) {
      context.putImageData(frame, 0, 0);
      pngBytes += (await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer()).byteLength;
    }
  });
  const webm = await timed(async () => {
    const encoder = new VideoEncoder({ output: () => undefined, error: () => undefined });
    encoder.configure({ codec: 'vp09.00.31.08', ...size, bitrate: 4_000_000, framerate: 15 });
    for (const [i, frame] of frames.entries()) {
      const picture = new VideoFrame(await createImageBitmap(frame), { timestamp: (i * 1e6) / 15 });
      encoder.encode(picture, { keyFrame: i % 60 === 0 });
      picture.close();
      while (encoder.encodeQueueSize > 4) await new Promise((go) => setTimeout(go, 1));
    }
    await encoder.flush();
    encoder.close();
  });
  return { gif, apng, webm, pngBytes };
}

const alone = (page: Page, apng: Buffer, gifenc: string): Promise<Alone> =>
  page.evaluate(
    ({ data, code, text }) =>
      new Promise<Alone>((resolve, reject) => {
        const whole = `onmessage = async ({ data }) => postMessage(await (${text})(data.data, data.code));`;
        const worker = new Worker(URL.createObjectURL(new Blob([whole], { type: 'text/javascript' })));
        worker.onmessage = (event: MessageEvent<Alone>) => resolve(event.data);
        worker.onerror = (event) => reject(new Error(event.message));
        worker.postMessage({ data, code });
      }),
    { data: apng.toString('base64'), code: gifenc, text: encodersAlone.toString() },
  );

/** How long pixels take to be sent, beside the encoders alone. */
export async function encoderRows(): Promise<Row[]> {
  const server = spawn(process.execPath, ['server/dist/main.js'], { env: { ...process.env, PORT: String(PORT) } });
  await once(server.stdout, 'data');
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
  });
  try {
    const context = await browser.newContext({ bypassCSP: true, acceptDownloads: true });
    const page = await context.newPage();
    await open(page, scene());
    await page.getByRole('link', { name: 'Send' }).click();
    await page.getByRole('button', { name: /^Save .*\./ }).waitFor();
    // Measured once its code is compiled, as the encoder's is.
    await sent(page, 'Animated PNG');
    await sent(page, 'Animated WebP');
    const code = readFileSync('node_modules/gifenc/dist/gifenc.esm.js', 'utf8');
    const turns: { ours: Record<'gif' | 'apng' | 'webm', Awaited<ReturnType<typeof sent>>>; bare: Alone }[] = [];
    // In turns, as what else a machine does comes in bursts.
    for (let turn = 0; turn < TURNS; turn++) {
      const ours = {
        apng: await sent(page, 'Animated PNG'),
        gif: await sent(page, 'GIF'),
        webm: await sent(page, 'WebM film'),
      };
      turns.push({ ours, bare: await alone(page, ours.apng.file, code) });
    }
    await page.close();
    const rows = (
      [
        ['GIF', 'gif', 'its library alone, a palette for each frame'],
        ['animated PNG', 'apng', 'the browser’s encoder alone, every frame whole'],
        ['WebM film', 'webm', 'the browser’s encoder alone'],
      ] as const
    ).map(([what, key, beside]) => {
      const ms = median(turns.map(({ ours }) => ours[key].ms));
      const bare = median(turns.map((one) => one.bare[key]));
      const bytes = turns[0]?.ours[key].file.length ?? 0;
      const bareBytes = key === 'apng' ? (turns[0]?.bare.pngBytes ?? 0) : Infinity;
      const times = key === 'apng' ? 4 : 2;
      return {
        what: `800 × 600, 120 frames to ${what}, from the press to the file`,
        figure: `${(ms / 1000).toFixed(2)} s, ${(bytes / 1000).toFixed(0)} kB`,
        beside: `${beside}, on frames that are ready: ${(bare / 1000).toFixed(2)} s${key === 'apng' ? `, ${(bareBytes / 1000).toFixed(0)} kB` : ''}`,
        promise:
          key === 'apng' ? 'at most four times the encoder’s time, half its bytes' : 'at most twice the encoder’s time',
        kept: ms <= times * bare && bytes <= bareBytes / 2,
      };
    });
    return [...rows, ...(await largeRows(browser))];
  } finally {
    await browser.close();
    server.kill();
  }
}
