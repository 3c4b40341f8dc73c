import { closeSync, constants, fstatSync, openSync, readSync } from 'node:fs';
import { MOST_TEXT } from '@pace-line/core';
import { UsageError } from './errors.ts';

/** Bytes that are read at a time. */
const CHUNK = 1024 * 1024;

/** ms. What is no file (a pipe, a terminal) and says nothing for so long is given up. */
const SILENCE = 10_000;
const PAUSE = 20;

const pause = (ms: number): void => void Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);

const wordsOf = (error: unknown): string => {
  const code = (error as NodeJS.ErrnoException).code ?? 'unknown';
  if (code === 'ENOENT') return 'there is no such file';
  return code === 'EISDIR' ? 'that is a folder' : `cannot be read (${code})`;
};

/** How many bytes come next: 0 at the end. Waits for what is not there yet, with patience. */
function next(file: number, into: Buffer, path: string): number {
  for (let waited = 0; ; waited += PAUSE) {
    try {
      return readSync(file, into);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EAGAIN') throw error;
      if (waited >= SILENCE) throw new UsageError(`${path}: nothing comes from it`);
      pause(PAUSE);
    }
  }
}

function textOf(chunks: readonly Buffer[], path: string): string {
  if (chunks.length === 0) throw new UsageError(`${path}: it is empty`);
  return Buffer.concat(chunks).toString('utf8');
}

/** The text of a file, pipe or device, as far as a scene's may reach: what is larger, or has no end, is refused. @throws UsageError that names the path. */
export function readText(path: string): string {
  let file: number | undefined;
  try {
    // Without waiting: opening a pipe into which nobody writes would take for ever.
    file = path === '-' ? 0 : openSync(path, constants.O_RDONLY | constants.O_NONBLOCK);
    const about = fstatSync(file);
    if (about.isDirectory()) throw new UsageError(`${path}: that is a folder`);
    const chunks: Buffer[] = [];
    let size = about.size;
    for (let read = 0; size <= MOST_TEXT; size = Math.max(size, read)) {
      const chunk = Buffer.allocUnsafe(CHUNK);
      const count = next(file, chunk, path);
      if (count === 0) return textOf(chunks, path);
      chunks.push(chunk.subarray(0, count));
      read += count;
    }
    throw new UsageError(`${path}: it is larger than 100 MB`);
  } catch (error) {
    throw error instanceof UsageError ? error : new UsageError(`${path}: ${wordsOf(error)}`);
  } finally {
    if (file !== undefined && path !== '-') closeSync(file);
  }
}
