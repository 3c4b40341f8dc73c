import { once } from 'node:events';
import { readdirSync, readFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { createApp } from '@pace-line/server';
import { deleteAndUndo } from './deletions.ts';
import { fillDisk, interrupt, type WritingReport } from './disk.ts';
import { fateOfDrawing } from './drawing-fate.ts';
import { hostileDrawings } from './drawings.ts';
import { fateOf } from './evaluate.ts';
import { dropLarge, largeFiles, type ImportFate } from './imports.ts';
import { killEditing } from './kills.ts';
import { monkey } from './monkey.ts';
import { mutated } from './mutations.ts';
import { dropDrawing, openHostile, watchPage, type PageFate } from './pages.ts';
import { fillQuota } from './quota.ts';
import { report, type ReportLine } from './report.ts';
import { hostileScenes } from './scenes.ts';
import { soak } from './soak.ts';

/** How much of each part is done: `name=count` on the command line does as much, names alone all of it; `monkey=6-10` lets those seeds loose. */
const FULL: Readonly<Record<string, number>> = {
  drawings: 1000,
  scenes: 1000,
  mutations: 10_000,
  imports: 100,
  kills: 1000,
  deletions: 200,
  quota: 20,
  disk: 1,
  interrupted: 100,
  monkey: 20,
  soak: 30,
};
/** Actions of one monkey. */
const ACTIONS = 3000;

const asked = process.argv.slice(2).map((one) => one.split('='));
const amounts = new Map(
  Object.entries(FULL)
    .filter(([part]) => asked.length === 0 || asked.some(([name]) => name === part))
    .map(([part, full]) => [part, asked.find(([name]) => name === part)?.[1] ?? String(full)]),
);

const on = new Date().toISOString().slice(0, 10);
const lines: ReportLine[] = [];
const say = (part: string, tried: string, became: string, faults: readonly string[]): void => {
  lines.push({ part, tried, became, held: faults.length === 0, on });
  console.log(`${part}: ${tried}; ${became}`);
  for (const fault of faults.slice(0, 20)) console.log(`  FAULT ${fault}`);
  report(lines);
};
/** What takes long is told of as it comes, and now and then how far it is. */
const tell = (done: number, all: number, name: string, ms: number): void => {
  if (ms > 2000 || done % 25 === 0) console.log(`  ${done} of ${all}: ${name} (${Math.round(ms)} ms)`);
};
const worst = (times: readonly number[]): string =>
  `${Math.round(times.reduce((most, one) => Math.max(most, one), 0))} ms`;

const server = createApp(process.env['PACE_LINE_EDITOR'] ?? new URL('../editor/dist', import.meta.url).pathname).listen(
  0,
  '127.0.0.1',
);
await once(server, 'listening');
const address = server.address();
const base = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}/`;
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
  args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
});

async function newPage(): Promise<{ page: Page; faults: string[] }> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
  const page = await context.newPage();
  // What runs this file may name functions by a helper that pages do not have.
  await page.addInitScript('globalThis.__name ??= (f) => f');
  const { faults } = await watchPage(page);
  await page.goto(base);
  return { page, faults };
}

async function drawings(count: number): Promise<void> {
  const all = hostileDrawings().slice(0, count);
  const fates = all.map(({ name, text }) => ({ name, ...fateOfDrawing(text) }));
  const refused = fates.filter((one) => one.refused !== undefined);
  say(
    'drawings',
    `${all.length} files`,
    `${refused.length} refused with a reason, ${all.length - refused.length} taken, kept and opened again; longest reading without a deadline ${worst(fates.map(({ ms }) => ms))}`,
    fates.flatMap(({ name, faults }) => faults.map((fault) => `${name}: ${fault}`)),
  );
  const { page, faults } = await newPage();
  await page.getByRole('button', { name: 'New scene' }).click();
  await page.locator('.canvas-edge').waitFor();
  // What a Desk still does that has just been opened is not the drawing's.
  await page.waitForTimeout(3000);
  const seen: PageFate[] = [];
  for (const drawing of all) seen.push(await dropDrawing(page, drawing, faults));
  await page.context().close();
  const plain = all.flatMap(({ size }, i) => (size < 0.01 ? [seen[i]?.held ?? 0] : [])).sort((a, b) => a - b);
  const usual = `${Math.round(plain[plain.length >> 1] ?? 0)} ms by the plain ones`;
  sayPages('drawings in the page', seen, 'dropped on the Desk', usual);
}

function sayPages(part: string, seen: readonly PageFate[], how: string, usual?: string): void {
  const count = (state: PageFate['state']): number => seen.filter((one) => one.state === state).length;
  const long = seen.filter(({ held }) => held > 100).map(({ name, held }) => `${name} (${Math.round(held)} ms)`);
  say(
    part,
    `${seen.length} ${how}`,
    `${count('taken')} taken, ${count('asked')} asked about, ${count('refused')} refused, ${count('no answer')} without an answer; the page held up for ${worst(seen.map(({ held }) => held))} at most, longer than 100 ms by ${long.length}${usual === undefined ? '' : ` (median ${usual})`}`,
    [
      ...seen.flatMap(({ name, state, faults }) =>
        [...faults, ...(state === 'no answer' ? ['no answer'] : [])].map((fault) => `${name}: ${fault}`),
      ),
      // Reading a drawing may not hold the page; opening a scene is waited for.
      ...(usual === undefined ? [] : long.map((one) => `held up: ${one}`)),
    ],
  );
  for (const one of long) console.log(`  held: ${one}`);
}

async function scenes(count: number): Promise<void> {
  const all = hostileScenes().slice(0, count);
  const faults: string[] = [];
  const times: number[] = [];
  for (const { name, json } of all) {
    const begun = performance.now();
    const fate = await fateOf(json);
    times.push(performance.now() - begun);
    tell(times.length, all.length, name, times.at(-1) ?? 0);
    if (fate.state === 'taken') faults.push(...fate.faults.map((fault) => `${name}: ${fault}`));
  }
  say(
    'scenes',
    `${all.length} scenes, each written in every format`,
    `no NaN, each the same when opened again; longest ${worst(times)} with all writing`,
    faults,
  );
  const { page, faults: seenFaults } = await newPage();
  const seen: PageFate[] = [];
  for (const scene of all) {
    const one = await openHostile(page, base, scene, seenFaults);
    seen.push(one);
    tell(seen.length, all.length, `${one.name}, ${one.state}`, one.held);
  }
  await page.context().close();
  sayPages('scenes in the page', seen, 'opened on the Desk');
}

async function mutations(count: number): Promise<void> {
  const folder = new URL('../samples/scenes/', import.meta.url);
  const samples = readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .map((name) => JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as unknown);
  const faults: string[] = [];
  const times: number[] = [];
  let refused = 0;
  for (let seed = 0; seed < count; seed++) {
    const begun = performance.now();
    const fate = await fateOf(mutated(samples[seed % samples.length], seed), false);
    times.push(performance.now() - begun);
    if (fate.state === 'refused') refused++;
    else faults.push(...fate.faults.map((fault) => `seed ${seed}: ${fault}`));
  }
  say(
    'mutations',
    `seeds 0 to ${count - 1}`,
    `${refused} refused with a reason, ${count - refused} taken and evaluated; longest ${worst(times)}`,
    faults,
  );
}

async function kills(count: number): Promise<void> {
  const { edits, lost, unopened } = await killEditing(base, count, count);
  say(
    'kills',
    `${count} kills of the whole browser, seed ${count}, over ${edits} edits`,
    `${unopened.length} scenes not opened, ${lost.length} times an edit lost that was over when the last was begun`,
    [...unopened, ...lost],
  );
}

async function imports(count: number): Promise<void> {
  const seen: ImportFate[] = [];
  for (const file of largeFiles().slice(0, count)) {
    const { page, faults } = await newPage();
    await page.getByRole('button', { name: 'New scene' }).click();
    await page.locator('.canvas-edge').waitFor();
    // What a Desk still does that has just been opened is not the file's.
    await page.waitForTimeout(2000);
    const one = await dropLarge(page, file, faults);
    console.log(`  ${one.name} (${one.megabytes.toFixed(1)} MB): ${one.state}, held up for ${Math.round(one.held)} ms`);
    seen.push(one);
    await page.context().close();
  }
  const is = (state: ImportFate['state']): number => seen.filter((one) => one.state === state).length;
  say(
    'imports',
    `${seen.length} files with ten times what a scene holds, up to ${Math.max(...seen.map(({ megabytes }) => megabytes)).toFixed(0)} MB`,
    `${is('taken')} taken and thinned to ${Math.max(...seen.map(({ nodes }) => nodes))} nodes at most, ${is('refused')} refused with a reason, ${is('no answer')} without an answer; every scene saved opens again; the page held up for ${worst(seen.map(({ held }) => held))} at most`,
    seen.flatMap(({ name, faults }) => faults.map((fault) => `${name}: ${fault}`)),
  );
}

async function deletions(count: number): Promise<void> {
  const { acts, pictures, lost } = await deleteAndUndo(browser, count);
  say(
    'deletions',
    `${count} mixes of deleting, undoing, versions, collecting and two tabs over weeks, ${acts} acts, ${pictures} pictures`,
    `${lost.length} scenes, versions or pictures lost`,
    lost,
  );
}

async function quota(count: number): Promise<void> {
  const { edits, refusals, faults } = await fillQuota(browser, base, count);
  say(
    'quota',
    `${count} scenes worked on until the browser’s store was full, ${edits} edits`,
    `${refusals} times it was said that nothing more is stored; after room was made each was kept as it stood`,
    faults,
  );
}

const sayWriting = (part: string, what: string, { tried, whole, faults }: WritingReport): void =>
  say(
    part,
    `${tried} ${what}`,
    `${whole} written whole, ${tried - whole} not at all; ${faults.length} half or broken files`,
    faults,
  );

async function interrupted(count: number): Promise<void> {
  sayWriting(
    'interrupted',
    'exports of the command line interrupted at a random moment',
    await interrupt(count, count),
  );
}

/** Hours of work in all, so each seed has a line of its own: what other runs said of other seeds stays. */
async function monkeys(seeds: string): Promise<void> {
  const [first = 1, last = first] = seeds.includes('-') ? seeds.split('-').map(Number) : [1, Number(seeds)];
  for (let seed = first; seed <= last; seed++) {
    const { page, faults } = await newPage();
    const samples = page.getByRole('button', { name: /^Open the sample/ });
    await samples.first().waitFor();
    const sample = samples.nth(seed % (await samples.count()));
    const name = ((await sample.getAttribute('aria-label')) ?? '').replace('Open the sample ', '');
    await sample.click();
    await page.locator('.canvas-edge').waitFor();
    const begun = Date.now();
    const { steps, faults: found } = await monkey(page, seed, ACTIONS, faults);
    await page.context().close();
    say(
      `monkey, seed ${seed}`,
      `${ACTIONS} actions on “${name}”, ${Math.round((Date.now() - begun) / 60_000)} minutes`,
      `${steps} steps undone and done again to the same bytes, each hundred actions loaded anew`,
      found,
    );
  }
}

/** Percent an hour that heap and nodes may grow by. */
const STEADY = 10;

async function soaked(minutes: number): Promise<void> {
  const { page, faults } = await newPage();
  await page.getByRole('button', { name: /Open the sample Two ferries/ }).click();
  await page.locator('.pace-line').first().waitFor();
  const { edits, heapSlope, nodesSlope, standings } = await soak(page, minutes);
  const [first, last] = [standings[0], standings.at(-1)];
  const grows = [heapSlope > STEADY ? 'the heap grows' : '', nodesSlope > STEADY ? 'nodes grow' : ''].filter(Boolean);
  say(
    'soak',
    `${minutes} minutes of playing, ${edits} edits`,
    `heap ${first?.heapMB.toFixed(1)} to ${last?.heapMB.toFixed(1)} MB (${heapSlope.toFixed(1)} % an hour), nodes ${first?.nodes} to ${last?.nodes} (${nodesSlope.toFixed(1)} % an hour), frames ${first?.frames.toFixed(1)} to ${last?.frames.toFixed(1)} a second`,
    [...grows, ...faults],
  );
}

const RUNS: Readonly<Record<string, (amount: string) => Promise<void>>> = {
  drawings: (count) => drawings(Number(count)),
  scenes: (count) => scenes(Number(count)),
  mutations: (count) => mutations(Number(count)),
  imports: (count) => imports(Number(count)),
  kills: (count) => kills(Number(count)),
  deletions: (count) => deletions(Number(count)),
  quota: (count) => quota(Number(count)),
  disk: () =>
    Promise.resolve(sayWriting('disk full', 'exports of the command line where files may grow no further', fillDisk())),
  interrupted: (count) => interrupted(Number(count)),
  monkey: monkeys,
  soak: (minutes) => soaked(Number(minutes)),
};
for (const [part, amount] of amounts) await RUNS[part]?.(amount);
await browser.close();
server.close();
process.exitCode = lines.every(({ held }) => held) ? 0 : 1;
