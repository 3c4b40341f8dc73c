import { bake, framesOf, sheetsOf, type PixelOptions, type Pixels, type Take } from '../take/index.ts';
import type { Scene } from '../scene/index.ts';
import { carryingSink } from './carry.ts';
import { scaleOf } from './delivered.ts';
import type { Format, Sources } from './format.ts';
import { stopIfAborted, type Run } from './run.ts';
import type { Sink } from './sink.ts';

/** Options read from what a person gave: filled with their defaults, or what is wrong with them. */
export type OptionsReading =
  { readonly ok: true; readonly options: Record<string, unknown> } | { readonly ok: false; readonly message: string };

/** The options of a format from what somebody gave: what is not said is as its default says; what is not known, or does not fit, is refused by name. */
export function readOptions(format: Format, given: Readonly<Record<string, unknown>>): OptionsReading {
  const unknown = Object.keys(given).find((key) => !(key in format.options.shape));
  if (unknown !== undefined)
    return {
      ok: false,
      message: `${format.id} has no option "${unknown}"; it has: ${Object.keys(format.options.shape).join(', ')}`,
    };
  const read = format.options.safeParse(given);
  if (read.success) return { ok: true, options: read.data };
  const issue = read.error.issues[0];
  return { ok: false, message: issue ? `${issue.path.join('.')}: ${issue.message}` : 'the options do not fit' };
}

/** Thrown where pixels are asked for and nobody can paint. */
export class NoPainterError extends Error {
  constructor(format: string) {
    super(`"${format}" is made of pixels, and there is no canvas here to paint them: send it from the application`);
    this.name = 'NoPainterError';
  }
}

/** Share of the progress that making the source is. */
const SOURCE_SHARE = 0.9;

/** Paints a scene: given by whoever has a canvas. */
export type Painter = (scene: Scene, options: PixelOptions) => Promise<Pixels>;

/**
 * Writes a scene in a format to a sink; gives the take where there was one, so that what was written can be measured.
 *
 * @example
 * ```ts
 * import { readFileSync } from 'node:fs';
 * import { readScene, formatById, memorySink, QUIET_RUN, send, textOf } from '@pace-line/core';
 *
 * const read = readScene(readFileSync('samples/scenes/two-ferries.paceline.json', 'utf8'));
 * if (!read.ok) throw new Error(read.problems[0]?.message);
 * const format = formatById('animated-svg')!;
 * const { sink, files } = memorySink();
 * await send(read.scene, format, format.options.parse({ background: false }), sink, QUIET_RUN);
 * console.log(files[0]!.name); // two-ferries-one-loop.svg
 * console.log(textOf(files[0]!).slice(0, 4)); // <svg
 * ```
 */
export async function send(
  scene: Scene,
  format: Format,
  options: Record<string, unknown>,
  sink: Sink,
  run: Run,
  painter?: Painter,
): Promise<Take | undefined> {
  const onProgress = (share: number): void => {
    stopIfAborted(run);
    run.progress(share * SOURCE_SHARE);
  };
  const sources: { readonly [N in keyof Sources]: () => Sources[N] | Promise<Sources[N]> } = {
    take: () =>
      bake(scene, {
        onProgress,
        scale: scaleOf(options),
        ways: format.ways === true,
        joint: format.joint?.(scene, options) === true,
        leadIn: format.holds.includes('lead-in'),
      }),
    frames: () => framesOf(scene, { onProgress }),
    sheets: () => {
      onProgress(1);
      return sheetsOf(scene);
    },
    scene: () => {
      onProgress(1);
      return scene;
    },
    pixels: () => {
      if (!painter) throw new NoPainterError(format.id);
      onProgress(0);
      return painter(scene, { ...(options as unknown as PixelOptions), most: format.fastest });
    },
  };
  const source = await sources[format.needs]();
  await format.write(source, options, carryingSink(sink, scene, options), run);
  run.progress(1);
  return format.needs === 'take' ? (source as Take) : undefined;
}
