import { readFileSync } from 'node:fs';
import { sceneIn, wordingOf, type Scene } from '@pace-line/core';
import { UsageError } from './errors.ts';

/** Reads and validates a scene file; a bad one gives a UsageError that names the file, the first problem and how many more there are. */
export function loadScene(file: string | undefined): Scene {
  if (!file) throw new UsageError('which scene file?');
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    throw new UsageError(
      `${file}: ${code === 'ENOENT' ? 'there is no such file' : code === 'EISDIR' ? 'that is a folder' : 'cannot be read'}`,
    );
  }
  const read = sceneIn(text);
  if (read.ok) return read.scene;
  const [first] = read.problems;
  const more = read.problems.length > 1 ? ` (and ${read.problems.length - 1} more)` : '';
  throw new UsageError(`${file}: ${first ? wordingOf(first) : 'cannot be read'}${more}`);
}
