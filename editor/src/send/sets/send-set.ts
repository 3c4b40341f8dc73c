import { fileStem, foldersOf, readOutput, type OutputSet, type Scene } from '@pace-line/core';
import { shown, writeOutput, type Job, type JobEnd, type WrittenFile } from '../../jobs/index.ts';
import { warn } from '../../look/notices.tsx';
import { wordsOfOutput } from './words.ts';

/** What became of a set: its files where they are to stand in the archive, and what could not be written. */
export interface SentSet {
  readonly files: readonly WrittenFile[];
  readonly failed: readonly string[];
}

/** Writes a set's outputs one after another; undefined where it was given up. */
export async function sendSet(scene: Scene, set: OutputSet): Promise<SentSet | undefined> {
  const ended = await shown(`Writing “${set.name}”`, (onProgress) => writing(scene, set, onProgress));
  if (ended.state === 'failed') warn(`“${set.name}” was not written`, ended.message);
  return ended.state === 'done' ? ended.result : undefined;
}

function writing(scene: Scene, set: OutputSet, onProgress: (share: number) => void): Job<SentSet> {
  const folders = foldersOf(set);
  let isCancelled = false;
  let current: Job<unknown> | undefined;
  const run = async (): Promise<JobEnd<SentSet>> => {
    const files: WrittenFile[] = [];
    const failed: string[] = [];
    for (const [i, output] of set.outputs.entries()) {
      const read = readOutput(output);
      if (!read.ok) {
        failed.push(`${wordsOfOutput(output)}: ${read.message}`);
        continue;
      }
      const job = writeOutput(scene, read.format, read.options, {
        isMeasured: false,
        onProgress: (share) => onProgress((i + share) / set.outputs.length),
      });
      current = job;
      const ended = await job.end;
      if (isCancelled) return { state: 'cancelled' };
      if (ended.state === 'done')
        files.push(
          ...ended.result.files.map((file) => ({ ...file, name: `${folders[i] ? `${folders[i]}/` : ''}${file.name}` })),
        );
      else failed.push(`${wordsOfOutput(output)}: ${ended.state === 'failed' ? ended.message : 'it was given up'}`);
    }
    return { state: 'done', result: { files, failed } };
  };
  return {
    end: run(),
    cancel: () => {
      isCancelled = true;
      current?.cancel();
    },
  };
}

/** What the archive of a set is called. */
export const archiveName = (scene: Scene, set: OutputSet): string =>
  `${fileStem(scene.name)}-${fileStem(set.name)}.zip`;

/** Says what of a set could not be written. */
export function warnFailed({ failed }: SentSet): void {
  if (failed.length > 0)
    warn(`${failed.length === 1 ? 'One output was' : `${failed.length} outputs were`} not written`, failed.join('\n'));
}
