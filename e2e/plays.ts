import { expect, type Page } from '@playwright/test';
import { prepare, type Scene } from '@pace-line/core';
import { worstGap } from './motion.ts';
import { write } from './writing.ts';

/** What was sent plays as the scene says, everywhere. */
export async function playsAsMeant(page: Page, scene: Scene): Promise<void> {
  const file = await write(scene, 'animated-svg');
  await page.setContent(`<!doctype html><body style="margin:0">${file.text}</body>`);
  const { length } = prepare(scene);
  const times = Array.from({ length: 40 }, (_, i) => ((i * 0.618 + 0.03) % 1) * length);
  const worst = await worstGap(page, scene, times);
  expect(worst.gap, `${worst.rider} at ${worst.time}`).toBeLessThan(0.5);
}
