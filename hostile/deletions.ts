import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, Page } from '@playwright/test';
import sirv from 'sirv';
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

/** One mix of acts in two tabs of one browser; gives what is wrong at its end. */
async function mix(tabs: readonly Tab[], seed: number, tell: { acts: number; pictures: number }): Promise<string[]> {
  const random = countedRandom(seed);
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
  const expected: Expected = { scenes: new Map(), versions: new Map() };
  let days = 0;
  let made = 0;
  const id = (n: number): string => `s${seed}-${n}`;
  const fresh = (): Scene => pictured(`Scene ${++made}`, seed * 1000 + ++tell.pictures);
  const standing = (): string[] => [...expected.scenes].filter(([, one]) => !one.isDeleted).map(([key]) => key);
  const forgetUndos = (): void => tabs.forEach(({ undos }) => undos.splice(0));
  const acts: ((tab: Tab) => Promise<void>)[] = [
    async ({ page }) => {
      const [scene, key] = [fresh(), id(made)];
      await inTab(page, 'await storage.keepNewScene(given.key, given.scene)', { key, scene }, days);
      expected.scenes.set(key, { scene, isDeleted: false });
    },
    async ({ page }) => {
      const key = pick(standing());
      if (key === undefined) return;
      const plain = { ...fresh(), ...(random() < 0.3 ? { tracing: [], assets: {} } : {}) };
      await inTab(page, EDIT, { id: key, scene: plain, fold: random() < 0.6 }, days);
      expected.scenes.set(key, { scene: plain, isDeleted: false });
    },
    async ({ page }) => {
      const key = pick(standing());
      const scene = expected.scenes.get(key ?? '')?.scene;
      if (key === undefined || !scene) return;
      const name = `version ${++made}`;
      await inTab(
        page,
        "await storage.keepVersionOf(given.key, given.scene, 'hand', given.name)",
        { key, scene, name },
        days,
      );
      expected.versions.set(name, { of: key, scene });
    },
    async ({ page, undos }) => {
      const name = pick([...expected.versions.keys()]);
      const version = expected.versions.get(name ?? '');
      if (name === undefined || !version) return;
      const work = `const card = (await storage.listVersions(given.of)).find((one) => one.name === given.name);
        undos.set(given.name, await storage.removeVersion(card));`;
      await inTab(page, work, { of: version.of, name }, days);
      expected.versions.delete(name);
      undos.push({ what: name, again: () => expected.versions.set(name, version) });
    },
    async ({ page, undos }) => {
      const key = pick(standing());
      const one = expected.scenes.get(key ?? '');
      if (key === undefined || !one) return;
      await inTab(page, 'undos.set(given.key, await storage.removeStored(given.key))', { key }, days);
      one.isDeleted = true;
      undos.push({ what: key, again: () => (one.isDeleted = false) });
    },
    async ({ page, undos }) => {
      const undo = undos.splice(Math.floor(random() * undos.length), 1)[0];
      if (!undo) return;
      await inTab(page, 'await undos.get(given.what)()', { what: undo.what }, days);
      undo.again();
    },
    async ({ page }) => {
      const key = pick([...expected.scenes].filter(([, one]) => one.isDeleted).map(([one]) => one));
      const one = expected.scenes.get(key ?? '');
      if (!one) return;
      await inTab(page, 'await storage.restoreStored(given.key)', { key }, days);
      one.isDeleted = false;
    },
    async ({ page }) => {
      await inTab(page, 'await storage.collectUnused()', null, days);
    },
    async () => {
      // A notice that offers an undo is gone by then.
      if (days > 20) return;
      days += 4;
      forgetUndos();
    },
    async (tab) => {
      tab.undos.splice(0);
      await tab.page.reload();
    },
  ];
  for (let i = 0; i < 24; i++) {
    const tab = pick(tabs);
    // What is begun first is most often a new scene.
    const act = i < 3 ? acts[0] : pick(acts);
    if (tab && act) await act(tab);
    tell.acts++;
  }
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
  await Promise.all(
    tabs.map((tab) => tab.page.evaluate(() => (window as unknown as { undos?: Map<string, unknown> }).undos?.clear())),
  );
  forgetUndos();
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

/** Mixes of deleting, undoing, keeping versions and collecting in two tabs, with pictures, on the browser's own database. */
export async function deleteAndUndo(browser: Browser, mixes: number): Promise<DeletionReport> {
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-storage-'));
  await builtStorage(folder);
  const server = createServer(sirv(folder)).listen(0, '127.0.0.1');
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
    for (let seed = 1; seed <= mixes; seed++) lost.push(...(await mix(tabs, seed, tell)));
    return { ...tell, lost };
  } finally {
    await context.close();
    server.close();
    rmSync(folder, { recursive: true, force: true });
  }
}
