import {
  formatById,
  keysOf,
  measureTake,
  QUIET_RUN,
  send,
  type PixelOptions,
  type Scene,
  type Offers,
  type Told,
  type Sink,
  type TakeError,
} from '@pace-line/core';
import { findingsOf, offersFor, sharing } from '@pace-line/core/findings';
import type { Pictures } from './pixels/pictures.ts';
import { pixelsOf } from './pixels/source.ts';
import type { JobReports } from './protocol.ts';
import { serveJobs } from './serve.ts';

/** A piece of a file: the first of each opens it. */
export interface FileChunk {
  readonly name: string;
  readonly type: string;
  /** Bytes as a blob: what is handed over is its name, not its content. */
  readonly chunk: string | Blob;
}

export interface SendInput {
  /** Without pixels, unless the format needs them. */
  readonly scene: Scene;
  readonly format: string;
  readonly options: Readonly<Record<string, unknown>>;
  /** Whether it is asked how far the keys are from the motion: as much work again. */
  readonly isMeasured: boolean;
  /** The art, painted, for formats of pixels. */
  readonly pictures?: Pictures;
}

export interface SendResult {
  /** How far the output's own keys are from the editor's motion, delivered px; null for what has no keys, or where it is not asked. */
  readonly error: TakeError | null;
  readonly keys: number;
}

/** The scene that was checked last: what has not changed since is not looked at again. */
let checked: Scene | undefined;

const handlers = {
  /** What the checks find. */
  checks(scene: Scene): readonly Told[] {
    checked = sharing(checked, scene);
    return findingsOf(checked);
  },
  /** What a check finds of the same riders in another scene: null where it holds. */
  again({ scene, finding }: { readonly scene: Scene; readonly finding: Told }): Told | null {
    checked = sharing(checked, scene);
    const riders = finding.riders.join();
    return findingsOf(checked, [finding.check]).find((one) => !one.holds && one.riders.join() === riders) ?? null;
  },
  /** What would put a finding right. */
  offers({ scene, finding }: { readonly scene: Scene; readonly finding: Told }): Offers {
    checked = sharing(checked, scene);
    return offersFor(checked, finding);
  },
  async send(
    { scene, format: id, options, isMeasured, pictures }: SendInput,
    reports: JobReports<FileChunk>,
  ): Promise<SendResult> {
    const format = formatById(id);
    if (!format) throw new Error(`there is no format "${id}"`);
    const sink: Sink = {
      open: (name, type) => ({
        write: (chunk) =>
          reports.chunk({ name, type, chunk: typeof chunk === 'string' ? chunk : new Blob([chunk as BlobPart]) }),
        close: () => undefined,
      }),
    };
    const run = { ...QUIET_RUN, progress: reports.progress };
    const painter = pictures
      ? (of: Scene, how: PixelOptions) => Promise.resolve(pixelsOf(of, pictures, how))
      : undefined;
    const take = await send(scene, format, format.options.parse(options), sink, run, painter);
    if (!take) return { error: null, keys: 0 };
    const keys = keysOf(take);
    if (!isMeasured) return { error: null, keys };
    const error = measureTake(scene, take);
    return { error: { ...error, px: error.px * take.scale }, keys };
  },
};

export type SendHandlers = typeof handlers;
serveJobs(handlers);
