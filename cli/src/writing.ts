import { randomUUID } from 'node:crypto';
import {
  closeSync,
  fchmodSync,
  fsyncSync,
  mkdirSync,
  openSync,
  realpathSync,
  renameSync,
  rmdirSync,
  statSync,
  unlinkSync,
  writeSync,
  type Stats,
} from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { UsageError } from './errors.ts';
import { onInterrupt } from './signals.ts';

/** Writes all of it: where a disk is full, a part of it would be written without a word. */
export function writeWhole(file: number, chunk: string | Uint8Array): void {
  const bytes = typeof chunk === 'string' ? Buffer.from(chunk) : chunk;
  for (let at = 0; at < bytes.length;) at += writeSync(file, bytes, at);
}

const stateOf = (path: string): Stats | undefined => statSync(path, { throwIfNoEntry: false });

const wordsOf = (error: unknown): string => {
  const code = (error as NodeJS.ErrnoException).code ?? 'unknown';
  return code === 'ENOSPC' || code === 'EDQUOT' ? 'the disk is full' : `cannot be written (${code})`;
};

/** Does something with a path; what goes wrong is said of it. */
function attempt<T>(path: string, act: () => T): T {
  try {
    return act();
  } catch (error) {
    throw error instanceof UsageError ? error : new UsageError(`${path}: ${wordsOf(error)}`);
  }
}

/** Flushes a folder's list of files, where the system can. */
function flushFolder(path: string): void {
  try {
    const folder = openSync(path, 'r');
    fsyncSync(folder);
    closeSync(folder);
  } catch {
    // Some systems do not open folders: the file itself is flushed.
  }
}

/** One file on its way: written beside its target, which it replaces once it is whole. */
class Draft {
  readonly path: string;
  readonly #target: string;
  readonly #beside: string;
  #file: number | undefined;

  constructor(path: string, target: string) {
    this.path = path;
    this.#target = target;
    this.#beside = join(dirname(target), `.${basename(target)}.${randomUUID().slice(0, 8)}.part`);
    this.#file = openSync(this.#beside, 'wx');
    const mode = stateOf(target)?.mode;
    if (mode !== undefined) fchmodSync(this.#file, mode & 0o777);
  }

  write(chunk: string | Uint8Array): void {
    if (this.#file !== undefined) writeWhole(this.#file, chunk);
  }

  close(): void {
    if (this.#file === undefined) return;
    fsyncSync(this.#file);
    closeSync(this.#file);
    this.#file = undefined;
  }

  keep(): void {
    renameSync(this.#beside, this.#target);
    flushFolder(dirname(this.#target));
  }

  /** As if it had never been. */
  drop(): void {
    try {
      if (this.#file !== undefined) closeSync(this.#file);
      unlinkSync(this.#beside);
    } catch {
      // It is not there.
    }
  }
}

/** Files that belong together: all of them take their places at once, when each is complete and flushed, or none does. */
export class Outbox {
  readonly #drafts: Draft[] = [];
  readonly #paths: string[] = [];
  /** Folders that were made for them, the outermost first. */
  readonly #folders: string[] = [];
  readonly #input: Stats | undefined;
  #settled: (() => void) | undefined;

  /** `input`: the file that is read, which nothing is written over. */
  constructor(input?: string) {
    this.#input = input === undefined ? undefined : stateOf(input);
  }

  /** Begins a file. What stands in its place and is no file (a pipe, a terminal) is written to directly. */
  open(path: string): { readonly write: (chunk: string | Uint8Array) => void; readonly close: () => void } {
    this.#settled ??= onInterrupt(() => this.drop());
    this.#paths.push(path);
    const draft = attempt(path, () => {
      const there = stateOf(path);
      if (there && this.#input && there.dev === this.#input.dev && there.ino === this.#input.ino)
        throw new UsageError(`${path}: that is the file that is read; choose another --out`);
      if (there && !there.isFile() && !there.isDirectory()) return undefined;
      if (there?.isDirectory()) throw new UsageError(`${path}: that is a folder`);
      this.#makeFolder(dirname(resolve(path)));
      return new Draft(path, there ? realpathSync(path) : resolve(path));
    });
    if (draft) {
      this.#drafts.push(draft);
      return {
        write: (chunk) => attempt(path, () => draft.write(chunk)),
        close: () => attempt(path, () => draft.close()),
      };
    }
    const file = attempt(path, () => openSync(path, 'w'));
    return { write: (chunk) => attempt(path, () => writeWhole(file, chunk)), close: () => closeSync(file) };
  }

  #makeFolder(path: string): void {
    const first = mkdirSync(path, { recursive: true });
    for (let made = path; first !== undefined && made.length >= first.length; made = dirname(made))
      this.#folders.push(made);
  }

  /** Puts every file in its place; gives their paths. */
  keep(): string[] {
    // All are complete before the first takes its place.
    for (const draft of this.#drafts) attempt(draft.path, () => draft.close());
    for (let draft = this.#drafts[0]; draft; draft = this.#drafts[0]) {
      attempt(draft.path, () => draft?.keep());
      this.#drafts.shift();
    }
    this.#settle();
    return this.#paths;
  }

  /** Leaves everything as it was. */
  drop(): void {
    this.#settle();
    for (const draft of this.#drafts.splice(0)) draft.drop();
    for (const folder of this.#folders.splice(0)) {
      try {
        rmdirSync(folder);
      } catch {
        // Something else is in it.
      }
    }
  }

  #settle(): void {
    this.#settled?.();
    this.#settled = undefined;
  }
}
