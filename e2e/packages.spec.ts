import { execFileSync } from 'node:child_process';
import {
  cpSync,
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { build, createServer } from 'vite';
import { formatById, memorySink, QUIET_RUN, readScene, send, textOf, type Scene } from '@pace-line/core';

const root = fileURLToPath(new URL('..', import.meta.url));
// Below the project: Vite and React are its own, what it makes is installed.
let made: string | undefined;
const work = (): string => (made ??= mkdtempSync(join(root, 'e2e/.packages-')));
const text = readFileSync(join(root, 'examples/page/tea-barrel.paceline.json'), 'utf8');

const npm = (folder: string, ...args: string[]): string =>
  execFileSync('npm', [...args, '--offline', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: folder,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  });

/** Packs a folder as it would be published; the archive's path. */
function packed(folder: string): string {
  const into = join(work(), 'packed');
  mkdirSync(into, { recursive: true });
  const [made] = JSON.parse(npm(folder, 'pack', '--ignore-scripts', '--json', '--pack-destination', into)) as [
    { filename: string },
  ];
  return join(into, made.filename);
}

/** All packages that one needs, those that they need among them: a machine without a network has them from here. */
function neededBy(name: string, known = new Map<string, string>()): Map<string, string> {
  const folder = join(root, 'node_modules', name);
  const { dependencies = {} } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as {
    dependencies?: Record<string, string>;
  };
  for (const one of Object.keys(dependencies))
    if (!known.has(one)) {
      known.set(one, packed(join(root, 'node_modules', one)));
      neededBy(one, known);
    }
  return known;
}

/** An example in an empty folder, with packages from archives in it, and no link to the project’s. */
function installed(example: string, archives: ReadonlyMap<string, string>): string {
  const folder = join(work(), example);
  cpSync(join(root, 'examples', example), folder, { recursive: true });
  const own = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as Record<string, unknown>;
  const dependencies = Object.fromEntries([...archives].map(([name, path]) => [name, `file:${path}`]));
  // What they need of each other is what is there.
  const overrides = Object.fromEntries([...archives.keys()].map((name) => [name, `$${name}`]));
  writeFileSync(join(folder, 'package.json'), JSON.stringify({ ...own, dependencies, devDependencies: {}, overrides }));
  npm(folder, 'install', '--ignore-scripts', '--legacy-peer-deps');
  for (const name of archives.keys())
    expect(lstatSync(join(folder, 'node_modules', name)).isSymbolicLink(), name).toBe(false);
  return folder;
}

/** Opens a page that was built; what it says that is wrong. */
async function opened(page: Page, folder: string, path = 'index.html'): Promise<string[]> {
  const said: string[] = [];
  page.on('console', (message) => message.type() === 'error' && said.push(message.text()));
  page.on('pageerror', (error) => said.push(error.message));
  await page.route('http://built.test/**', (route) => {
    const name = new URL(route.request().url()).pathname.slice(1) || path;
    return existsSync(join(folder, name))
      ? route.fulfill({ path: join(folder, name) })
      : route.fulfill({ status: 404 });
  });
  await page.goto(`http://built.test/${path}`);
  return said;
}

test.afterAll(() => {
  if (made) rmSync(made, { recursive: true, force: true });
});

test('the plug-in, packed and installed in empty folders: a page and a component are built, open, and play', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const archives = new Map([['@pace-line/vite', packed(join(root, 'plugin'))]]);
  for (const example of ['page', 'react']) {
    const folder = installed(example, archives);
    await build({ root: folder, logLevel: 'silent', configLoader: 'native' });
    expect(readFileSync(join(folder, 'loops.d.ts'), 'utf8')).toContain('export type RiderCode = "');
    const said = await opened(page, join(folder, 'dist'));
    // It plays: marks are reached, or rounds are over.
    await expect.poll(() => page.locator('#count').textContent(), { timeout: 20_000 }).not.toBe('0');
    const picture = page.locator('#picture');
    if (example === 'page')
      expect(await picture.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBeGreaterThan(0);
    expect(said).toEqual([]);
    await page.unrouteAll();
  }
});

test('the command line, packed and installed in an empty folder, checks a scene and builds a page that plays', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const folder = installed('command-line', new Map([['@pace-line/cli', packed(join(root, 'cli'))]]));
  expect(npm(folder, 'run', 'check')).toContain('everything closes');
  npm(folder, 'run', 'build');
  const said = await opened(page, join(folder, 'built'));
  expect(await page.evaluate(() => document.getAnimations().length)).toBeGreaterThan(0);
  expect(said).toEqual([]);
  expect(readFileSync(join(folder, 'built/loop.svg'), 'utf8')).toContain('@keyframes');
});

test('the core, packed and installed in an empty folder, reads a scene and writes what the command line writes', async () => {
  test.setTimeout(300_000);
  const archives = neededBy('@pace-line/core').set('@pace-line/core', packed(join(root, 'core')));
  const folder = installed('core', archives);
  const out = npm(folder, 'start');
  expect(out).toMatch(/^.+ [\d.-]+ [\d.-]+$/m);
  expect(readFileSync(join(folder, 'loop.svg'), 'utf8')).toBe(await drawingOf(sceneOf(text)));
});

const sceneOf = (given: string): Scene => {
  const read = readScene(given);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.scene;
};

async function drawingOf(scene: Scene): Promise<string> {
  const format = formatById('animated-svg')!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
  return textOf(files[0]!);
}

for (const example of ['page', 'react'])
  test(`while it is worked on, a changed scene replaces the loop of the example ${example} where it is, at its moment`, async ({
    page,
  }) => {
    test.setTimeout(120_000);
    const folder = join(work(), `live-${example}`);
    cpSync(join(root, 'examples', example), folder, { recursive: true });
    // An address is handed to the page, which nothing can replace there: what imports one is loaded anew.
    const main = join(folder, 'main.js');
    if (existsSync(main)) writeFileSync(main, readFileSync(main, 'utf8').replace(/.*picture.*\n/g, ''));
    const server = await createServer({
      root: folder,
      configFile: join(folder, 'vite.config.js'),
      configLoader: 'native',
      logLevel: 'silent',
      server: { port: 0, host: '127.0.0.1' },
      cacheDir: join(folder, '.cache'),
    });
    try {
      await server.listen();
      const said: string[] = [];
      page.on('pageerror', (error) => said.push(error.message));
      await page.goto(server.resolvedUrls!.local[0]!);
      const drawing = page.locator('svg[role="img"]');
      await expect(drawing).toHaveCount(1, { timeout: 30_000 });
      await page.evaluate(() => ((globalThis as { isSame?: boolean }).isSame = true));
      const time = (): Promise<number> =>
        page.evaluate(() => Math.max(...document.getAnimations().map(({ currentTime }) => Number(currentTime))));
      await expect.poll(time).toBeGreaterThan(600);
      const before = await time();
      const scene = JSON.parse(text) as { name: string };
      writeFileSync(join(folder, 'tea-barrel.paceline.json'), JSON.stringify({ ...scene, name: 'Another barrel' }));
      await expect(drawing.locator('> title')).toHaveText('Another barrel', { timeout: 20_000 });
      expect(await time()).toBeGreaterThan(before);
      await expect(drawing).toHaveCount(1);
      // The page is the one that it was, and what listens goes on hearing.
      expect(await page.evaluate(() => (globalThis as { isSame?: boolean }).isSame)).toBe(true);
      const count = await page.locator('#count').textContent();
      await expect.poll(() => page.locator('#count').textContent(), { timeout: 20_000 }).not.toBe(count);
      expect(said).toEqual([]);
    } finally {
      await server.close();
    }
  });

test('each example has the one scene, and says what it is made of', () => {
  for (const example of readdirSync(join(root, 'examples'))) {
    expect(readFileSync(join(root, 'examples', example, 'tea-barrel.paceline.json'), 'utf8')).toBe(text);
    expect(JSON.parse(readFileSync(join(root, 'examples', example, 'package.json'), 'utf8'))).toHaveProperty('name');
  }
});
