import { setTimeout as wait } from 'node:timers/promises';
import type { Page } from '@playwright/test';
import { countedRandom } from '../core/src/testing/random.ts';
import { newProfile, startBrowser } from './browser.ts';

/** What became of a scene that was edited while its browser was killed, many times over. */
export interface KillReport {
  readonly kills: number;
  /** Edits that were made in all. */
  readonly edits: number;
  /** Kills after which an edit was missing that was over when the one in the hand was begun. */
  readonly lost: readonly string[];
  /** Kills after which the scene did not open. */
  readonly unopened: readonly string[];
}

/** ms between the first edit and the kill, at most. */
const LONGEST = 1500;

const nameField = (page: Page) => page.getByRole('textbox', { name: 'Scene name' });

/** The number that the last edit gave the scene as its name; undefined where the scene does not open. */
async function openedNumber(page: Page, address: string): Promise<number | undefined> {
  try {
    await page.goto(address);
    const name = await nameField(page).inputValue();
    await page.locator('.guide-line').first().waitFor();
    return Number(/\d+$/.exec(name)?.[0] ?? 0);
  } catch {
    return undefined;
  }
}

/**
 * Edits for as long as the page lives, several times a second: a mark is moved by a key, then the scene is called by the number of the edit. An edit is over
 * when the next one has begun and this machine has had the time to keep a plain record from then on: no edit can be kept sooner than that.
 */
async function editOn(page: Page, from: number, onOver: (number: number) => void): Promise<void> {
  await page.exposeFunction('editOver', onOver);
  await page.evaluate(async (first) => {
    const records = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('beside-the-edits', 1);
      opening.onupgradeneeded = () => opening.result.createObjectStore('numbers');
      opening.onsuccess = () => {
        resolve(opening.result);
      };
      opening.onerror = () => {
        reject(new Error('No database beside the edits'));
      };
    });
    const over = (number: number): void => {
      const keeping = records.transaction('numbers', 'readwrite', { durability: 'strict' });
      keeping.objectStore('numbers').put(number, 'last');
      keeping.oncomplete = () => {
        (window as unknown as { editOver: (number: number) => void }).editOver(number);
      };
    };
    const press = (on: Element, key: string): boolean =>
      on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    // The setter of the element, not the one that the view library put before it.
    // eslint-disable-next-line @typescript-eslint/unbound-method -- called with its element below
    const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    let number = first;
    const next = (): void => {
      over(number - 1);
      const mark = document.querySelectorAll<SVGElement>('.mark')[1];
      mark?.focus();
      if (mark) press(mark, number % 2 === 0 ? 'ArrowRight' : 'ArrowLeft');
      const field = document.querySelector<HTMLInputElement>('input[aria-label="Scene name"]');
      if (!field) return;
      field.focus();
      write?.call(field, `Edit ${number}`);
      field.dispatchEvent(new Event('input', { bubbles: true }));
      requestAnimationFrame(() => {
        press(field, 'Enter');
        number++;
        // As fast as hands follow one gesture with the next.
        setTimeout(next, 250);
      });
    };
    next();
  }, from);
}

/**
 * Edits a scene in a browser whose processes are all killed at a random moment, `kills` times on one profile. After each the scene has to open with at least
 * the last edit that was over.
 */
export async function killEditing(base: string, kills: number, seed: number): Promise<KillReport> {
  const random = countedRandom(seed);
  const profile = newProfile();
  const lost: string[] = [];
  const unopened: string[] = [];
  let made = 0;
  let address = '';
  try {
    for (let kill = 0; kill <= kills; kill++) {
      const { page, kill: end } = await startBrowser(profile.folder);
      if (kill === 0) {
        await page.goto(base);
        await page.getByRole('button', { name: /Open the sample Two ferries/ }).click();
        await nameField(page).waitFor();
        address = page.url();
      } else {
        const found = await openedNumber(page, address);
        if (found === undefined) unopened.push(`kill ${kill}: after edit ${made}`);
        else if (found < made) lost.push(`kill ${kill}: edit ${found} of ${made}`);
        made = Math.max(made, found ?? 0);
      }
      if (kill === kills) {
        await end();
        break;
      }
      await editOn(page, made + 1, (number) => (made = Math.max(made, number)));
      await wait(random() * LONGEST);
      await end();
    }
  } finally {
    profile.remove();
  }
  return { kills, edits: made, lost, unopened };
}
