import type { PathNode } from '../geometry/index.ts';
import { formatNumber } from './text.ts';

/** A span of an outline: where it goes, px; by its control points, or straight. */
interface Span {
  readonly from: PathNode;
  readonly to: PathNode;
  readonly controls: readonly [x1: number, y1: number, x2: number, y2: number] | null;
}

function spansOf(nodes: readonly PathNode[], closed: boolean): Span[] {
  return nodes.slice(0, closed ? nodes.length : -1).flatMap((from, i) => {
    const to = nodes[(i + 1) % nodes.length];
    if (!to) return [];
    const [ox, oy] = from.out ?? [0, 0];
    const [ix, iy] = to.in ?? [0, 0];
    const controls = [from.x + ox, from.y + oy, to.x + ix, to.y + iy] as const;
    return [{ from, to, controls: from.out || to.in ? controls : null }];
  });
}

/** Nodes as SVG path data, px, with at most `digits` decimals: M, L, C and Z, absolute. */
export function pathData(nodes: readonly PathNode[], closed: boolean, digits = 3): string {
  const [first] = nodes;
  if (!first) return '';
  const n = (value: number): string => formatNumber(value, digits);
  const spans = spansOf(nodes, closed).map(({ to, controls }) =>
    controls ? `C${[...controls, to.x, to.y].map(n).join(' ')}` : `L${n(to.x)} ${n(to.y)}`,
  );
  return `M${n(first.x)} ${n(first.y)}${spans.join('')}${closed ? 'Z' : ''}`;
}

/** The same in whole numbers, each relative to the point before: as short as it can be written. What is rounded does not add up along the way. */
export function shortPathData(nodes: readonly PathNode[], closed: boolean, scale: number): string {
  const [first] = nodes;
  if (!first) return '';
  const whole = (value: number): number => Math.round(value * scale) + 0;
  const written = (numbers: readonly number[]): string => numbers.join(' ').replace(/ -/g, '-');
  const spans = spansOf(nodes, closed).map(({ from, to, controls }) => {
    const start = [whole(from.x), whole(from.y)];
    const relative = [...(controls ?? []), to.x, to.y].map((value, i) => whole(value) - (start[i % 2] ?? 0));
    return (controls ? 'c' : 'l') + written(relative);
  });
  return `M${written([whole(first.x), whole(first.y)])}${spans.join('')}${closed ? 'z' : ''}`;
}
