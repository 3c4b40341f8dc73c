import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { prepare, type Scene } from '@pace-line/core';
import { LOOPS, riderOn, sceneOf, colouredArt } from '../core/src/testing/scenes.ts';

/** A red rider on white that turns, shrinks and is carried past a camera: what is painted is told from all else. */
export const redScene: Scene = sceneOf({
  canvas: { width: 400, height: 300, background: '#ffffff' },
  clock: { duration: 2, fps: 15, repeat: 'loop', times: 2 },
  art: [colouredArt('red', '#dd0000', 30, 20), colouredArt('blue', '#0000dd', 40, 40)],
  guides: [
    {
      ...LOOPS,
      nodes: LOOPS.nodes.map((node) => {
        const { x, y, ...more } = node as { x: number; y: number };
        return { ...more, x: x * 0.45, y: y * 0.45 };
      }),
    },
  ],
  riders: [
    riderOn('still', 'loops', [], { art: 'blue', guide: null, at: [370, 30] }),
    riderOn(
      'r',
      'loops',
      [
        { time: 0, place: { by: 'node', node: 'l1' } },
        { time: 2, place: { by: 'node', node: 'l1', lap: 1 } },
      ],
      { art: 'red' },
    ),
  ],
});

/** Sends the scene that is open in a format; gives the file. */
export async function sent(page: Page, name: string): Promise<Buffer> {
  await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
  const save = page.getByRole('button', { name: /^Save .*\./ });
  await expect(page.locator('.facts')).toContainText('Size');
  const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
  return readFileSync(await download.path());
}

/** Where the middle of the red art is at each frame from a time, s, to the loop's end. */
export function wanted(of: Scene, count: number, scale = 1, from = 0): readonly (readonly [number, number])[] {
  const motion = prepare(of);
  return Array.from({ length: count }, (_, i) => {
    const poses = motion.poseAt(from + (i * (motion.length - from)) / count);
    const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => poses.of(1, key);
    return [scale * (m('a') * 15 + m('c') * 10 + m('e')), scale * (m('b') * 15 + m('d') * 10 + m('f'))] as const;
  });
}

/** The largest gap between two lists of places, px. */
export const worst = (a: readonly (readonly [number, number])[], b: readonly (readonly [number, number])[]): number =>
  a.reduce((most, [x, y], i) => Math.max(most, Math.hypot(x - b[i]![0], y - b[i]![1])), 0);
