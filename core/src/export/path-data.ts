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
