import type { Output, OutputSet } from '../scene/index.ts';
import type { Format } from './format.ts';
import { formatById } from './formats.ts';
import { readOptions } from './send.ts';

/** An output as it is kept: of its options those that are not the format's own. */
export function keptOutput(format: Format, options: Readonly<Record<string, unknown>>): Output {
  const own = format.options.parse({});
  const kept = Object.entries(options).filter(
    (entry): entry is [string, Output['options'][string]] => entry[0] in own && entry[1] !== own[entry[0]],
  );
  return { format: format.id, options: Object.fromEntries(kept) };
}

/** A kept output as it is written here, or why it cannot be. */
export type ReadOutput =
  | { readonly ok: true; readonly format: Format; readonly options: Record<string, unknown> }
  | { readonly ok: false; readonly message: string };

/** An output of a set with its format and all its options; or what of it is not known. */
export function readOutput({ format: id, options }: Output): ReadOutput {
  const format = formatById(id);
  if (!format) return { ok: false, message: `there is no format "${id}"` };
  const read = readOptions(format, options);
  return read.ok ? { ok: true, format, options: read.options } : { ok: false, message: read.message };
}

/**
 * Folders of a set's outputs, by their order, so that no file takes another's place: none for the first of each kind of file, else one named by its format and scale, counted where there are
 * more of it. What writes several files that name each other always has one of its own.
 */
export function foldersOf({ outputs }: OutputSet): string[] {
  const extensions = new Set<string>();
  const taken = new Set<string>();
  return outputs.map(({ format: id, options }) => {
    const format = formatById(id);
    const extension = format?.extension ?? id;
    if (format && !format.several && !extensions.has(extension)) {
      extensions.add(extension);
      return '';
    }
    const { scale } = options;
    const base = typeof scale === 'number' ? `${id}-${scale}x` : id;
    let folder = base;
    for (let n = 2; taken.has(folder); n++) folder = `${base}-${n}`;
    taken.add(folder);
    return folder;
  });
}
