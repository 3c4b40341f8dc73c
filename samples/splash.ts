import { readSvgArt } from '@pace-line/core/art-import';
import type { Art } from '@pace-line/core';

/** Poses of the splash, and px of its box; the water's face is at its foot. */
const COUNT = 9;
const [WIDTH, HEIGHT] = [180, 120];
const FACE = 104;

/** Drops thrown up where something falls into the water, as a strip: they rise, part, fall back, and rings run out. */
export function splashArt(): Art {
  const n = (value: number): string => String(Math.round(value * 10) / 10);
  const poses = Array.from({ length: COUNT }, (_, i) => {
    const t = (i + 0.6) / COUNT;
    const drops = [-0.9, -0.55, -0.2, 0.15, 0.5, 0.85].map((side, k) => {
      const height = 4 * (70 + 22 * ((k * 7) % 4)) * t * (1 - t) * 0.62;
      const size = 5.2 * (1 - 0.6 * t) * (k % 2 === 0 ? 1 : 0.75);
      return height > 1
        ? `<circle cx="${n(WIDTH / 2 + side * (20 + 62 * t))}" cy="${n(FACE - height)}" r="${n(size)}"/>`
        : '';
    });
    const rings = [1, 0.6].map((share) => {
      const reach = 14 + 70 * t * share;
      return `<ellipse cx="${WIDTH / 2}" cy="${FACE}" rx="${n(reach)}" ry="${n(reach / 6)}"/>`;
    });
    const markup =
      `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}" overflow="visible">` +
      `<g fill="none" stroke="#E9F2EC" stroke-width="${n(3.4 * (1 - t) + 0.6)}" opacity="${n(1 - 0.8 * t)}">${rings.join('')}</g>` +
      `<g fill="#E9F2EC">${drops.join('')}</g></svg>`;
    const read = readSvgArt(markup);
    if (!read.ok) throw new Error(`splash: ${read.message}`);
    return { kind: 'svg', markup: read.art.markup } as const;
  });
  return {
    ...({ id: 'splash', name: 'Splash', kind: 'strip', poses, width: WIDTH, height: HEIGHT } as const),
    ...{ pivot: [WIDTH / 2, FACE] as [number, number], facing: 0 },
  };
}
