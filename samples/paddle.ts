import { readSvgArt } from '@pace-line/core/art-import';
import type { Art } from '@pace-line/core';

/** Poses of one turn of the wheel. */
const COUNT = 8;

/** Blades of the wheel, and px of its radius and its breadth. */
const BLADES = 6;
const RADIUS = 17;
const BREADTH = 10;

/** A paddle wheel from above, as a strip: its blades go from front to back over the top, and come out again in front. In one turn of poses it goes on by one blade. */
export function paddleArt(): Art {
  const poses = Array.from({ length: COUNT }, (_, i) => {
    const blades = Array.from({ length: BLADES }, (_unused, k) => {
      const angle = ((k + i / COUNT) / BLADES) * 2 * Math.PI;
      const isUp = Math.sin(angle) > -0.05;
      const x = Math.round((RADIUS + RADIUS * Math.cos(angle)) * 10) / 10;
      const width = Math.round((1 + 2.4 * Math.abs(Math.sin(angle))) * 10) / 10;
      return isUp ? `<rect x="${x - width / 2}" y="0" width="${width}" height="${BREADTH}" rx="1"/>` : '';
    });
    const markup = `<svg xmlns="http://www.w3.org/2000/svg" width="34" height="10" viewBox="0 0 34 10" overflow="visible"><rect x="-1" y="4" width="36" height="2" fill="#3A2A24"/><g fill="#8B5E3C">${blades.join('')}</g></svg>`;
    const read = readSvgArt(markup);
    if (!read.ok) throw new Error(`paddle: ${read.message}`);
    return { kind: 'svg', markup: read.art.markup } as const;
  });
  return { id: 'paddle', name: 'Paddle wheel', kind: 'strip', poses, width: 34, height: 10, pivot: [17, 5], facing: 0 };
}
