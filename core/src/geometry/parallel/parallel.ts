import { PARALLEL_TOLERANCE } from '../../tolerances.ts';
import { fitSamples } from '../fit/index.ts';
import type { Path } from '../path.ts';
import type { PathNode } from '../span.ts';
import { rawParallel, type Raw } from './raw.ts';
import { withoutCrossedTips, withoutLoops } from './trim.ts';

/**
 * The path at a constant distance (px; positive left of the path's direction): rounded at outer corners, cut where it would run backward inside a
 * tight bend, so that it has no loops there. Within `tolerance` of the true parallel. Empty where nothing is left of it.
 *
 * Where the path's curvature exceeds 1/distance on the inner side, the raw parallel turns back between two cusps; the two branches cross before
 * and behind them, and all between is cut away (see W. Tiller, E. Hanson, "Offsets of two-dimensional profiles", IEEE CG&A, 1984).
 */
export function parallelNodes(
  path: Path,
  distance: number,
  tolerance: number = PARALLEL_TOLERANCE,
): { nodes: PathNode[]; closed: boolean } {
  const raw = rawParallel(path, distance);
  const list = path.isClosed ? turnedToGood(raw) : raw;
  if (!list) return { nodes: [], closed: false };
  const reach = 8 * Math.PI * Math.abs(distance) + 40;
  const cut = withoutCrossedTips(withoutLoops(list, reach, path.isClosed), reach);
  return {
    nodes: fitted(path.isClosed ? fromCorner(cut) : cut, path.isClosed, tolerance * 0.6),
    closed: path.isClosed,
  };
}

/**
 * A closed list begun in the midst of its longest good stretch, where the original has a node if it can be, and closed by its first point once more;
 * undefined where all of it runs backward.
 */
function turnedToGood(raw: readonly Raw[]): Raw[] | undefined {
  const start = startOfGood(raw);
  const first = raw[start ?? -1];
  if (start === undefined || !first) return undefined;
  return [...raw.slice(start), ...raw.slice(0, start), { ...first, isBack: false, isCorner: false }];
}

function startOfGood(raw: readonly Raw[]): number | undefined {
  const count = raw.length;
  if (raw.every((one) => !one.isBack)) return 0;
  let best = { from: -1, size: 0 };
  let from = -1;
  for (let i = 0; i < 2 * count; i++) {
    if (raw[i % count]?.isBack) from = i + 1;
    else if (from >= 0 && i - from + 1 > best.size) best = { from, size: i - from + 1 };
  }
  if (best.size === 0) return undefined;
  const middle = best.from + (best.size >> 1);
  const isJoint = (i: number): boolean => i > best.from && raw[i % count]?.of !== raw[(i - 1) % count]?.of;
  for (let off = 0; off <= best.size >> 2; off++)
    for (const i of [middle + off, middle - off]) if (isJoint(i)) return i % count;
  return middle % count;
}

/** A closed list begun at a corner, where it has one, so that no node is needed where it happened to begin. */
function fromCorner(list: readonly Raw[]): readonly Raw[] {
  const corner = list.findIndex((one) => one.isCorner);
  return corner < 0 ? list : [...list.slice(corner + 1), ...list.slice(1, corner + 1)];
}

/** Each smooth piece fitted, a node at each end of the original's stretches: then only what is beside a changed stretch is fitted again. */
function fitted(list: readonly Raw[], closed: boolean, tolerance: number): PathNode[] {
  const nodes: PathNode[] = [];
  let piece: Raw[] = [];
  const finish = (): void => {
    const [first, ...rest] = nodesBeside(piece, tolerance);
    const last = nodes[nodes.length - 1];
    if (last && first && Math.hypot(last.x - first.x, last.y - first.y) < 1e-6) {
      nodes[nodes.length - 1] = { ...last, ...(first.out ? { out: first.out } : {}) };
      nodes.push(...rest);
    } else if (first) nodes.push(first, ...rest);
    piece = [];
  };
  list.forEach((one, i) => {
    piece.push(one);
    const next = list[i + 1];
    if (one.isCorner || !next) return finish();
    if (one.of === next.of) return;
    // An arc about a corner begins and ends where its stretches do.
    if (one.of === null) piece.push(next);
    finish();
    if (next.of === null) piece.push(one);
  });
  if (!closed || nodes.length < 2) return nodes;
  const first = nodes[0];
  const last = nodes[nodes.length - 1];
  if (first && last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-6) {
    nodes.pop();
    nodes[0] = { ...first, ...(last.in ? { in: last.in } : {}) };
  }
  return nodes;
}

/** The fit of all points beside a stretch, where nothing of them was cut away. */
const whole = new WeakMap<readonly Raw[], { readonly tolerance: number; readonly nodes: readonly PathNode[] }>();

function nodesBeside(piece: readonly Raw[], tolerance: number): readonly PathNode[] {
  const of = piece[0]?.of;
  if (!of || !isAllOf(piece, of)) return fittedPiece(piece, tolerance);
  const known = whole.get(of);
  if (known?.tolerance === tolerance) return known.nodes;
  const nodes = fittedPiece(piece, tolerance);
  whole.set(of, { tolerance, nodes });
  return nodes;
}

function isAllOf(piece: readonly Raw[], of: readonly Raw[]): boolean {
  const isSame = (a: Raw | undefined, b: Raw | undefined): boolean => a?.x === b?.x && a?.y === b?.y;
  return piece.length === of.length && isSame(piece[0], of[0]) && isSame(piece[piece.length - 1], of[of.length - 1]);
}

const fittedPiece = (piece: readonly Raw[], tolerance: number): readonly PathNode[] =>
  isStraight(piece) ? ends(piece) : fitSamples(piece, tolerance);

function isStraight(piece: readonly Raw[]): boolean {
  const first = piece[0];
  return (
    first !== undefined &&
    piece.every((one) => Math.abs(one.tangentX * first.tangentY - one.tangentY * first.tangentX) < 1e-9)
  );
}

function ends(piece: readonly Raw[]): PathNode[] {
  const first = piece[0];
  const last = piece[piece.length - 1];
  if (!first || !last) return [];
  const both = [first, last].map(({ x, y }): PathNode => ({ x, y }));
  return Math.hypot(first.x - last.x, first.y - last.y) < 1e-9 ? both.slice(0, 1) : both;
}
