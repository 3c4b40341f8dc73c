import { execFileSync, spawn, spawnSync } from 'node:child_process';
import {
  existsSync,
  linkSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { beforeEach, describe, expect, test } from 'vitest';
import { run } from './run.ts';
import { Outbox } from './writing.ts';

const ferries = fileURLToPath(new URL('../../samples/scenes/two-ferries.paceline.json', import.meta.url));
/** The program as it is built: what a system does to a process can be had of no other. */
const program = fileURLToPath(new URL('../bin/pace-line.js', import.meta.url));
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'pace-line-files-'));
});

async function call(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let out = '';
  let err = '';
  const code = await run(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, out, err };
}

/** The program under a limit for the size of files, KiB: what a disk does that is full. */
const limited = (kib: number, words: string): ReturnType<typeof spawnSync> =>
  spawnSync('bash', ['-c', `ulimit -f ${kib}; node ${program} ${words}`], { encoding: 'utf8', cwd: folder });

describe('what cannot be written whole is not written', () => {
  test.each(['web-page', 'animated-svg', 'frames-csv', 'lottie', 'scene'])('%s', (format) => {
    writeFileSync(join(folder, 'loop.out'), 'the old one');
    const { status, stderr } = limited(4, `export ${ferries} --to ${format} --out loop.out`);
    expect([status, stderr]).toEqual([2, expect.stringMatching(/^pace-line: loop\.out: .+\n$/)]);
    expect(readdirSync(folder)).toEqual(['loop.out']);
    expect(readFileSync(join(folder, 'loop.out'), 'utf8')).toBe('the old one');
  });
  test('several files are written all or not at all, and the folders made for them go', () => {
    const { status } = limited(4, `export ${ferries} --to react --out a/b`);
    expect([status, readdirSync(folder)]).toEqual([2, []]);
  });
  test('of all formats those are named that are there, whole', () => {
    const { status, stdout } = limited(100, `export ${ferries} --all --out all`);
    const named = String(stdout).trim().split('\n').filter(Boolean);
    expect(status).toBe(2);
    const there = readdirSync(join(folder, 'all'), { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => join(entry.parentPath.slice(folder.length + 1), entry.name));
    expect(there.sort()).toEqual(named.sort());
  });
  test('what goes to standard output and does not fit is an error', () => {
    const { status, stderr } = limited(4, `sample ${ferries} > table.csv`);
    expect([status, stderr]).toEqual([2, expect.stringMatching(/^pace-line: standard output: /)]);
  });
  test.skipIf(!existsSync('/dev/full'))('a full device is named as what it is', async () => {
    const { code, err } = await call('export', ferries, '--to', 'css', '--out', '/dev/full');
    expect([code, err]).toEqual([2, 'pace-line: /dev/full: the disk is full\n']);
  });
});

/** Ends the program by a signal once `when` holds of the folder; gives its exit code or the signal's name, and what is there then. */
async function interrupted(words: readonly string[], signal: 'SIGINT' | 'SIGTERM', when: () => boolean) {
  writeFileSync(join(folder, 'out'), 'the old one');
  const child = spawn('node', [program, ...words], {
    cwd: folder,
    env: { ...process.env, TMPDIR: folder },
    stdio: 'ignore',
  });
  const ended = new Promise<number | string | null>((done) => child.once('exit', (code, by) => done(code ?? by)));
  while (!when()) {
    if (child.exitCode !== null) throw new Error('it ended before it was interrupted');
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  child.kill(signal);
  return { how: await ended, there: readdirSync(folder).sort(), old: readFileSync(join(folder, 'out'), 'utf8') };
}

describe('interrupted, it leaves the old file whole and nothing half beside it', () => {
  test.each(['SIGINT', 'SIGTERM'] as const)('while it works out what to write (%s)', async (signal) => {
    const began = Date.now();
    const long = readFileSync(ferries, 'utf8').replace(/"duration": [\d.]+/, '"duration": 1200');
    writeFileSync(join(folder, 'long.json'), long);
    const words = ['export', 'long.json', '--to', 'frames-json', '--out', 'out'];
    const { how, there, old } = await interrupted(words, signal, () => Date.now() - began > 1500);
    expect([how, there, old]).toEqual([signal, ['long.json', 'out'], 'the old one']);
  });
  test('while a browser paints, which goes with it', async () => {
    const profile = (): string | undefined => readdirSync(folder).find((name) => name.startsWith('pace-line-browser-'));
    const isPainting = (): boolean => {
      const own = profile();
      return own !== undefined && readdirSync(join(folder, own)).length > 0;
    };
    const words = ['export', ferries, '--to', 'webm', '--out', 'out'];
    expect(await interrupted(words, 'SIGINT', isPainting)).toEqual({ how: 130, there: ['out'], old: 'the old one' });
    // Its helpers take a moment to see that it is gone.
    const running = (): string =>
      spawnSync('pgrep', ['-f', `${folder}/pace-line-browser-`], { encoding: 'utf8' }).stdout;
    await expect.poll(running, { timeout: 45_000 }).toBe('');
  });
});

describe('where it goes', () => {
  test('the file that is read is not written over, by whatever name', async () => {
    const own = join(folder, 'own.paceline.json');
    writeFileSync(own, readFileSync(ferries));
    linkSync(own, join(folder, 'hard'));
    symlinkSync(own, join(folder, 'soft'));
    const before = readFileSync(own, 'utf8');
    for (const out of [own, join(folder, 'hard'), join(folder, 'soft'), `${folder}/./own.paceline.json`])
      expect(await call('export', own, '--to', 'scene', '--out', out)).toMatchObject({
        code: 2,
        err: expect.stringContaining('that is the file that is read') as string,
      });
    expect(readFileSync(own, 'utf8')).toBe(before);
  });
  test('where a link leads the file is put, with the rights of the one before', async () => {
    mkdirSync(join(folder, 'site'));
    writeFileSync(join(folder, 'site/loop.svg'), 'old', { mode: 0o640 });
    symlinkSync(join(folder, 'site/loop.svg'), join(folder, 'loop.svg'));
    expect((await call('export', ferries, '--to', 'animated-svg', '--out', join(folder, 'loop.svg'))).code).toBe(0);
    expect(readFileSync(join(folder, 'site/loop.svg'), 'utf8')).toContain('<svg');
    expect(statSync(join(folder, 'site/loop.svg')).mode & 0o777).toBe(0o640);
    expect(readdirSync(folder).sort()).toEqual(['loop.svg', 'site']);
  });
  test('a name with orders for the terminal is printed without them', async () => {
    const out = join(folder, 'red \u001b[31m\u202e.css');
    const { code, out: said } = await call('export', ferries, '--to', 'css', '--out', out);
    expect([code, said.includes('\u001b'), said.includes('\u202e')]).toEqual([0, false, false]);
  });
  test('what was dropped leaves nothing, and can be dropped again', () => {
    const outbox = new Outbox();
    outbox.open(join(folder, 'x/y/one')).write('half');
    outbox.drop();
    outbox.drop();
    expect(readdirSync(folder)).toEqual([]);
  });
});

describe('what is read', () => {
  test.skipIf(!existsSync('/dev/zero'))('without an end, or larger than a scene, is given up', async () => {
    expect(await call('check', '/dev/zero')).toMatchObject({
      code: 2,
      err: expect.stringContaining('100 MB') as string,
    });
    const large = join(folder, 'large.json');
    execFileSync('truncate', ['-s', '2G', large]);
    const before = process.memoryUsage().rss;
    expect((await call('validate', large)).err).toContain('it is larger than 100 MB');
    expect(process.memoryUsage().rss - before).toBeLessThan(50 * 1024 * 1024);
  });
  test.skipIf(!existsSync('/proc/self/mem'))('odd paths end with a message', async () => {
    expect((await call('check', '/proc/self/mem')).err).toMatch(/cannot be read \(EIO\)/);
    expect((await call('check', '/proc')).err).toContain('that is a folder');
    execFileSync('mkfifo', [join(folder, 'pipe')]);
    expect((await call('check', join(folder, 'pipe'))).err).toContain('it is empty');
  });
  test('a scene may come through a pipe that takes its time', () => {
    const script = `node ${program} validate <(sleep 0.3; head -c 3000 ${ferries}; sleep 0.3; tail -c +3001 ${ferries})`;
    expect(execFileSync('bash', ['-c', script], { encoding: 'utf8' })).toContain('valid, "Two ferries, one loop"');
  });
});
