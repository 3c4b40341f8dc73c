import type { Browser, Page } from '@playwright/test';
import { median, type Row } from '../measure.ts';
import { PORT } from './hands.ts';
import { SECONDS, watch } from './watch.ts';

const SCENES = 300;

/** Keeps copies of a sample, each with its moving picture, as if somebody had made them; gives that picture. */
async function fillShelf(page: Page): Promise<string> {
  await page.goto(`http://127.0.0.1:${PORT}/`);
  await page.getByRole('button', { name: /Open the sample Two ferries/ }).click();
  await page.locator('.pace-line').first().waitFor();
  // The picture is drawn once hands are still.
  await page.waitForTimeout(6000);
  await page.goto(`http://127.0.0.1:${PORT}/help`);
  return page.evaluate(
    (count) =>
      new Promise<string>((resolve) => {
        const opening = indexedDB.open('pace-line-scenes');
        opening.onsuccess = () => {
          const into = opening.result.transaction(['scenes', 'cards', 'pictures'], 'readwrite');
          const asked = (['scenes', 'cards', 'pictures'] as const).map((name) => into.objectStore(name).getAll());
          (asked[2] as IDBRequest<unknown[]>).onsuccess = () => {
            const [scene, card, picture] = asked.map(({ result }) => result[0] as unknown);
            for (let i = 0; i < count; i++) {
              into.objectStore('scenes').put(scene, `copy-${i}`);
              into.objectStore('cards').put({ ...(card as object), name: `Copy ${i}`, order: i }, `copy-${i}`);
              into.objectStore('pictures').put(picture, `copy-${i}`);
            }
            into.oncomplete = () => resolve(String(picture));
          };
        };
      }),
    SCENES,
  );
}

/** Loads a page and gives the ms until a picture in it has been painted. */
async function untilPicture(page: Page, load: () => Promise<unknown>): Promise<number> {
  await page.addInitScript(() => {
    const look = (): void => {
      const isThere = [...document.images].some((one) => one.complete && one.naturalWidth > 0);
      if (isThere) requestAnimationFrame(() => ((window as unknown as { seen: number }).seen = performance.now()));
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
  await load();
  await page.waitForFunction(() => 'seen' in window, undefined, { timeout: 30_000 });
  return page.evaluate(() => (window as unknown as { seen: number }).seen);
}

/** Frames a second while a page is scrolled from its top. */
async function scrolled(page: Page): Promise<number> {
  await page.bringToFront();
  await page.mouse.move(640, 500);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Performance.enable');
  const { fps } = await watch(page, cdp, async () => {
    const end = Date.now() + SECONDS * 1000;
    while (Date.now() < end) {
      await page.mouse.wheel(0, 120);
      await page.waitForTimeout(16);
    }
  });
  return fps;
}

/** A Shelf of many scenes beside a page of as many pictures and nothing else. */
export async function shelfRows(browser: Browser): Promise<Row[]> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const picture = await fillShelf(page);
  const ours = await untilPicture(page, () => page.goto(`http://127.0.0.1:${PORT}/`));
  const source = `data:image/svg+xml,${encodeURIComponent(picture)}`;
  const cards = Array.from(
    { length: SCENES },
    () => `<li><img loading="lazy" width="260" height="146" src="${source}"></li>`,
  );
  const plain = `<!doctype html><style>ul{display:grid;grid-template-columns:repeat(4,1fr);gap:20px}li{height:190px}</style><ul>${cards.join('')}</ul>`;
  const beside = await context.newPage();
  await beside.route('**/bare.html', (route) => route.fulfill({ contentType: 'text/html', body: plain }));
  const bare = await untilPicture(beside, () => beside.goto(`http://127.0.0.1:${PORT}/bare.html`));
  const [many, few]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < 5; turn++) {
    await page.reload();
    await page.locator('.picture-frame img').first().waitFor();
    many.push(await scrolled(page));
    await beside.reload();
    await beside.waitForTimeout(800);
    few.push(await scrolled(beside));
  }
  await context.close();
  const [shelf, alone] = [median(many), median(few)];
  return [
    {
      what: `the first picture on a Shelf of ${SCENES} scenes`,
      figure: `after ${Math.round(ours)} ms`,
      beside: `page of ${SCENES} such pictures and nothing else: ${Math.round(bare)} ms`,
      promise: 'within a second',
      kept: ours < 1000,
    },
    {
      what: `a Shelf of ${SCENES} scenes is scrolled`,
      figure: `${shelf.toFixed(1)} frames/s shown`,
      beside: `that page ${alone.toFixed(1)}: share ${(shelf / alone).toFixed(2)}`,
      promise: '0.9 of that page’s frames',
      kept: shelf >= 0.9 * alone,
    },
  ];
}
