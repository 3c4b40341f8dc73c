import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, Page } from '@playwright/test';
import { build } from 'vite';
import { emptyScene, type Scene } from '@pace-line/core';
import { countedRandom } from '../core/src/testing/random.ts';

/** What became of pictures while scenes and versions were deleted, restored and collected in several tabs. */
export interface DeletionReport {
  readonly acts: number;
  readonly pictures: number;
  /** What was not there, or not as it was, at the end of a mix. */
  readonly lost: readonly string[];
}

/** The storage as it is in a tab, and what an undo there would bring back. */
interface Tab {
  readonly page: Page;
  readonly undos: { readonly what: string; readonly again: () => void }[];
}

/** What is expected to be there. */
interface Expected {
  readonly scenes: Map<string, { scene: Scene; isDeleted: boolean }>;
  /** Versions by name. */
  readonly versions: Map<string, { readonly of: string; readonly scene: Scene }>;
}

const MODULE = '/storage.js';

/** Runs a function of the storage's own module in a tab. `days` have passed there since it was opened. */
const inTab = <T>(page: Page, work: string, given: unknown, days: number): Promise<T> =>
  page.evaluate(
    async ({ module, work: text, argument, ahead }) => {
      const window_ = window as unknown as { undos: Map<string, () => Promise<void>>; realNow: () => number };
      window_.undos ??= new Map();
      window_.realNow ??= Date.now.bind(Date);
      Date.now = () => window_.realNow() + ahead * 86_400_000;
      const storage: unknown = await import(/* @vite-ignore */ module);
      // eslint-disable-next-line @typescript-eslint/no-implied-eval -- a text of this file, run in a page of this test
      const run = new Function('storage', 'given', 'undos', `return (async () => { ${text} })()`) as (
        ...args: unknown[]
      ) => Promise<unknown>;
      return (await run(storage, argument, window_.undos)) as never;
    },
    { module: MODULE, work, argument: given, ahead: days },
  );

/** A scene with a picture of its own, which no other has. */
function pictured(name: string, seed: number): Scene {
  const bytes = Buffer.from(`a picture, number ${seed}`);
  const asset = createHash('sha256').update(bytes).digest('hex');
  return {
    ...emptyScene(name),
    tracing: [
      {
        ...{ id: 'plan', name: 'Plan', asset, type: 'image/png', width: 9, height: 9, x: 0, y: 0 },
        ...{ scale: 1, turn: 0, opacity: 1, visible: true, locked: true },
      },
    ],
    assets: { [asset]: bytes.toString('base64') },
  };
}

const EDIT = `const stored = await storage.loadStored(given.id);
  if (stored.state !== 'ok') throw new Error(given.id + ' is ' + stored.state);
  const name = 'w' + Math.random();
  if (stored.unfolded) await storage.foldScene({ id: given.id, name: stored.writer }, stored.scene, stored.count);
  await storage.claim(given.id, name);
  await storage.keepEdit({ id: given.id, name }, stored.count + 1, stored.scene, given.scene);
  if (given.fold) await storage.foldScene({ id: given.id, name }, given.scene, stored.count + 1);`;

/** A mix of acts while it is going on. */
interface Mix {
  readonly seed: number;
  readonly random: () => number;
  readonly expected: Expected;
  readonly tabs: readonly Tab[];
  readonly tell: { acts: number; pictures: number };
  days: number;
  made: number;
}

type Act = (mix: Mix, tab: Tab) => Promise<unknown>;

const pick = <T>({ random }: Mix, list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
const fresh = (mix: Mix): Scene => pictured(`Scene ${++mix.made}`, mix.seed * 1000 + ++mix.tell.pictures);
const keysWhere = ({ expected }: Mix, isDeleted: boolean): string[] =>
  [...expected.scenes].filter(([, one]) => one.isDeleted === isDeleted).map(([key]) => key);

const begin: Act = async (mix, { page }) => {
  const scene = fresh(mix);
  const key = `s${mix.seed}-${mix.made}`;
  await inTab(page, 'await storage.keepNewScene(given.key, given.scene)', { key, scene }, mix.days);
  mix.expected.scenes.set(key, { scene, isDeleted: false });
};

const edit: Act = async (mix, { page }) => {
  const key = pick(mix, keysWhere(mix, false));
  if (key === undefined) return;
  const scene = { ...fresh(mix), ...(mix.random() < 0.3 ? { tracing: [], assets: {} } : {}) };
  await inTab(page, EDIT, { id: key, scene, fold: mix.random() < 0.6 }, mix.days);
  mix.expected.scenes.set(key, { scene, isDeleted: false });
};

const keepVersion: Act = async (mix, { page }) => {
  const key = pick(mix, keysWhere(mix, false));
  const scene = mix.expected.scenes.get(key ?? '')?.scene;
  if (key === undefined || !scene) return;
  const name = `version ${++mix.made}`;
  const work = "await storage.keepVersionOf(given.key, given.scene, 'hand', given.name)";
  await inTab(page, work, { key, scene, name }, mix.days);
  mix.expected.versions.set(name, { of: key, scene });
};

const dropVersion: Act = async (mix, { page, undos }) => {
  const { versions } = mix.expected;
  const name = pick(mix, [...versions.keys()]);
  const version = versions.get(name ?? '');
  if (name === undefined || !version) return;
  const work = `const card = (await storage.listVersions(given.of)).find((one) => one.name === given.name);
    undos.set(given.name, await storage.removeVersion(card));`;
  await inTab(page, work, { of: version.of, name }, mix.days);
  versions.delete(name);
  undos.push({ what: name, again: () => void versions.set(name, version) });
};

const drop: Act = async (mix, { page, undos }) => {
  const key = pick(mix, keysWhere(mix, false));
  const one = mix.expected.scenes.get(key ?? '');
  if (key === undefined || !one) return;
  await inTab(page, 'undos.set(given.key, await storage.removeStored(given.key))', { key }, mix.days);
  one.isDeleted = true;
  undos.push({ what: key, again: () => void (one.isDeleted = false) });
};

const undo: Act = async ({ random, days }, { page, undos }) => {
  const one = undos.splice(Math.floor(random() * undos.length), 1)[0];
  if (!one) return;
  await inTab(page, 'await undos.get(given.what)()', { what: one.what }, days);
  one.again();
};

const restore: Act = async (mix, { page }) => {
  const key = pick(mix, keysWhere(mix, true));
  const one = mix.expected.scenes.get(key ?? '');
  if (!one) return;
  await inTab(page, 'await storage.restoreStored(given.key)', { key }, mix.days);
  one.isDeleted = false;
};

const collect: Act = ({ days }, { page }) => inTab(page, 'await storage.collectUnused()', null, days);

/** Notices that offer an undo are gone by then. */
const wait: Act = (mix) => {
  if (mix.days <= 20) {
    mix.days += 4;
    mix.tabs.forEach(({ undos }) => undos.splice(0));
  }
  return Promise.resolve();
};

const reload: Act = async (_, { page, undos }) => {
  undos.splice(0);
  await page.reload();
};

const ACTS: readonly Act[] = [begin, edit, keepVersion, dropVersion, drop, undo, restore, collect, wait, reload];

/** What is not as it is expected to be at the end of a mix. */
async function wrongAfter({ seed, expected, tabs, days }: Mix): Promise<string[]> {
  const wrong: string[] = [];
  const [{ page }] = tabs as readonly [Tab, Tab];
  for (const [key, { scene, isDeleted }] of expected.scenes) {
    if (isDeleted) await inTab(page, 'await storage.restoreStored(given.key)', { key }, days);
    const stored = await inTab<{ state: string; scene?: Scene }>(
      page,
      'return storage.loadStored(given.key)',
      { key },
      days,
    );
    const right = JSON.stringify([scene.name, scene.assets]);
    if (!stored.scene || JSON.stringify([stored.scene.name, stored.scene.assets]) !== right)
      wrong.push(`mix ${seed}: ${key} is ${stored.state}${stored.scene ? ', without its picture' : ''}`);
  }
  for (const [name, { of, scene }] of expected.versions) {
    const work = `const card = (await storage.listVersions(given.of)).find((one) => one.name === given.name);
      return card && (await storage.readVersion(card))?.assets`;
    const assets = await inTab<unknown>(page, work, { of, name }, days);
    if (JSON.stringify(assets) !== JSON.stringify(scene.assets)) wrong.push(`mix ${seed}: ${name} of ${of}`);
  }
  return wrong;
}

/** One mix of acts in two tabs of one browser; gives what is wrong at its end. */
async function played(tabs: readonly Tab[], seed: number, tell: Mix['tell']): Promise<string[]> {
  const expected: Expected = { scenes: new Map(), versions: new Map() };
  const mix: Mix = { seed, random: countedRandom(seed), expected, tabs, tell, days: 0, made: 0 };
  for (let i = 0; i < 24; i++) {
    const tab = pick(mix, tabs);
    // What is begun first is a few scenes.
    const act = i < 3 ? begin : pick(mix, ACTS);
    if (tab && act) await act(mix, tab);
    tell.acts++;
  }
  const wrong = await wrongAfter(mix);
  for (const { page, undos } of tabs) {
    await page.evaluate(() => (window as unknown as { undos?: Map<string, unknown> }).undos?.clear());
    undos.splice(0);
  }
  return wrong;
}

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** Builds the storage alone, as a module for a page that has nothing else. */
async function builtStorage(folder: string): Promise<void> {
  writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Storage</title>');
  await build({
    configFile: false,
    logLevel: 'error',
    publicDir: false,
    resolve: { alias: [{ find: /^@pace-line\/core$/, replacement: at('../core/src/index.ts') }] },
    build: {
      target: 'es2023',
      outDir: folder,
      emptyOutDir: false,
      lib: { entry: at('../editor/src/document/storage/index.ts'), formats: ['es'], fileName: 'storage' },
    },
  });
}

/** The files of a folder, as a page asks for them. */
const filesOf =
  (folder: string): RequestListener =>
  ({ url = '/' }, answer) => {
    const name = basename(url) || 'index.html';
    const file = join(folder, name);
    if (!existsSync(file)) return void answer.writeHead(404).end();
    answer.writeHead(200, { 'content-type': name.endsWith('.js') ? 'text/javascript' : 'text/html' });
    answer.end(readFileSync(file));
  };

/** Mixes of deleting, undoing, keeping versions and collecting in two tabs, with pictures, on the browser's own database. */
export async function deleteAndUndo(browser: Browser, mixes: number): Promise<DeletionReport> {
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-storage-'));
  await builtStorage(folder);
  const server = createServer(filesOf(folder)).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  const context = await browser.newContext();
  try {
    const tabs: Tab[] = [];
    for (let i = 0; i < 2; i++) {
      const page = await context.newPage();
      await page.addInitScript('globalThis.__name ??= (f) => f');
      await page.goto(base);
      tabs.push({ page, undos: [] });
    }
    const tell = { acts: 0, pictures: 0 };
    const lost: string[] = [];
    for (let seed = 1; seed <= mixes; seed++) lost.push(...(await played(tabs, seed, tell)));
    return { ...tell, lost };
  } finally {
    await context.close();
    server.close();
    rmSync(folder, { recursive: true, force: true });
  }
}
