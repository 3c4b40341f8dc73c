import type { Raw } from './raw.ts';

/** Cuts away every stretch that runs backward, from where the branch before it crosses the branch behind it. */
export function withoutLoops(raw: readonly Raw[], reach: number, closed: boolean): Raw[] {
  let list = [...raw];
  for (let b = list.length - 2; b >= 0; b--) {
    if (!list[b]?.isBack) continue;
    let a = b;
    while (a > 0 && list[a - 1]?.isBack) a--;
    const found = crossing(list, a, b + 1, reach);
    if (found) {
      list = cutAt(list, found);
      b = Math.min(found.i, list.length - 1);
    } else if (!closed && a === 0) {
      list = list.slice(b + 1);
      b = 0;
    } else if (!closed && b + 1 === list.length - 1) {
      list = list.slice(0, a + 1);
      b = a;
    } else {
      const start = list[a];
      if (start) list = [...list.slice(0, a), { ...start, isBack: false, isCorner: true }, ...list.slice(b + 1)];
      b = a;
    }
  }
  return list;
}

/** Cuts away the arcs about places where the path turns back on itself, if the branches beside them cross. */
export function withoutCrossedTips(raw: Raw[], reach: number): Raw[] {
  let list = raw;
  for (let b = list.length - 2; b >= 0; b--) {
    if (!list[b]?.isTip) continue;
    let a = b;
    while (a > 0 && list[a - 1]?.isTip) a--;
    const found = crossing(list, a, b, reach);
    if (found) list = cutAt(list, found);
    b = Math.min(a, found?.i ?? a);
  }
  return list;
}

interface Crossing {
  readonly i: number;
  readonly j: number;
  readonly x: number;
  readonly y: number;
}

/** The list without what lies between two steps that cross; a corner stands where they do. */
function cutAt(list: readonly Raw[], { i, j, x, y }: Crossing): Raw[] {
  const plain = { x, y, isBack: false, isTip: false };
  const before = list.slice(i, i + 1).map((one): Raw => ({ ...one, ...plain, isCorner: true }));
  const after = list.slice(j, j + 1).map((one): Raw => ({ ...one, ...plain, isCorner: false }));
  return [...list.slice(0, i + 1), ...before, ...after, ...list.slice(j + 1)];
}

/** Where a step before point `a` crosses a step behind point `b`, the nearest to both; within `reach` px along the parallel. */
function crossing(list: readonly Raw[], a: number, b: number, reach: number): Crossing | undefined {
  let best: Crossing | undefined;
  let least = Infinity;
  let walkedBack = 0;
  for (let i = a - 1; i >= 0; i--) {
    const p = list[i];
    const q = list[i + 1];
    if (!p || !q || walkedBack > reach || walkedBack >= least) break;
    let walked = 0;
    for (let j = b; j + 1 < list.length; j++) {
      const r = list[j];
      const s = list[j + 1];
      if (!r || !s || walked > reach || walkedBack + walked >= least) break;
      const meet = meeting(p, q, r, s);
      if (meet) {
        least = walkedBack + walked;
        best = { i, j, ...meet };
        break;
      }
      walked += Math.hypot(s.x - r.x, s.y - r.y);
    }
    walkedBack += Math.hypot(q.x - p.x, q.y - p.y);
  }
  return best;
}

type Spot = { readonly x: number; readonly y: number };

/** Where two straight steps cross, their ends included. */
function meeting(p: Spot, q: Spot, r: Spot, s: Spot): Spot | undefined {
  const ux = q.x - p.x;
  const uy = q.y - p.y;
  const vx = s.x - r.x;
  const vy = s.y - r.y;
  const det = ux * vy - uy * vx;
  if (Math.abs(det) < 1e-12) return undefined;
  const wx = r.x - p.x;
  const wy = r.y - p.y;
  const k = (wx * vy - wy * vx) / det;
  const l = (wx * uy - wy * ux) / det;
  return k >= -1e-9 && k <= 1 + 1e-9 && l >= -1e-9 && l <= 1 + 1e-9 ? { x: p.x + k * ux, y: p.y + k * uy } : undefined;
}
