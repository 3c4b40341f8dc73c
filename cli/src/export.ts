import { closeSync, mkdirSync, openSync, statSync, writeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { formatById, FORMATS, QUIET_RUN, readOptions, send, type Format, type Scene, type Sink } from '@pace-line/core';
import { UsageError } from './errors.ts';
import { givenOptions } from './options.ts';

/** Writes a scene in a format: one file to `out`, or into `out` where that is a folder or there are several. Streams as the format writes. Gives the paths written. */
export async function exportScene(
  scene: Scene,
  to: string | undefined,
  out: string | undefined,
  settings: readonly string[],
): Promise<string[]> {
  const known = FORMATS.map((format) => format.id).join(', ');
  if (!to) throw new UsageError(`--to FORMAT is needed: ${known}`);
  const format = formatById(to);
  if (!format) throw new UsageError(`there is no format "${to}"; there is: ${known}`);
  if (!out) throw new UsageError('--out PATH is needed');
  const paths: string[] = [];
  await send(scene, format, optionsOf(format, settings), fileSink(out, paths, format.several === true), QUIET_RUN);
  return paths;
}

/** Formats that are written where there is no canvas. */
const WITHOUT_CANVAS = FORMATS.filter(({ needs }) => needs !== 'pixels');

/**
 * Writes a scene in every format of text and data, each into a folder of its own within `out`; gives the paths written. A setting is of one format
 * (`lottie.background=false`), or of all that have an option of that name.
 */
export async function exportAll(scene: Scene, out: string | undefined, settings: readonly string[]): Promise<string[]> {
  if (!out) throw new UsageError('--out FOLDER is needed');
  const chosen = settings.map((setting) => scopeOf(setting));
  const paths: string[] = [];
  // What is wrong with a setting is said before anything is written.
  const ready = WITHOUT_CANVAS.map((format) => ({
    format,
    options: optionsOf(
      format,
      chosen.flatMap(({ to, text, name }) =>
        to === format.id || (to === undefined && name in format.options.shape) ? [text] : [],
      ),
    ),
  }));
  for (const { format, options } of ready)
    await send(scene, format, options, fileSink(join(out, format.id), paths, true), QUIET_RUN);
  return paths;
}

/** Which format a setting of `--all` is for, and what it says there. */
function scopeOf(setting: string): { readonly to: string | undefined; readonly name: string; readonly text: string } {
  const [, to, text = setting] = /^([a-z-]+)\.(.*)$/s.exec(setting) ?? [];
  const name = text.split('=')[0] ?? '';
  const known = WITHOUT_CANVAS.filter((format) => to === undefined || format.id === to);
  if (known.length === 0) throw new UsageError(`--set ${setting}: there is no format "${to}" without a canvas`);
  if (!known.some((format) => name in format.options.shape))
    throw new UsageError(`--set ${setting}: ${to ?? 'no format'} has ${to ? 'no' : 'an'} option "${name}"`);
  return { to, name, text };
}

function optionsOf(format: Format, settings: readonly string[]): Record<string, unknown> {
  const read = readOptions(format, givenOptions(format, settings));
  if (!read.ok) throw new UsageError(`--set ${read.message}`);
  return read.options;
}

/** Files of the disk: one goes to `out` itself, unless that is a folder; several that name each other always go into a folder. */
function fileSink(out: string, paths: string[], areSeveral: boolean): Sink {
  const folder = areSeveral || isFolder(out) ? out : undefined;
  return {
    open(name) {
      const path = folder ? join(folder, name) : paths.length === 0 ? out : join(dirname(out), name);
      const file = attempt(path, () => {
        mkdirSync(dirname(path), { recursive: true });
        return openSync(path, 'w');
      });
      paths.push(path);
      return {
        write: (chunk) =>
          attempt(path, () => void (typeof chunk === 'string' ? writeSync(file, chunk) : writeSync(file, chunk))),
        close: () => closeSync(file),
      };
    },
  };
}

function attempt<T>(path: string, act: () => T): T {
  try {
    return act();
  } catch (error) {
    throw new UsageError(`${path}: cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`);
  }
}

function isFolder(path: string): boolean {
  try {
    return statSync(path).isDirectory();
  } catch {
    return false;
  }
}
