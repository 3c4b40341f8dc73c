import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { setTimeout as delay } from 'node:timers/promises';
import type { Page } from '@playwright/test';
import { countedRandom } from '../core/src/testing/random.ts';

/** What became of a scene under random hands. */
export interface MonkeyReport {
  readonly seed: number;
  readonly actions: number;
  readonly steps: number;
  readonly faults: readonly string[];
}

type Random = () => number;
/** Told what is done. */
type Say = (what: string) => void;
const pick = <T>(list: readonly T[], random: Random): T | undefined => list[Math.floor(random() * list.length)];

/** Keys that do something somewhere on the Desk; none opens a file or leaves it. */
const KEYS = [
  ...'ArrowLeft ArrowRight ArrowUp ArrowDown Shift+ArrowLeft Shift+ArrowDown Alt+ArrowRight Delete Backspace Escape Enter Tab'.split(
    ' ',
  ),
  ...'Space Home End , . j k l a b c d e f g h i m n o p q r s t u v w x y z 0 1 2 3 4 5 [ ] + -'.split(' '),
  ...'Control+a Control+c Control+v Control+d Control+z Control+Shift+z Control+x'.split(' '),
];

/** Buttons that leave the Desk, ask for a file, or save one. */
const LEAVES = /save|send|file|bring in|shelf|how to|keep|place to|trace|record|count|take .* out|file…|bring back/i;

const VALUES = ['0', '1', '-3', '12.5', '1e4', '200%', '3+4', '', 'x', '999999', '0.001'];

/** A random point of a pane, window px; undefined where it is not there. */
async function pointOn(page: Page, pane: string, random: Random): Promise<[number, number] | undefined> {
  const box = await page.evaluate((matching) => {
    const found = document.querySelector(matching)?.getBoundingClientRect();
    return found && { x: found.x, y: found.y, width: found.width, height: found.height };
  }, pane);
  return box && [box.x + (0.05 + 0.9 * random()) * box.width, box.y + (0.05 + 0.9 * random()) * box.height];
}

async function drag(page: Page, random: Random, say: Say): Promise<void> {
  const pane = random() < 0.6 ? '.canvas-surface' : '.sheet';
  const [from, to] = [await pointOn(page, pane, random), await pointOn(page, pane, random)];
  if (!from || !to) return;
  say(`drag on ${pane}`);
  const key = random() < 0.2 ? pick(['Shift', 'Alt', 'Control'], random) : undefined;
  // Often what is grabbed is something: a node, a mark, a rider.
  const thing = random() < 0.5 ? await anyOf(page, '.mark, .node, .handle', random()) : undefined;
  const { keyboard, mouse } = page;
  const [x, y] = thing ? ([thing.x, thing.y] as const) : from;
  const isMoved = random() < 0.7;
  const isLeft = random() < 0.1;
  if (thing) say(`drag of ${thing.name}`);
  // Sent one behind the other without waiting for each answer, as a quick hand does.
  await Promise.all([
    key && keyboard.down(key),
    mouse.move(x, y),
    mouse.down(),
    ...(isMoved ? [1, 2, 3].map((k) => mouse.move(x + ((to[0] - x) * k) / 3, y + ((to[1] - y) * k) / 3)) : []),
    isLeft && keyboard.press('Escape'),
    mouse.up(),
    key && keyboard.up(key),
  ]);
}

/** The middle and the name of one of the things that are seen of a kind, window px. */
const anyOf = (
  page: Page,
  selector: string,
  chance: number,
): Promise<{ x: number; y: number; name: string } | undefined> =>
  page.evaluate(
    ([matching, share]) => {
      const seen = [...document.querySelectorAll(matching)].filter((one) => one.checkVisibility());
      const one = seen[Math.floor(share * seen.length)];
      if (!one) return undefined;
      one.scrollIntoView({ block: 'nearest' });
      const { left, top, width, height } = one.getBoundingClientRect();
      const name = `${one.getAttribute('aria-label') ?? ''} ${one.textContent}`;
      return { x: left + width / 2, y: top + height / 2, name };
    },
    [selector, chance] as const,
  );

async function pressButton(page: Page, random: Random, say: Say): Promise<void> {
  const button = await anyOf(page, 'main button:enabled', random());
  if (!button || LEAVES.test(button.name)) return;
  say(`button ${button.name}`);
  await page.mouse.click(button.x, button.y);
}

async function pressKey(page: Page, random: Random, say: Say): Promise<void> {
  const key = pick(KEYS, random) ?? 'Tab';
  say(`key ${key}`);
  await page.keyboard.press(key);
}

async function fillField(page: Page, random: Random, say: Say): Promise<void> {
  const field = await anyOf(page, 'main input:enabled:not([readonly])', random());
  if (!field) return;
  say(`field ${field.name}`);
  await page.mouse.click(field.x, field.y);
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(pick(VALUES, random) ?? '');
  await page.keyboard.press(random() < 0.8 ? 'Enter' : 'Escape');
}

/** ms. Longer than that an action may take the page's answers; and the patience after which it is said to hang. */
const SLOW = 5000;
const HUNG = 60_000;

/** What was done, and whether the page answered after it. */
interface Acted {
  readonly what: string;
  readonly answered: boolean;
}

/** One action; what cannot be done there is passed over. One that is slow is told of. */
async function act(page: Page, random: Random): Promise<Acted> {
  let what = '';
  const say: Say = (one) => void (what = one);
  const chance = random();
  const doing = chance < 0.4 ? drag : chance < 0.7 ? pressKey : chance < 0.88 ? pressButton : fillField;
  const begun = performance.now();
  const acting = doing(page, random, say)
    .then(() => page.evaluate(() => undefined))
    .then(
      () => true,
      () => true,
    );
  const answered = await Promise.race([acting, delay(HUNG, false, { ref: false })]);
  const took = performance.now() - begun;
  if (took > SLOW) console.log(`  ${what}: ${Math.round(took / 1000)} s`);
  return { what, answered };
}

/** What the page saw of the last press on "Save file": which events, on what. */
interface PressedWindow {
  pressed?: string[];
}

/** Has the page note what it sees of the next press, so that one that it never saw is told from one that did nothing. */
const watchPress = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const pressed: string[] = [];
    (window as PressedWindow).pressed = pressed;
    for (const type of ['pointerdown', 'click'])
      window.addEventListener(
        type,
        ({ target }) => pressed.push(`${type} on ${target instanceof Element ? target.textContent.trim() : 'nothing'}`),
        { capture: true, once: true },
      );
  });

const pressSeen = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => (window as PressedWindow).pressed ?? []);

/** The open scene as a saved file; undefined where none is saved, which is a fault of its own. A press that never reached the page is done again, once, and told of. */
async function textOf(page: Page, again = true): Promise<string | undefined> {
  for (let i = 0; i < 4; i++) await page.keyboard.press('Escape');
  await watchPress(page);
  try {
    const [download] = await Promise.all([
      page.waitForEvent('download', { timeout: 30_000 }),
      page.locator('.desk-bar').getByRole('button', { name: 'Save file' }).click({ force: true }),
    ]);
    return readFileSync(await download.path(), 'utf8');
  } catch {
    if (!again || (await pressSeen(page)).length > 0) return undefined;
    console.log('  a press on “Save file” did not reach the page');
    return textOf(page, false);
  }
}

/** What lies over the page, where the keyboard is, and what it saw of the press: for somebody who wonders why it did not do what was asked. */
async function standing(page: Page): Promise<string> {
  const stands = await page.evaluate(() => {
    const words = (one: Element): string => one.textContent.trim().slice(0, 80);
    const over = [...document.querySelectorAll('[role=dialog], [role=alert], [role=alertdialog], [role=menu]')];
    const at = document.activeElement;
    return `over it: ${over.map(words).join(' | ') || 'nothing'}; keyboard at: ${at?.localName} ${at?.getAttribute('aria-label') ?? at?.className}`;
  });
  return `${stands}; of the press it saw: ${(await pressSeen(page)).join(', ') || 'nothing'}`;
}

/** Where what is stored is written for somebody to look at: read by another page, as the one that hangs cannot say. */
async function keptOf(page: Page, seed: number): Promise<string> {
  const beside = await page.context().newPage();
  await beside.goto(new URL('/preview.html', page.url()).href);
  const stored = await beside.evaluate(async () => {
    const all: unknown[] = [];
    for (const { name } of await indexedDB.databases()) {
      const opening = indexedDB.open(name ?? '');
      const db = await new Promise<IDBDatabase>((resolve) => (opening.onsuccess = () => resolve(opening.result)));
      for (const store of db.objectStoreNames) {
        const asking = db.transaction(store).objectStore(store).getAll();
        all.push({
          name,
          store,
          records: await new Promise((resolve) => (asking.onsuccess = () => resolve(asking.result))),
        });
      }
    }
    return JSON.stringify(all);
  });
  const file = `test-results/monkey-${seed}.json`;
  mkdirSync('test-results', { recursive: true });
  writeFileSync(file, stored);
  return file;
}

/** Presses a step of history until there is none left, or often enough; gives how often. */
async function travel(page: Page, word: 'Undo' | 'Redo', most = 400): Promise<number> {
  return page.evaluate(
    async ([name, limit]) => {
      const find = (): HTMLButtonElement | null => document.querySelector(`.desk-bar button[aria-label^="${name}"]`);
      let steps = 0;
      for (let button = find(); steps < limit && button && !button.disabled; button = find()) {
        button.click();
        steps++;
        await new Promise((resolve) => requestAnimationFrame(resolve));
      }
      return steps;
    },
    [word, most] as const,
  );
}

/** Loads the page anew; false where it does not come, and is gone to instead. */
async function loadedAnew(page: Page, address: string): Promise<boolean> {
  const desk = page.locator('.canvas-edge');
  try {
    await page.reload({ timeout: 60_000 });
    await desk.waitFor();
    return true;
  } catch {
    await page.goto(address);
    await desk.waitFor();
    return false;
  }
}

/** Actions between two loads of the page: fewer than history holds. */
const ROUND = 100;

/**
 * Does random things to the open scene. After every hundred, all of it undone has to give back the same bytes, all of it done again the end, and the page loaded
 * anew the same; nothing may be said in the console, and no number in the page be none.
 */
export async function monkey(page: Page, seed: number, actions: number, faults: string[]): Promise<MonkeyReport> {
  const random = countedRandom(seed);
  const found: string[] = [];
  const address = page.url();
  /** What it was when the page was loaded: undo reaches back over loads, but not for ever. */
  const starts = new Set<string | undefined>();
  let steps = 0;
  for (let done = 0; done < actions; done += ROUND) {
    const say = (fault: string): void => void found.push(`seed ${seed}, before action ${done + ROUND}: ${fault}`);
    starts.add(await textOf(page));
    let last: Acted = { what: '', answered: true };
    for (let i = 0; i < ROUND && last.answered; i++) last = await act(page, random);
    if (!last.answered) {
      say(`no answer for ${HUNG / 1000} s after: ${last.what}; kept as ${await keptOf(page, seed)}`);
      break;
    }
    console.log(`  seed ${seed}: ${done + ROUND} of ${actions}`);
    // By keyboard hands come to links, and to bringing an earlier state back as a scene of its own.
    if (page.url() !== address) {
      await page.goto(address);
      await page.locator('.canvas-edge').waitFor();
      continue;
    }
    const after = await textOf(page);
    if (after === undefined) say(`no file was saved after: ${last.what}; ${await standing(page)}`);
    if ((await page.getByText('Not saved!').count()) > 0) say('the scene is not kept');
    const broken = await page.evaluate(() => /NaN|Infinity|undefined/.exec(document.body.innerText)?.[0]);
    if (broken !== undefined) say(`"${broken}" in the page`);
    if (
      await page.evaluate(() => [...document.querySelectorAll('svg')].some((svg) => /NaN|Infinity/.test(svg.outerHTML)))
    )
      say('NaN in a drawing');
    if ((await page.getByText(/cannot be shown/).count()) > 0) say('a part of the Desk failed');
    const undone = await travel(page, 'Undo');
    steps += undone;
    if (undone < 300 && !starts.has(await textOf(page))) say('undoing all gives other bytes');
    // Hands may have ended with steps taken back: those are not done again.
    await travel(page, 'Redo', undone);
    if ((await textOf(page)) !== after) say('redoing all gives other bytes');
    if (!(await loadedAnew(page, address))) say('it could not be loaded anew');
    else {
      const again = await textOf(page);
      if (again === undefined) say('loaded anew, no file was saved');
      else if (again !== after) say('loaded again it is another scene');
    }
    for (const fault of faults.splice(0)) say(fault);
  }
  return { seed, actions, steps, faults: found };
}
