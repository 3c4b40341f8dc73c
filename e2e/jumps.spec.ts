import { expect, test } from '@playwright/test';
import { hostPage } from './hosting.ts';
import { boxesOf, eventsAndBeside, jumping, worstOf } from './jumping.ts';
import { cornersInPage, type Corners } from './motion.ts';
import { write } from './writing.ts';

test('an animated SVG shows one side or the other at the exact time of every event, and beside it; never between', async ({
  page,
}) => {
  const scene = jumping();
  const asked = eventsAndBeside(scene);
  const { times } = asked;
  expect(times.length).toBeGreaterThan(60);
  await page.setContent(`<!doctype html><body style="margin:0">${(await write(scene, 'animated-svg')).text}</body>`);
  const shown = await page.evaluate(cornersInPage, { times, boxes: boxesOf(scene), seek: true });
  const worst = worstOf(scene, asked, shown);
  expect(worst.gap, worst.where).toBeLessThan(0.5);
});

test('so does a module, wherever it is told to be', async ({ page }) => {
  const scene = jumping();
  const asked = eventsAndBeside(scene);
  const { times } = asked;
  await hostPage(page, scene, `mount(document.querySelector('#here'), { driver: 'none' })`);
  const shown: Corners[][] = [];
  for (const time of times) {
    await page.evaluate(`made.seek(${time})`);
    shown.push((await page.evaluate(cornersInPage, { times: [0], boxes: boxesOf(scene), seek: false }))[0]!);
  }
  const worst = worstOf(scene, asked, shown);
  expect(worst.gap, worst.where).toBeLessThan(0.5);
});
