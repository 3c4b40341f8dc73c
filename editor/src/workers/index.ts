import { proxy, wrap, type Remote } from 'comlink';
import type { ArtResult, PartsResult } from '@pace-line/core/art-import';
import type { Scene } from '@pace-line/core';
import type { ArtApi } from './art.worker.ts';
import type { BakingApi, Output } from './baking.worker.ts';

export type { Output } from './baking.worker.ts';

/** A running job: its result, and a way to stop it at once. */
export interface Job<T> {
  readonly result: Promise<T>;
  cancel: () => void;
}

/** Bakes and writes a scene off the main thread. Cancelling ends the worker. */
export function writeOutput(
  scene: Scene,
  format: string,
  options: unknown,
  onProgress: (share: number) => void,
): Job<Output> {
  const worker = new Worker(new URL('./baking.worker.ts', import.meta.url), { type: 'module' });
  const api = wrap<BakingApi>(worker);
  const result = api.write(scene, format, options, proxy(onProgress)).finally(() => worker.terminate());
  return { result, cancel: () => worker.terminate() };
}

/** Reads an SVG file's text into art off the main thread; gives up after `limit` ms with a message. */
export const readArtFile = (text: string, limit?: number): Promise<ArtResult> =>
  withArtWorker<ArtResult>((api) => api.readSvgArt(text), limit);

/** Reads an SVG file's text and takes it apart, in the same way. */
export const readPartsOf = (text: string, limit?: number): Promise<PartsResult> =>
  withArtWorker<PartsResult>((api) => api.readSvgParts(text), limit);

async function withArtWorker<T extends ArtResult | PartsResult>(
  ask: (api: Remote<ArtApi>) => Promise<T>,
  limit = 20_000,
): Promise<T | Late> {
  const worker = new Worker(new URL('./art.worker.ts', import.meta.url), { type: 'module' });
  const late = new Promise<Late>((resolve) =>
    setTimeout(() => resolve({ ok: false, message: 'it takes too long to read' }), limit),
  );
  try {
    return await Promise.race([ask(wrap<ArtApi>(worker)), late]);
  } finally {
    worker.terminate();
  }
}

interface Late {
  readonly ok: false;
  readonly message: string;
}
