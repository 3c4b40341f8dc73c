import type { Browser, Page } from '@playwright/test';
import { countedRandom } from '../core/src/testing/random.ts';

/** What became of scenes that were worked on in a browser whose store was full. */
export interface QuotaReport {
  readonly edits: number;
  /** How often it was said that nothing is stored. */
  readonly refusals: number;
  readonly faults: readonly string[];
}

const nameField = (page: Page) => page.getByRole('textbox', { name: 'Scene name' });

async function rename(page: Page, name: string): Promise<void> {
  await nameField(page).fill(name);
  await page.keyboard.press('Enter');
}

/** Drops a picture of random pixels, which nothing packs, to be drawn over; so many bytes. */
const dropPicture = (page: Page, bytes: number): Promise<void> =>
  page.evaluate(async (size) => {
    const side = Math.ceil(Math.sqrt(size / 3));
    const canvas = new OffscreenCanvas(side, side);
    const context = canvas.getContext('2d');
    const pixels = new ImageData(side, side);
    for (let i = 0; i < pixels.data.length; i += 65_536)
      crypto.getRandomValues(pixels.data.subarray(i, Math.min(i + 65_536, pixels.data.length)));
    for (let i = 3; i < pixels.data.length; i += 4) pixels.data[i] = 255;
    context?.putImageData(pixels, 0, 0);
    const blob = await canvas.convertToBlob({ type: 'image/png' });
    const data = new DataTransfer();
    data.items.add(new File([blob], 'noise.png', { type: 'image/png' }));
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  }, bytes);

/**
 * Works on scenes with a real quota that becomes full: that is said, nothing that was stored is harmed, and what stands on the Desk is stored once there is room
 * again.
 */
export async function fillQuota(browser: Browser, base: string, count: number): Promise<QuotaReport> {
  const random = countedRandom(9);
  const faults: string[] = [];
  let [edits, refusals] = [0, 0];
  for (let i = 0; i < count; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.addInitScript('globalThis.__name ??= (f) => f');
    page.setDefaultTimeout(30_000);
    try {
      await page.goto(base);
      await page.getByRole('button', { name: /Open the sample Two ferries/ }).click();
      await nameField(page).waitFor();
      await page.getByText(/^Saved [^i]/).waitFor();
      const client = await context.newCDPSession(page);
      const quota = (bytes?: number): Promise<unknown> =>
        client.send('Storage.overrideQuotaForOrigin', {
          origin: new URL(base).origin,
          ...(bytes === undefined ? {} : { quotaSize: bytes }),
        });
      const { usage = 0 } = await page.evaluate(() => navigator.storage.estimate());
      await quota(usage + 300_000 + Math.round(random() * 400_000));
      let isFull = false;
      for (let edit = 0; edit < 8 && !isFull; edit++) {
        await dropPicture(page, 200_000 + random() * 200_000);
        await rename(page, `Scene ${i}, edit ${edit}`);
        edits += 2;
        isFull = await page
          .getByText('Not saved!')
          .waitFor({ timeout: 4000 })
          .then(
            () => true,
            () => false,
          );
      }
      if (!isFull) throw new Error('it never became full');
      refusals++;
      const shown = await nameField(page).inputValue();
      // A second tab still opens what was stored, whole.
      const other = await context.newPage();
      await other.goto(base);
      await other.getByRole('button', { name: /^Open (?:Two ferries|Scene)/ }).waitFor();
      await other.close();
      await quota();
      await page.getByText(/^Saved [^i]/).waitFor({ timeout: 20_000 });
      await page.reload();
      await nameField(page).waitFor();
      const after = await nameField(page).inputValue();
      if (after !== shown) faults.push(`scene ${i}: “${after}” for “${shown}”`);
      if ((await page.getByText(/picture(?:s are| is) missing/).count()) > 0)
        faults.push(`scene ${i}: a picture is missing`);
    } catch (error) {
      faults.push(`scene ${i}: ${error instanceof Error ? error.message.split('\n')[0] : String(error)}`);
    } finally {
      await context.close();
    }
  }
  return { edits, refusals, faults };
}
