import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { readScene } from '@pace-line/core';
import type { Asked } from './asked.ts';
import { filesOf } from './made.ts';
import { placeOfPath } from './place.ts';

/** Files that were made, by their names. */
export type Files = Awaited<ReturnType<typeof filesOf>>;

/** Thrown with the place in the scene file that is wrong. */
export class SceneError extends Error {
  readonly loc: { readonly file: string; readonly line: number; readonly column: number };
  constructor(file: string, text: string, path: string, message: string) {
    super(`${file}: ${path && `${path}: `}${message}`);
    this.name = 'SceneError';
    this.loc = { file, ...placeOfPath(text, path) };
  }
}

export const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 16);

/** Changes with every release: what an earlier one made is not taken. */
const RELEASE = '0.1.0';

/** Makes what imports ask for; what was made is kept, in a folder too where there is one, by what the scene and the options are. */
export class Kept {
  readonly #made = new Map<string, Promise<Files>>();
  folder = '';

  filesOf(file: string, asked: Asked): Promise<Files> {
    const text = readFileSync(file, 'utf8');
    const key = hashOf(JSON.stringify([RELEASE, text, asked.format.id, asked.options]));
    let found = this.#made.get(key);
    if (!found)
      this.#made.set(key, (found = fresh(file, text, asked, this.folder && join(this.folder, `${key}.json`))));
    return found;
  }
}

/** The files of a scene's text, from a file where they are kept; throws with the place where the text is no scene. */
async function fresh(file: string, text: string, asked: Asked, path: string): Promise<Files> {
  if (path && existsSync(path)) return JSON.parse(readFileSync(path, 'utf8')) as Files;
  const read = readScene(text);
  if (!read.ok) {
    const [first] = read.problems;
    throw new SceneError(file, text, first?.path ?? '', first?.message ?? 'it is no scene');
  }
  const files = await filesOf(read.scene, asked);
  if (path) {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, JSON.stringify(files));
  }
  return files;
}
