import { expose } from 'comlink';
import {
  bake,
  between,
  cornerGap,
  formatById,
  keyAt,
  artById,
  prepare,
  type OutputFile,
  type Scene,
  type Take,
} from '@pace-line/core';

/** A written output with how far it is from the editor's motion. */
export interface Output {
  readonly files: readonly OutputFile[];
  /** Bytes of all files. */
  readonly size: number;
  /** Largest displacement of the art box's corners, px, and at how many times it was looked at. */
  readonly error: number;
  readonly looks: number;
  readonly keys: number;
}

const LOOKS = 400;

/** The largest gap between a take and the evaluator, at times that share no step with baking. */
function measure(scene: Scene, { length, tracks }: Take): number {
  const motion = prepare(scene);
  let worst = 0;
  for (const { rider, keys } of tracks) {
    const art = artById(scene, scene.riders[rider]?.art ?? '');
    const first = keys[0];
    if (!art || !first) continue;
    const [px, py] = art.pivot;
    let at = 0;
    for (let i = 0; i < LOOKS; i++) {
      const time = ((i + 0.381966) / LOOKS) * length;
      while (at + 1 < keys.length && (keys[at + 1]?.time ?? 0) <= time) at++;
      const a = keys[at] ?? first;
      const b = keys[at + 1] ?? a;
      worst = Math.max(
        worst,
        cornerGap(between(a, b, time), keyAt(motion, rider, time, 1), [-px, -py, art.width - px, art.height - py]),
      );
    }
  }
  return worst;
}

const api = {
  /** Bakes and writes a scene in a format. `onProgress` is told a share from 0 to 1. */
  write(scene: Scene, formatId: string, options: unknown, onProgress: (share: number) => void): Output {
    const format = formatById(formatId);
    if (!format) throw new Error(`There is no format "${formatId}"`);
    const take = bake(scene, { onProgress });
    const files = format.write(take, format.options.parse(options));
    const encoder = new TextEncoder();
    return {
      files,
      size: files.reduce((sum, file) => sum + encoder.encode(file.text).length, 0),
      error: measure(scene, take),
      looks: LOOKS,
      keys: take.tracks.reduce((sum, track) => sum + track.keys.length, 0),
    };
  },
};

export type BakingApi = typeof api;
expose(api);
