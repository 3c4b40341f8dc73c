import { mkdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { bake, formatById, FORMATS, type Scene } from '@pace-line/core';
import { UsageError } from './errors.ts';

/** Writes a scene in a format: one file to `out`, or into `out` where that is a folder. Gives the paths written. */
export function exportScene(scene: Scene, to: string | undefined, out: string | undefined): string[] {
  const known = FORMATS.map((format) => format.id).join(', ');
  if (!to) throw new UsageError(`--to FORMAT is needed: ${known}`);
  const format = formatById(to);
  if (!format) throw new UsageError(`there is no format "${to}"; there is: ${known}`);
  if (!out) throw new UsageError('--out PATH is needed');
  const files = format.write(bake(scene), format.options.parse({}));
  const into = isFolder(out) || files.length > 1;
  return files.map((file) => {
    const path = into ? join(out, file.name) : out;
    try {
      mkdirSync(dirname(path), { recursive: true });
      writeFileSync(path, file.text);
    } catch (error) {
      throw new UsageError(`${path}: cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`);
    }
    return path;
  });
}

function isFolder(path: string): boolean {
  try {
    return statSync(path).isDirectory();
  } catch {
    return false;
  }
}
