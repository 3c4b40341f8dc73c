import type { WrittenFile } from '../jobs/index.ts';
import { warn } from '../look/notices.tsx';
import { saveBlob } from '../platform/files.ts';
import { zipped } from '../platform/zip.ts';
import { reasonOf } from '../words/reasons.ts';

/** What an output is saved as: its file, or several of them in one archive. */
export function savedName([first, ...more]: readonly WrittenFile[]): string {
  if (!first) return '';
  return more.length === 0 ? first.name : `${first.name.replace(/\..*$/, '')}.zip`;
}

/** Saves an output's file, or several of them in one archive that is called as is said. */
export async function saveOutput(files: readonly WrittenFile[], archive = savedName(files)): Promise<void> {
  const [first] = files;
  if (!first) return;
  try {
    if (files.length === 1) saveBlob(savedName(files), first.blob);
    else saveBlob(archive, await zipped(files));
  } catch (error) {
    warn('It could not be saved', reasonOf(error));
  }
}
