import type { Page } from '@playwright/test';
import { placedArt, prepare, Poses, type Picture, type Scene } from '@pace-line/core';
import { ART } from './scenes.ts';

/** Leaves what was open: its loop would go on in the page that is written over it. */
const leave = async (page: Page): Promise<void> => {
  await page.bringToFront();
  await page.goto('about:blank');
};

/** A page that draws a long path, cased, and changes it in every frame as a drag would: with none of our code. */
export async function barePath(page: Page, scene: Scene): Promise<void> {
  const nodes = scene.guides[0]?.nodes ?? [];
  await leave(page);
  await page.setContent(
    `<!doctype html><body style="margin:0;background:#efe8da"><svg width="742" height="560"><g transform="matrix(0.536 0 0 0.536 28 90)" fill="none"><path id="a" stroke="#fff" stroke-width="14"/><path id="b" stroke="#0B7A75" stroke-width="7"/></g></svg></body>`,
  );
  await page.evaluate(
    (list) => {
      const paths = [document.getElementById('a'), document.getElementById('b')];
      let i = 0;
      const tick = (): void => {
        const dx = 60 * Math.sin(i++ / 12);
        const moved = list.map((node, k) => (k === 500 ? { ...node, x: node.x + dx } : node));
        const first = moved[0]!;
        let d = `M${first.x.toFixed(3)} ${first.y.toFixed(3)}`;
        for (let k = 0; k < moved.length; k++) {
          const a = moved[k]!;
          const b = moved[(k + 1) % moved.length]!;
          d += `C${(a.x + a.out[0]!).toFixed(3)} ${(a.y + a.out[1]!).toFixed(3)} ${(b.x + b.in[0]!).toFixed(3)} ${(b.y + b.in[1]!).toFixed(3)} ${b.x.toFixed(3)} ${b.y.toFixed(3)}`;
        }
        for (const path of paths) path?.setAttribute('d', `${d}Z`);
        requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
    },
    nodes.map(({ x, y, in: a, out: b }) => ({ x, y, in: [...(a ?? [0, 0])], out: [...(b ?? [0, 0])] })),
  );
  await page.waitForTimeout(800);
}

/** A page with nothing but the art, moved by one loop. */
export async function bare(page: Page, scene: Scene): Promise<void> {
  const motion = prepare(scene);
  // Fine enough that every shown frame moves everything, as it does on the Desk.
  const steps = 960;
  const poses = new Poses(scene.riders.length);
  const tracks = scene.riders.map((): string[] => []);
  for (let k = 0; k < steps; k++) {
    motion.poseAt((k / steps) * motion.length, poses);
    tracks.forEach((track, i) =>
      track.push(
        `matrix(${(['a', 'b', 'c', 'd', 'e', 'f'] as const).map((key) => poses.of(i, key).toFixed(4)).join(' ')})`,
      ),
    );
  }
  const edge = 686 / 1280;
  await leave(page);
  const groups = scene.riders.map((_, i) => `<g>${placedArt(ART as unknown as Picture, `x${i}`)}</g>`).join('');
  await page.setContent(
    `<!doctype html><body style="margin:0;background:#efe8da"><svg width="742" height="560"><g transform="matrix(${edge} 0 0 ${edge} 28 90)"><rect width="1280" height="720" fill="#F6F1E7"/></g></svg>` +
      `<svg id="m" width="742" height="560" style="position:absolute;left:0;top:0"><g transform="matrix(${edge} 0 0 ${edge} 28 90)">${groups}</g></svg></body>`,
  );
  await page.evaluate((all) => {
    const moved = [...document.querySelectorAll('#m > g > g')];
    const steps = all[0]!.length;
    const tick = (now: number): void => {
      const k = Math.floor((now / 8000) * steps) % steps;
      for (let i = 0; i < moved.length; i++) moved[i]!.setAttribute('transform', all[i]![k]!);
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  }, tracks);
  await page.waitForTimeout(800);
}
