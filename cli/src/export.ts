import { closeSync, mkdirSync, openSync, statSync, writeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import {
  foldersOf,
  formatById,
  FORMATS,
  QUIET_RUN,
  readOptions,
  readOutput,
  send,
  type Format,
  type Scene,
  type Sink,
} from '@pace-line/core';
import { UsageError } from './errors.ts';
import { givenOptions } from './options.ts';
import { paintInBrowser } from './pixels/paint.ts';

/** A format with all its options, and where its files go. */
interface Outgoing {
  readonly format: Format;
  readonly options: Record<string, unknown>;
  readonly sink: Sink;
}

const isPainted = ({ format }: Outgoing): boolean => format.needs === 'pixels';

/** Writes a scene in one format after another; pixels are painted by one browser for all. */
async function writeAll(scene: Scene, outgoing: readonly Outgoing[]): Promise<void> {
  for (const { format, options, sink } of outgoing.filter((one) => !isPainted(one)))
    await send(scene, format, options, sink, QUIET_RUN);
  const painted = outgoing.filter(isPainted);
  if (painted.length === 0) return;
  await paintInBrowser(scene, painted, (i, name, bytes) => {
    const file = painted[i]?.sink.open(name, painted[i].format.type);
    void file?.write(bytes);
    void file?.close();
  });
}

/** Writes a scene in a format: one file to `out`, or into `out` where that is a folder or there are several. Gives the paths written. */
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
  const sink = fileSink(out, paths, format.several === true);
  await writeAll(scene, [{ format, options: optionsOf(format, settings), sink }]);
  return paths;
}

/**
 * Writes a scene in every format, or every one but those of pixels, each into a folder of its own within `out`; gives the paths written. A setting is of one format
 * (`lottie.background=false`), or of all that have an option of that name.
 */
export async function exportAll(
  scene: Scene,
  out: string | undefined,
  settings: readonly string[],
  withPixels: boolean,
): Promise<string[]> {
  if (!out) throw new UsageError('--out FOLDER is needed');
  const formats = FORMATS.filter(({ needs }) => withPixels || needs !== 'pixels');
  const chosen = settings.map((setting) => scopeOf(setting, formats));
  const paths: string[] = [];
  // What is wrong with a setting is said before anything is written.
  const outgoing = formats.map((format): Outgoing => {
    const own = chosen.flatMap(({ to, text, name }) =>
      to === format.id || (to === undefined && name in format.options.shape) ? [text] : [],
    );
    return { format, options: optionsOf(format, own), sink: fileSink(join(out, format.id), paths, true) };
  });
  await writeAll(scene, outgoing);
  return paths;
}

/** Writes the outputs of a set that the scene holds, by its name, into `out`; gives the paths written. */
export async function exportKept(scene: Scene, kept: string, out: string | undefined): Promise<string[]> {
  if (!out) throw new UsageError('--out FOLDER is needed');
  const set = scene.sets.find(({ id, name }) => name === kept || id === kept);
  const names = scene.sets.map(({ name }) => name).join(', ');
  if (!set) throw new UsageError(`there is no set "${kept}"; there is: ${names || 'none'}`);
  const paths: string[] = [];
  const folders = foldersOf(set);
  const outgoing = set.outputs.map((output, i): Outgoing => {
    const read = readOutput(output);
    if (!read.ok) throw new UsageError(`the set "${set.name}": ${read.message}`);
    return { format: read.format, options: read.options, sink: fileSink(join(out, folders[i] ?? ''), paths, true) };
  });
  await writeAll(scene, outgoing);
  return paths;
}

/** Which format a setting of `--all` is for, and what it says there. */
function scopeOf(
  setting: string,
  formats: readonly Format[],
): { readonly to: string | undefined; readonly name: string; readonly text: string } {
  const [, to, text = setting] = /^([a-z-]+)\.(.*)$/s.exec(setting) ?? [];
  const name = text.split('=')[0] ?? '';
  const known = formats.filter((format) => to === undefined || format.id === to);
  if (known.length === 0) throw new UsageError(`--set ${setting}: there is no format "${to}" among what is written`);
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
