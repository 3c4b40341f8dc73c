import { Clipper, EndType, FillRule, JoinType, type PathD, type PathsD } from 'clipper2-ts';
import { FLATNESS, flattened } from './flattened.ts';
import type { Outline } from './path-data.ts';

/** Decimals of px with which polygons are put together. */
export const DECIMALS = 4;

/** An area of the plane: rings of x, y after x, y, px, inside by the even-odd rule. */
export type Rings = readonly (readonly number[])[];

/** What is within half a width, px, of a line, as rings of x, y: with round joins. An open one goes straight on for `on` px at both ends and ends square. */
export function bandOf(outline: Outline, width: number, on = 0): Rings {
  const end = outline.closed ? EndType.Joined : EndType.Butt;
  const line = flattened(outline, FLATNESS);
  const points =
    outline.closed || on === 0 ? line : [...goingOn(line, on), ...line, ...goingOn([...line].reverse(), on)];
  return ringsOf(Clipper.inflatePathsD([points], width / 2, JoinType.Round, end, 2, DECIMALS, FLATNESS));
}

/** The place that lies some px straight before a line's first; none where it has no direction. */
function goingOn(line: PathD, on: number): PathD {
  const [first] = line;
  const next = line.find(({ x, y }) => first && (x !== first.x || y !== first.y));
  if (!first || !next) return [];
  const share = on / Math.hypot(first.x - next.x, first.y - next.y);
  return [{ x: first.x + (first.x - next.x) * share, y: first.y + (first.y - next.y) * share }];
}

/** What a line goes round, as rings of x, y: open ones are closed by a straight line. */
export const enclosedBy = (outline: Outline): Rings =>
  ringsOf(Clipper.unionD([flattened(outline, FLATNESS)], [], FillRule.NonZero, DECIMALS));

/** What lies between two lines, as rings of x, y: what one of two closed ones goes round and the other does not; of open ones what both go round when their nearer ends are joined. */
export function betweenLines(a: Outline, b: Outline): Rings {
  const [p, q] = [flattened(a, FLATNESS), flattened(b, FLATNESS)];
  if (a.closed && b.closed) return ringsOf(Clipper.xorD([p], [q], FillRule.NonZero, DECIMALS));
  const [last, first, other] = [p[p.length - 1], q[0], q[q.length - 1]];
  const far = (to: PathD[number] | undefined): number => (last && to ? Math.hypot(to.x - last.x, to.y - last.y) : 0);
  const ring = [...p, ...(far(first) <= far(other) ? q : [...q].reverse())];
  return ringsOf(Clipper.unionD([ring], [], FillRule.NonZero, DECIMALS));
}

export const ringsOf = (paths: PathsD): Rings => paths.map((path) => path.flatMap(({ x, y }) => [x, y]));

/** What is in both of two areas, given as rings by the even-odd rule. */
export function overlapOf(a: Rings, b: Rings): Rings {
  const paths = (rings: Rings): PathsD =>
    rings.map((ring) => ring.flatMap((x, k) => (k % 2 === 0 ? [{ x, y: ring[k + 1] ?? 0 }] : [])));
  const both = Clipper.intersectD(paths(a), paths(b), FillRule.EvenOdd, DECIMALS);
  return ringsOf(both);
}
