import { BufferTarget, CanvasSource, Output, WebMOutputFormat } from 'mediabunny';

interface FilmOptions {
  readonly canvas: OffscreenCanvas;
  readonly count: number;
  /** s. */
  readonly length: number;
  /** Bits a second. */
  readonly rate: number;
  readonly isClear: boolean;
  readonly onProgress: (share: number) => void;
}

/** Frames of a film between two that stand by themselves: it can be begun at each of these. */
const KEYED = 60;

/** A film of so many frames, each painted as it is needed: VP9 in WebM. */
export async function filmOf(
  { canvas, count, length, rate, isClear, onProgress }: FilmOptions,
  painted: (frame: number) => OffscreenCanvas,
): Promise<Uint8Array> {
  const target = new BufferTarget();
  const output = new Output({ format: new WebMOutputFormat(), target });
  const source = new CanvasSource(canvas, {
    codec: 'vp9',
    bitrate: rate,
    keyFrameInterval: (KEYED * length) / count,
    alpha: isClear ? 'keep' : 'discard',
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
