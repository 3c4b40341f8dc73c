import { formatById, memorySink, QUIET_RUN, send, textOf, type Scene } from '@pace-line/core';

/** A file as a format writes it. */
export interface Written {
  readonly name: string;
  readonly text: string;
}

/** Writes a scene in a format of one text file. */
export async function write(scene: Scene, id: string, options: object = {}): Promise<Written> {
  const format = formatById(id);
  if (!format) throw new Error(`there is no format "${id}"`);
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse(options), sink, QUIET_RUN);
  const [file] = files;
  if (!file) throw new Error(`${id} wrote nothing`);
  return { name: file.name, text: textOf(file) };
}
