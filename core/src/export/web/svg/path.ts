import { pathThrough } from '../../../geometry/index.ts';
import { valueOfCurve, type Along } from '../../../take/index.ts';
import { shortPathData } from '../../path-data.ts';
import { formatNumber } from '../../text.ts';
import { degrees } from '../tracks.ts';
import { animated, fixedOf, identified, type Moves, type Writing } from './writing.ts';

/**
 * A px of the canvas in the units of a path that a browser follows. Browsers measure a path in pieces that are flat within a part of a unit: finer units make them exact (0.7 px off in
 * whole px becomes 0.03), still finer ones are beyond the 32 bits of their numbers.
 */
const UNITS = 25;
const UNIT = formatNumber(1 / UNITS, 6);

/**
 * Opening tags of the groups that go along a path, and what is to stand before what lies in them. Whoever knows no motion along paths, or no animation, has where it begins as an attribute.
 */
export function alongGroups(
  writing: Writing,
  moves: Moves,
  { nodes, closed, share, turns }: Along,
): { readonly groups: string[]; readonly before: string } {
  const { name, ahead } = moves;
  const path = pathThrough(nodes, closed);
  const begins = path.frameAtDistance(valueOfCurve(share, ahead) * path.length);
  const place = [begins.x, begins.y].map((value) => formatNumber(value * UNITS, 0)).join(' ');
  const turn = turns ? `rotate(${degrees(Math.atan2(begins.tangentY, begins.tangentX))})` : '';
  const moving = animated(writing, moves, 'p', share, {
    path: { data: shortPathData(nodes, closed, UNITS), turns },
  });
  return {
    groups: [
      `<g class="${fixedOf(writing)}"${identified(writing, `${name}u`)} transform="scale(${UNIT})">`,
      `<g${moving}${identified(writing, `${name}p`)} transform="translate(${place})${turn}">`,
    ],
    before: `scale(${UNITS})`,
  };
}
