import { watch } from 'node:fs';
import { basename, dirname, resolve } from 'node:path';

/** ms. Programs write a file in several steps, or put a new one in its place. */
const CALM = 120;

/** Acts after each change of a file, one after the other, until it is ended. The folder is watched: a file that is replaced is another. */
export function onEachChange(file: string, act: () => Promise<void>, until?: AbortSignal): Promise<void> {
  return new Promise((ended) => {
    const name = basename(file);
    let timer: NodeJS.Timeout | undefined;
    let last = Promise.resolve();
    const watcher = watch(dirname(resolve(file)), (_, changed) => {
      if (changed !== null && changed !== name) return;
      clearTimeout(timer);
      timer = setTimeout(() => void (last = last.then(act)), CALM);
    });
    until?.addEventListener('abort', () => {
      clearTimeout(timer);
      watcher.close();
      void last.then(ended);
    });
  });
}
