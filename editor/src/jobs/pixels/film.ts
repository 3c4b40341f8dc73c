import type { FilmCoding } from '@pace-line/core';
import { BufferTarget, CanvasSource, Output, Quality, WebMOutputFormat } from 'mediabunny';

interface FilmOptions {
  readonly canvas: OffscreenCanvas;
  readonly count: number;
  /** s. */
  readonly length: number;
  readonly how: FilmCoding;
  readonly isClear: boolean;
  readonly onProgress: (share: number) => void;
}

/** Frames of a film between two that stand by themselves: it can be begun at each of these. */
const KEYED = 240;

/** The coarsest step of both codecs (WebCodecs registrations of VP9 and AV1: quantizers 0 to 63). */
const COARSEST = 63;

/** Bits a second where the browser's encoder knows no steps. */
const PLAIN_RATE = 4_000_000;

/** One quality for all frames, as many bits as that takes; or as many bits as are asked for. */
const qualityOf = ({ quality, rate }: FilmCoding): Quality =>
  new Quality(rate > 0 ? { bitrate: rate } : { quantizer: Math.round(COARSEST * (1 - quality)), bitrate: PLAIN_RATE });

/** A film of so many frames, each painted as it is needed, in WebM. */
export async function filmOf(
  { canvas, count, length, how, isClear, onProgress }: FilmOptions,
  painted: (frame: number) => OffscreenCanvas,
): Promise<Uint8Array> {
  const target = new BufferTarget();
  const output = new Output({ format: new WebMOutputFormat(), target });
  const source = new CanvasSource(canvas, {
    codec: how.codec,
    bitrate: qualityOf(how),
    keyFrameInterval: (KEYED * length) / count,
    alpha: isClear && how.codec === 'vp9' ? 'keep' : 'discard',
  });
  output.addVideoTrack(source, { frameRate: count / length });
  await output.start();
  for (let i = 0; i < count; i++) {
    painted(i);
    await source.add((i * length) / count, length / count);
    onProgress((i + 1) / count);
  }
  await output.finalize();
  if (!target.buffer) throw new Error('the film could not be put together');
  return new Uint8Array(target.buffer);
}
