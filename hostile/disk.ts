import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { FORMATS } from '@pace-line/core';
import { countedRandom } from '../core/src/testing/random.ts';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));
const PROGRAM = at('../cli/bin/pace-line.js');
const SCENE = at('../samples/scenes/two-ferries.paceline.json');
const PLAIN = FORMATS.filter(({ needs }) => needs !== 'pixels');

/** What became of files where the command line could not end its work. */
export interface WritingReport {
  readonly tried: number;
  /** Of those tried, how many were written whole all the same. */
  readonly whole: number;
  readonly faults: readonly string[];
}

/** The files of a folder with their contents, by their paths within it. */
function filesIn(folder: string): Map<string, string> {
  const entries = readdirSync(folder, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile());
  return new Map(
    entries.map((entry) => {
      const path = join(entry.parentPath, entry.name);
      return [path.slice(folder.length + 1), readFileSync(path, 'latin1')] as const;
    }),
  );
}

/** What is wrong with a folder in which a format was to be written over an old file: each file is the old one or the new one, whole, and there is no other. */
function faultsOf(folder: string, old: ReadonlyMap<string, string>, right: ReadonlyMap<string, string>): string[] {
  return [...filesIn(folder)].flatMap(([path, text]) =>
    text === old.get(path) || text === right.get(path) ? [] : [`${path} is neither the old file nor the new one`],
  );
}

/** A folder with an old output in it, and what a format writes there when nothing is in its way. */
function prepared(format: string): { folder: string; old: Map<string, string>; right: Map<string, string> } {
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-disk-'));
  const whole = join(folder, 'whole');
  execFileSync('node', [PROGRAM, 'export', SCENE, '--to', format, '--out', `${whole}/`], { stdio: 'ignore' });
  const right = existsSync(whole) ? filesIn(whole) : new Map<string, string>();
  rmSync(whole, { recursive: true });
  mkdirSync(join(folder, 'out'));
  const old = new Map([...right.keys()].map((name) => [name, `the old ${name}`]));
  for (const [name, text] of old) writeFileSync(join(folder, 'out', name), text);
  return { folder, old, right };
}

/** Every plain format at several sizes at which files may not grow further, as on a full disk. */
export function fillDisk(): WritingReport {
  const faults: string[] = [];
  let [tried, whole] = [0, 0];
  for (const { id } of PLAIN) {
    const { folder, old, right } = prepared(id);
    for (const kib of [1, 2, 4, 8, 16, 64, 256]) {
      const words = `ulimit -f ${kib}; node ${PROGRAM} export ${SCENE} --to ${id} --out out/`;
      const { status } = spawnSync('bash', ['-c', words], { cwd: folder, stdio: 'ignore' });
      tried++;
      if (status === 0) whole++;
      const found = faultsOf(join(folder, 'out'), old, right);
      const isNew = [...filesIn(join(folder, 'out'))].every(([path, text]) => text === right.get(path));
      if ((status === 0) !== isNew) found.push(`exit ${status}, but the files are ${isNew ? 'new' : 'not all new'}`);
      faults.push(...found.map((fault) => `${id} at ${kib} KiB: ${fault}`));
      for (const [name, text] of old) writeFileSync(join(folder, 'out', name), text);
    }
    rmSync(folder, { recursive: true });
  }
  return { tried, whole, faults };
}

/** Exports that are interrupted at a random moment. */
export async function interrupt(count: number, seed: number): Promise<WritingReport> {
  const random = countedRandom(seed);
  const faults: string[] = [];
  let whole = 0;
  for (let i = 0; i < count; i++) {
    const id = PLAIN[Math.floor(random() * PLAIN.length)]?.id ?? 'css';
    const { folder, old, right } = prepared(id);
    const words = [PROGRAM, 'export', SCENE, '--to', id, '--out', 'out/'];
    const child = spawn('node', words, { cwd: folder, stdio: 'ignore' });
    const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
    await wait(random() * 900);
    child.kill('SIGINT');
    if ((await ended) === 0) whole++;
    faults.push(...faultsOf(join(folder, 'out'), old, right).map((fault) => `${id}, ${i}: ${fault}`));
    rmSync(folder, { recursive: true });
  }
  return { tried: count, whole, faults };
}
