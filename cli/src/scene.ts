import { sceneIn, wordingOf, type Scene } from '@pace-line/core';
import { UsageError } from './errors.ts';
import { readText } from './reading.ts';

/** Reads and validates a scene file; a bad one gives a UsageError that names the file, the first problem and how many more there are. */
export function loadScene(file: string | undefined): Scene {
  if (!file) throw new UsageError('which scene file?');
  const read = sceneIn(readText(file));
  if (read.ok) return read.scene;
  const [first] = read.problems;
  const more = read.problems.length > 1 ? ` (and ${read.problems.length - 1} more)` : '';
  throw new UsageError(`${file}: ${first ? wordingOf(first) : 'cannot be read'}${more}`);
}
