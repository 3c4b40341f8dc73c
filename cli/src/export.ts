import { createHash } from 'node:crypto';
import { statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import {
  foldersOf,
  formatById,
  FORMATS,
  memorySink,
  QUIET_RUN,
  readOptions,
  readOutput,
  send,
  type Format,
  type Scene,
} from '@pace-line/core';
import { UsageError } from './errors.ts';
import { givenOptions } from './options.ts';
import { paintInBrowser } from './pixels/paint.ts';
import { Outbox } from './writing.ts';

/** A format with all its options, and where its files go. */
interface Outgoing {
  readonly format: Format;
  readonly options: Record<string, unknown>;
  readonly out: string;
  /** Several files that name each other always go into a folder. */
  readonly areSeveral: boolean;
}

/** The scene that is written, the file that it was read from, and who is told of each file once it is whole and in its place. */
export interface Source {
  readonly scene: Scene;
  readonly file: string | undefined;
  readonly onWritten: (path: string) => void;
  /** Told what a format changed of the scene, once all is written. */
  readonly onNote: (note: string) => void;
  /** Told from time to time how far painting is, from 0 to 1. */
  readonly onProgress: (share: number) => void;
  /** Whether files' names hold a hash of what is in them. */
  readonly isHashed: boolean;
  /** Told what goes to standard output instead of a file. */
  readonly onOut: (chunk: string | Uint8Array) => void;
}

/** Tells what a format changes of a scene. */
function tellNotes(scene: Scene, format: Format, options: Record<string, unknown>, tell: Source['onNote']): void {
  for (const note of format.notes?.(scene, options) ?? []) tell(`${format.id}: ${note}`);
}

const isPainted = ({ format }: Outgoing): boolean => format.needs === 'pixels';

/** Writes a scene in one format after another; pixels are painted by one browser for all. What is whole stays where a later one fails. */
async function writeAll(source: Source, outgoing: readonly Outgoing[]): Promise<void> {
  const linked = outgoing.find((one) => isPainted(one) && one.format.several === true);
  if (source.isHashed && linked)
    throw new UsageError(
      `the files of "${linked.format.id}" name each other as they are painted: --hash is not for it`,
    );
  await writeEach(source, outgoing);
  // Where something went wrong, that alone is said.
  for (const { format, options } of outgoing) tellNotes(source.scene, format, options, source.onNote);
}

async function writeEach(source: Source, outgoing: readonly Outgoing[]): Promise<void> {
  const { scene, file, onWritten, onProgress, isHashed } = source;
  const keep = (outbox: Outbox): void => outbox.keep().forEach(onWritten);
  for (const one of outgoing.filter((each) => !isPainted(each))) {
    const outbox = new Outbox(file);
    const files = await filesOf(source, one);
    try {
      // Held until all is made: making it may take long, and nothing of it is on the disk meanwhile.
      for (const held of files) {
        const path = pathIn(one, held.name, held === files[0]);
        const isOne = isHashed && one.format.several !== true;
        write(outbox, isOne ? hashedPath(path, hashOf(held.chunks)) : path, held.chunks);
      }
      keep(outbox);
    } finally {
      outbox.drop();
    }
    // An interruption is heard before the next begins.
    await new Promise((resolve) => setImmediate(resolve));
  }
  const painted = outgoing.filter(isPainted);
  if (painted.length === 0) return;
  const begun = painted.map((one) => ({ one, outbox: new Outbox(file), count: 0 }));
  try {
    const onFile = (i: number, name: string, bytes: Buffer): void => {
      // Outputs come one after the other: those before are whole.
      begun.slice(0, i).forEach(({ outbox }) => keep(outbox));
      const now = begun[i];
      if (!now) return;
      const path = pathIn(now.one, name, now.count++ === 0);
      write(now.outbox, isHashed ? hashedPath(path, hashOf([bytes])) : path, [bytes]);
    };
    await paintInBrowser(scene, painted, { onFile, onProgress });
    begun.forEach(({ outbox }) => keep(outbox));
  } finally {
    begun.forEach(({ outbox }) => outbox.drop());
  }
}

interface Held {
  readonly name: string;
  readonly chunks: readonly (string | Uint8Array)[];
}

/** The files of an output, held. Those that name each other have one hash, which is in all their names; of one it is in its path (`hashedPath`). */
async function filesOf({ scene, isHashed }: Source, { format, options }: Outgoing): Promise<readonly Held[]> {
  const made = async (given: Record<string, unknown>): Promise<readonly Held[]> => {
    const { sink, files } = memorySink();
    await send(scene, format, given, sink, QUIET_RUN);
    return files;
  };
  const files = await made(options);
  const [first] = files;
  if (!isHashed || format.several !== true || !first) return files;
  const stem = first.name.slice(0, -format.extension.length - 1);
  return made({ ...options, file: `${stem}-${hashOf(files.flatMap(({ chunks }) => chunks))}` });
}

/** Eight hexadecimal digits of what something holds. */
function hashOf(chunks: readonly (string | Uint8Array)[]): string {
  const hash = createHash('sha256');
  chunks.forEach((chunk) => hash.update(chunk));
  return hash.digest('hex').slice(0, 8);
}

/** A path with a hash before the ending of its name. */
function hashedPath(path: string, hash: string): string {
  const name = basename(path);
  const at = name.indexOf('.', 1);
  return join(dirname(path), at < 0 ? `${name}-${hash}` : `${name.slice(0, at)}-${hash}${name.slice(at)}`);
}

/** Writes a scene in a format: one file to `out`, or into `out` where that is a folder or there are several. */
export async function exportScene(
  source: Source,
  to: string | undefined,
  out: string | undefined,
  settings: readonly string[],
): Promise<void> {
  const known = FORMATS.map((format) => format.id).join(', ');
  if (!to) throw new UsageError(`--to FORMAT is needed: ${known}`);
  const format = formatById(to);
  if (!format) throw new UsageError(`there is no format "${to}"; there is: ${known}`);
  if (!out) throw new UsageError('--out PATH is needed');
  if (out === ON_OUT && source.isHashed) throw new UsageError('standard output has no name: --hash is not for it');
  if (out === ON_OUT) return writeOut(source, format, optionsOf(format, settings));
  const areSeveral = format.several === true;
  const named = areSeveral ? namedIn(out, format, settings) : undefined;
  const options = optionsOf(format, named ? [...settings, `file=${named.stem}`] : settings);
  await writeAll(source, [{ format, options, out: named?.folder ?? out, areSeveral }]);
}

/** What stands for standard output. */
const ON_OUT = '-';

/** The name and the folder of several files, where the path that they go to is that of a file, not of a folder. */
function namedIn(
  out: string,
  format: Format,
  settings: readonly string[],
): { readonly stem: string; readonly folder: string } | undefined {
  const ending = `.${format.extension}`;
  const isFile = out.endsWith(ending) && out.length > ending.length && !isFolder(out);
  if (!isFile || settings.some((setting) => setting.startsWith('file='))) return undefined;
  return { stem: basename(out, ending), folder: dirname(out) };
}

/** Writes the one file of a format to standard output. */
async function writeOut(
  { scene, onNote, onOut, onProgress }: Source,
  format: Format,
  options: Record<string, unknown>,
): Promise<void> {
  if (format.several)
    throw new UsageError(`"${format.id}" is several files: --out needs a folder, or the name of its first file`);
  if (format.needs === 'pixels')
    await paintInBrowser(scene, [{ format, options }], { onFile: (_, __, bytes) => onOut(bytes), onProgress });
  else {
    const { sink, files } = memorySink();
    await send(scene, format, options, sink, QUIET_RUN);
    for (const { chunks } of files) for (const chunk of chunks) onOut(chunk);
  }
  tellNotes(scene, format, options, onNote);
}

/**
 * Writes a scene in every format, or every one but those of pixels, each into a folder of its own within `out`. A setting is of one format
 * (`lottie.background=false`), or of all that have an option of that name.
 */
export async function exportAll(
  source: Source,
  out: string | undefined,
  settings: readonly string[],
  withPixels: boolean,
): Promise<void> {
  if (!out) throw new UsageError('--out FOLDER is needed');
  const formats = FORMATS.filter(({ needs }) => withPixels || needs !== 'pixels');
  const chosen = settings.map((setting) => scopeOf(setting, formats));
  // What is wrong with a setting is said before anything is written.
  const outgoing = formats.map((format): Outgoing => {
    const own = chosen.flatMap(({ to, text, name }) =>
      to === format.id || (to === undefined && name in format.options.shape) ? [text] : [],
    );
    return { format, options: optionsOf(format, own), out: join(out, format.id), areSeveral: true };
  });
  await writeAll(source, outgoing);
}

/** Writes the outputs of a set that the scene holds, by its name, into `out`. */
export async function exportKept(source: Source, kept: string, out: string | undefined): Promise<void> {
  if (!out) throw new UsageError('--out FOLDER is needed');
  const { sets } = source.scene;
  const set = sets.find(({ id, name }) => name === kept || id === kept);
  const names = sets.map(({ name }) => name).join(', ');
  if (!set) throw new UsageError(`there is no set "${kept}"; there is: ${names || 'none'}`);
  const folders = foldersOf(set);
  const outgoing = set.outputs.map((output, i): Outgoing => {
    const read = readOutput(output);
    if (!read.ok) throw new UsageError(`the set "${set.name}": ${read.message}`);
    return { format: read.format, options: read.options, out: join(out, folders[i] ?? ''), areSeveral: true };
  });
  await writeAll(source, outgoing);
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

/** Where a file of an output goes: the only one to `out` itself, unless that is a folder; several always go into a folder. */
function pathIn({ out, areSeveral }: Outgoing, name: string, isFirst: boolean): string {
  if (areSeveral || out.endsWith('/') || isFolder(out)) return join(out, name);
  return isFirst ? out : join(dirname(out), name);
}

function write(outbox: Outbox, path: string, chunks: readonly (string | Uint8Array)[]): void {
  const file = outbox.open(path);
  chunks.forEach((chunk) => file.write(chunk));
  file.close();
}

const isFolder = (path: string): boolean => statSync(path, { throwIfNoEntry: false })?.isDirectory() === true;
