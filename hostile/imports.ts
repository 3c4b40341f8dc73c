import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { readScene } from '@pace-line/core';
import { countedRandom } from '../core/src/testing/random.ts';

/** A file with ten times as much in it as a scene holds, or more. */
interface LargeFile {
  readonly name: string;
  readonly type: string;
  readonly text: string;
}

/** What became of a large file that was dropped on the Desk. */
export interface ImportFate {
  readonly name: string;
  readonly megabytes: number;
  readonly state: 'taken' | 'refused' | 'no answer';
  /** ms for which the page did not answer at most. */
  readonly held: number;
  /** Nodes of the largest guide afterwards. */
  readonly nodes: number;
  readonly faults: readonly string[];
}

const many = (count: number, piece: (i: number) => string, between = ''): string =>
  Array.from({ length: count }, (_, i) => piece(i)).join(between);

/** A way of so many points that a receiver might have noted. */
function walk(count: number): [number, number][] {
  const random = countedRandom(28);
  let [x, y, angle] = [0, 0, 0];
  return Array.from({ length: count }, () => {
    angle += (random() - 0.5) * 0.6;
    [x, y] = [x + Math.cos(angle) * 2 + random() - 0.5, y + Math.sin(angle) * 2 + random() - 0.5];
    return [x, y];
  });
}

/** Files of every kind that the Desk takes, each with ten times the most that a scene may have of it. */
export function largeFiles(): LargeFile[] {
  const points = walk(400_000);
  const chance = countedRandom(3);
  const svg = (inside: string): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1280 720">${inside}</svg>`;
  const d = `M0 0${many(200_000, (i) => `L${(points[i]?.[0] ?? 0).toFixed(2)} ${(points[i]?.[1] ?? 0).toFixed(2)}`)}`;
  const guide = (i: number): string =>
    `{"name":"g${i}","guide":{"id":"g${i}","name":"g","closed":false,"nodes":[],"color":"#000000"}}`;
  return [
    { name: 'walk.csv', type: 'text/csv', text: points.map(([x, y]) => `${x.toFixed(3)},${y.toFixed(3)}`).join('\n') },
    { name: 'noise.csv', type: 'text/csv', text: many(200_000, () => `${chance() * 1280},${chance() * 720}`, '\n') },
    {
      name: 'walk.gpx',
      type: 'application/gpx+xml',
      text: `<gpx><trk><trkseg>${points.map(([x, y]) => `<trkpt lat="${(50 + y * 1e-5).toFixed(6)}" lon="${(8 + x * 1e-5).toFixed(6)}"/>`).join('')}</trkseg></trk></gpx>`,
    },
    {
      name: 'tracks.gpx',
      type: 'application/gpx+xml',
      text: `<gpx>${many(20_000, (i) => `<trk><trkseg><trkpt lat="50" lon="${8 + i * 1e-5}"/><trkpt lat="50.1" lon="8"/></trkseg></trk>`)}</gpx>`,
    },
    { name: 'words.csv', type: 'text/csv', text: many(900_000, (i) => `here is no point ${i}`, '\n') },
    { name: 'path.svg', type: 'image/svg+xml', text: svg(`<path d="${d}"/>`) },
    { name: 'elements.svg', type: 'image/svg+xml', text: svg(many(200_000, () => '<rect width="1"/>')) },
    {
      name: 'empty-objects.paceline.json',
      type: 'application/json',
      text: `{"format":"pace-line/scene","version":9,"riders":[${many(3_000_000, () => '{}', ',')}]}`,
    },
    {
      name: 'nested.paceline.json',
      type: 'application/json',
      text: `{"format":"pace-line/scene","version":9,"name":${'['.repeat(2_000_000)}`,
    },
    {
      name: 'collection.json',
      type: 'application/json',
      text: `{"format":"pace-line/guides","version":1,"guides":[${many(50_000, guide, ',')}]}`,
    },
  ];
}

/** Drops a large file on the Desk, waits for what becomes of it, and saves the scene: that file has to open. */
export async function dropLarge(page: Page, { name, type, text }: LargeFile, faults: string[]): Promise<ImportFate> {
  const before = faults.length;
  const address = page.url();
  await page.evaluate(() => {
    const state = { most: 0, last: performance.now() };
    (window as unknown as { heldUp: typeof state }).heldUp = state;
    const look = (): void => {
      const now = performance.now();
      state.most = Math.max(state.most, now - state.last);
      state.last = now;
      setTimeout(look, 5);
    };
    look();
  });
  // In pieces, so that the text itself does not hold the page up.
  await page.evaluate(() => void ((window as unknown as { parts: string[] }).parts = []));
  for (let i = 0; i < text.length; i += 4_000_000)
    await page.evaluate(
      (part) => void (window as unknown as { parts: string[] }).parts.push(part),
      text.slice(i, i + 4_000_000),
    );
  const guides = (): Promise<number> => page.locator('.guide-line').count();
  const had = await guides();
  await page.evaluate(
    ({ name: called, type: kind }) => {
      const state = window as unknown as { heldUp: { most: number; last: number }; parts: string[] };
      const data = new DataTransfer();
      data.items.add(new File(state.parts, called, { type: kind }));
      state.parts = [];
      state.heldUp.most = 0;
      state.heldUp.last = performance.now();
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    },
    { name, type },
  );
  const notice = page.locator('.mantine-Notification-root, [role=dialog]').first();
  let state: ImportFate['state'] = 'no answer';
  for (let i = 0; i < 600 && state === 'no answer'; i++) {
    await page.waitForTimeout(200);
    const said = await page.locator('.mantine-Notification-root').allInnerTexts();
    if (said.some((words) => /was not (?:imported|opened)/.test(words))) state = 'refused';
    else if ((await guides()) > had || page.url() !== address || (await page.getByRole('dialog').count()) > 0)
      state = 'taken';
  }
  await notice.waitFor({ timeout: 1000 }).catch(() => undefined);
  const held = await page.evaluate(() => (window as unknown as { heldUp: { most: number } }).heldUp.most);
  await page.keyboard.press('Escape');
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByRole('button', { name: 'Save file' }).click(),
  ]);
  const read = readScene(readFileSync(await download.path(), 'utf8'));
  const wrong = faults.slice(before);
  if (!read.ok) wrong.push(`the saved file does not open: ${read.problems[0]?.message}`);
  if (state === 'no answer') wrong.push('no answer');
  const nodes = read.ok ? read.scene.guides.reduce((most, one) => Math.max(most, one.nodes.length), 0) : 0;
  return { name, megabytes: text.length / 1e6, state, held, nodes, faults: wrong };
}
