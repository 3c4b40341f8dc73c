import { distanceAtParameter } from './arc-length.ts';
import { distanceToBox } from './box.ts';
import type { Cubic } from './cubic.ts';
import type { Path } from './path.ts';
import { bracketedRoot } from './roots.ts';
import { boundsOfSpan, type Span } from './span.ts';

/** The point of a path nearest to a given one. */
export interface Nearest {
  /** px from the path's start, within [0, length]. */
  readonly distance: number;
  readonly span: number;
  /** Parameter within the span. */
  readonly t: number;
  readonly x: number;
  readonly y: number;
  /** px between the point and the path. */
  readonly gap: number;
}

/** Parameters at which every span is looked at before refining. */
const LOOKS = 24;

/**
 * The nearest point of a path, or undefined for a path without spans. Ties go to the lowest distance. Only spans within `within` px are looked at.
 *
 * @example
 * ```ts
 * import { nearestOnPath, pathThrough } from '@pace-line/core';
 *
 * const path = pathThrough([{ x: 0, y: 0 }, { x: 300, y: 0 }], false);
 * console.log(nearestOnPath(path, 120, 40)?.distance.toFixed(3)); // 120.000
 * ```
 */
export function nearestOnPath(path: Path, x: number, y: number, within = Infinity): Nearest | undefined {
  let best: Nearest | undefined;
  let limit = within;
  path.spans.forEach((span, index) => {
    if (distanceToBox(boundsOfSpan(span), x, y) > limit) return;
    const found = nearestOnSpan(span, x, y);
    if (found.gap < limit || (!best && found.gap <= limit)) {
      limit = found.gap;
      const distance = (path.starts[index] ?? 0) + distanceAtParameter(span.cubic, span.panels, found.t);
      best = { distance, span: index, ...found };
    }
  });
  return best;
}

function nearestOnSpan(span: Span, x: number, y: number): { t: number; x: number; y: number; gap: number } {
  const c = span.cubic;
  const stops = span.isStraight ? [0, 1] : looksOf(span);
  let bestT = 0;
  let best = Infinity;
  const consider = (t: number): void => {
    const d = squareGap(c, x, y, t);
    if (d < best) {
      best = d;
      bestT = t;
    }
  };
  let last = slope(c, x, y, 0);
  consider(0);
  for (let i = 1; i < stops.length; i++) {
    const a = stops[i - 1] ?? 0;
    const b = stops[i] ?? 1;
    const next = slope(c, x, y, b);
    if (last < 0 && next > 0) consider(bracketedRoot((t) => slope(c, x, y, t), a, b));
    consider(b);
    last = next;
  }
  const px = ((c.ax * bestT + c.bx) * bestT + c.cx) * bestT + c.dx;
  const py = ((c.ay * bestT + c.by) * bestT + c.cy) * bestT + c.dy;
  return { t: bestT, x: px, y: py, gap: Math.sqrt(best) };
}

const looks = new WeakMap<Span, readonly number[]>();

/** Even steps in the parameter, and every cut of the integration: those crowd where the curve is hard. */
function looksOf(span: Span): readonly number[] {
  let list = looks.get(span);
  if (!list) {
    const even = Array.from({ length: LOOKS + 1 }, (_, i) => i / LOOKS);
    list = [...new Set([...even, ...span.panels.t])].sort((a, b) => a - b);
    looks.set(span, list);
  }
  return list;
}

function squareGap(c: Cubic, x: number, y: number, t: number): number {
  const dx = ((c.ax * t + c.bx) * t + c.cx) * t + c.dx - x;
  const dy = ((c.ay * t + c.by) * t + c.cy) * t + c.dy - y;
  return dx * dx + dy * dy;
}

/** Half the derivative of the squared gap: (B − P) · B′. */
function slope(c: Cubic, x: number, y: number, t: number): number {
  const dx = ((c.ax * t + c.bx) * t + c.cx) * t + c.dx - x;
  const dy = ((c.ay * t + c.by) * t + c.cy) * t + c.dy - y;
  return dx * ((3 * c.ax * t + 2 * c.bx) * t + c.cx) + dy * ((3 * c.ay * t + 2 * c.by) * t + c.cy);
}
