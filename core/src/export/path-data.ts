import type { PathNode } from '../geometry/index.ts';
import { formatNumber } from './text.ts';

/** Nodes as SVG path data, px, with at most `digits` decimals: M, L, C and Z, absolute. */
export function pathData(nodes: readonly PathNode[], closed: boolean, digits = 3): string {
  const [first] = nodes;
  if (!first) return '';
  const n = (value: number): string => formatNumber(value, digits);
  const pieces = [`M${n(first.x)} ${n(first.y)}`];
  const count = closed ? nodes.length : nodes.length - 1;
  for (let i = 0; i < count; i++) {
    const a = nodes[i] ?? first;
    const b = nodes[(i + 1) % nodes.length] ?? first;
    const [ox, oy] = a.out ?? [0, 0];
    const [ix, iy] = b.in ?? [0, 0];
    if (a.out || b.in) pieces.push(`C${n(a.x + ox)} ${n(a.y + oy)} ${n(b.x + ix)} ${n(b.y + iy)} ${n(b.x)} ${n(b.y)}`);
    else pieces.push(`L${n(b.x)} ${n(b.y)}`);
  }
  return pieces.join('') + (closed ? 'Z' : '');
}

/** The same in whole numbers, each relative to the point before: as short as it can be written. What is rounded does not add up along the way. */
export function shortPathData(nodes: readonly PathNode[], closed: boolean, scale: number): string {
  const [first] = nodes;
  if (!first) return '';
  const whole = (value: number): number => Math.round(value * scale) + 0;
  const written = (numbers: readonly number[]): string => numbers.join(' ').replace(/ -/g, '-');
  let [x, y] = [whole(first.x), whole(first.y)];
  const pieces = [`M${written([x, y])}`];
  const count = closed ? nodes.length : nodes.length - 1;
  for (let i = 0; i < count; i++) {
    const a = nodes[i] ?? first;
    const b = nodes[(i + 1) % nodes.length] ?? first;
    const [ox, oy] = a.out ?? [0, 0];
    const [ix, iy] = b.in ?? [0, 0];
    const end = [whole(b.x) - x, whole(b.y) - y] as const;
    const controls = [whole(a.x + ox) - x, whole(a.y + oy) - y, whole(b.x + ix) - x, whole(b.y + iy) - y];
    pieces.push(a.out || b.in ? `c${written([...controls, ...end])}` : `l${written(end)}`);
    x += end[0];
    y += end[1];
  }
  return pieces.join('') + (closed ? 'z' : '');
}
