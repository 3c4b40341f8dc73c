import { isConstant, valueOfCurve, type Curve, type DrawnArt } from '../../../take/index.ts';
import type { Vec } from '../../../geometry/index.ts';
import { formatNumber } from '../../text.ts';
import { ATTRIBUTES, px, type Within } from '../tracks.ts';
import { animated, fixedOf, identified, type Moves, type Writing } from './writing.ts';

/** One factor of a matrix: as an attribute while it stands still, as a track while it moves. */
export interface Factor {
  readonly key: keyof typeof ATTRIBUTES;
  readonly curve: Curve;
  /** In the lead-in; absent: as the loop begins. */
  readonly entering?: Curve | null;
}

/** The channels that make a matrix. */
type Factored = Omit<DrawnArt['curves'], 'opacity'>;

/** The factors of the matrix from the outermost to the innermost: translate(x, y) · rotate · skew · scale. */
export const factorsOf = (curves: Factored, entering?: Partial<Factored> | null): Factor[] =>
  FACTORS.map(([key, channel]) => ({
    key,
    curve: curves[channel],
    entering: enteringOf(curves[channel], entering?.[channel]),
  }));

const FACTORS = [
  ['x', 'x'],
  ['y', 'y'],
  ['t', 'angle'],
  ['k', 'skew'],
  ['w', 'scaleX'],
  ['h', 'scaleY'],
] as const;

/** The lead-in of a channel, where it is not as the loop begins. */
const enteringOf = (curve: Curve, entering: Curve | undefined): Curve | null =>
  !entering || (isConstant(entering) && entering[0]?.value === curve[0]?.value) ? null : entering;

/** The factors within place and turn, where none of them moves. */
export const withinOf = ({ skew, scaleX, scaleY }: Factored, pivot: Vec): Within | null =>
  [skew, scaleX, scaleY].every(isConstant)
    ? {
        skew: valueOfCurve(skew, 0),
        scaleX: valueOfCurve(scaleX, 0),
        scaleY: valueOfCurve(scaleY, 0),
        pivot,
      }
    : null;

/**
 * The opening tag of one group for a place that goes both ways, for its turn, and for what stands within: for players that do without its properties it stands where it begins. The turn comes
 * second, or there is none (page/mount.ts).
 */
export function jointGroup(
  writing: Writing,
  moves: Moves,
  { x, y, angle }: Pick<Factored, 'x' | 'y' | 'angle'>,
  within: Within | null,
  more: string,
): string {
  const [atX, atY, turned] = [x, y, angle].map((curve) => valueOfCurve(curve, moves.ahead));
  const moving = animated(writing, moves, 'j', x, { joint: { y, turn: angle, within } });
  const { k, w, h } = ATTRIBUTES;
  const inner = within ? k(within.skew) + w(within.scaleX) + h(within.scaleY) + awayFrom(within.pivot) : '';
  const first = `translate(${px(atX ?? 0)} ${px(atY ?? 0)})${ATTRIBUTES.t(turned ?? 0)}${inner}`;
  return `<g${moving}${identified(writing, `${moves.name}j`)} transform="${first}"${more}>`;
}

/** How something fades: a group for it where that changes, else an attribute of the innermost group, where it is not there whole. */
export function fadingOf(
  writing: Writing,
  moves: Moves,
  { opacity }: Pick<DrawnArt['curves'], 'opacity'>,
  enters: DrawnArt['entering'],
): { groups: string[]; more: string } {
  const entering = enteringOf(opacity, enters?.opacity);
  const faded = valueOfCurve(opacity, 0);
  if (!isConstant(opacity) || entering) {
    const there = isConstant(opacity) && faded !== 1 ? ` opacity="${formatNumber(faded, 4)}"` : '';
    const moving = animated(writing, moves, 'o', opacity, { entering });
    return { groups: [`<g${moving}${identified(writing, `${moves.name}o`)}${there}>`], more: '' };
  }
  return { groups: [], more: faded === 1 ? '' : ` opacity="${formatNumber(faded, 4)}"` };
}

/** Moves a pivot to the origin. */
export const awayFrom = ([x, y]: Vec): string => (x !== 0 || y !== 0 ? `translate(${px(-x)} ${px(-y)})` : '');

/** What stands around a thing's factors: attributes before the first and after the last, and more of the innermost group. */
export interface Around {
  readonly before?: string;
  readonly after?: string;
  readonly more?: string;
}

/**
 * Opening tags of a group for each factor that moves, each with its own keyframes; what stands still is an attribute of the next group, the rest one of a last group with `more`.
 * Each has an id, as optimisers fold groups without one into each other, though one of them moves.
 */
export function groupsOf(
  writing: Writing,
  moves: Moves,
  factors: readonly Factor[],
  { before = '', after = '', more = '' }: Around = {},
): string[] {
  const { name, ahead } = moves;
  const groups: string[] = [];
  let still = before;
  const fixed = (): string =>
    `<g class="${fixedOf(writing)}"${identified(writing, `${name}f${groups.length || ''}`)} transform="${still}"`;
  for (const { key, curve, entering = null } of factors) {
    const first = ATTRIBUTES[key](valueOfCurve(curve, ahead));
    if (isConstant(curve) && !entering) still += first;
    else {
      if (still) groups.push(`${fixed()}>`);
      still = '';
      const moving = animated(writing, moves, key, curve, { entering });
      groups.push(`<g${moving}${identified(writing, `${name}${key}`)}${first ? ` transform="${first}"` : ''}>`);
    }
  }
  still += after;
  if (still || more) groups.push(`${still ? fixed() : '<g'}${more}>`);
  return groups;
}
