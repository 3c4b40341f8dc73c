import { guideById, landmarksOf, nearestOnPath, pathOfGuide, type Poses, type Scene } from '@pace-line/core';
import type { Pointer } from '../pointer.ts';
import type { Hint, SnapSettings } from './settings.ts';
import { isInHand } from '../in-hand.ts';

/** What is being moved, and so is nothing to be drawn to. */
export interface Moving {
  readonly guides?: readonly string[];
  readonly nodes?: readonly string[];
  readonly riders?: readonly string[];
}

/** Screen px within which a point is drawn to something. */
const REACH = 8;

export interface Snapped {
  readonly x: number;
  readonly y: number;
  readonly hints: readonly Hint[];
}

/** Draws a point to the nearest thing within reach; Ctrl holds it off. Points win over lines, lines over the grid. */
export function snapped(
  scene: Scene,
  poses: Poses,
  settings: SnapSettings,
  pointer: Pointer,
  at: readonly [number, number] = [pointer.x, pointer.y],
  moving: Moving = {},
): Snapped {
  const [x, y] = at;
  if (pointer.ctrl) return { x, y, hints: [] };
  const reach = REACH / pointer.zoom;
  return (
    nearestPoint(scene, poses, settings, x, y, reach, moving) ??
    nearestLines(scene, settings, x, y, reach, moving) ?? { x, y, hints: [] }
  );
}

function nearestPoint(
  scene: Scene,
  poses: Poses,
  { kinds }: SnapSettings,
  x: number,
  y: number,
  reach: number,
  moving: Moving,
): Snapped | undefined {
  let best: Snapped | undefined;
  let least = reach;
  const offer = (px: number, py: number, word: string): void => {
    const gap = Math.hypot(px - x, py - y);
    if (gap > least || (gap === least && best)) return;
    least = gap;
    best = { x: px, y: py, hints: [{ kind: 'point', x: px, y: py, word }] };
  };
  for (const guide of scene.guides) {
    if (!isInHand(guide) || moving.guides?.includes(guide.id)) continue;
    const last = guide.nodes.length - 1;
    guide.nodes.forEach((node, i) => {
      if (moving.nodes?.includes(node.id)) return;
      const isEnd = !guide.closed && (i === 0 || i === last);
      if (isEnd ? kinds.ends : kinds.nodes)
        offer(node.x, node.y, isEnd ? `end of ${guide.name}` : `node of ${guide.name}`);
    });
    if (kinds.landmarks && !moving.nodes?.length)
      for (const mark of landmarksOf(pathOfGuide(guide)))
        offer(mark.x, mark.y, `${mark.kind === 'bend' ? 'tightest bend' : mark.kind} of ${guide.name}`);
  }
  if (kinds.pivots)
    scene.riders.forEach((rider, i) => {
      if (rider.visible && !rider.locked && !moving.riders?.includes(rider.id))
        offer(poses.of(i, 'x'), poses.of(i, 'y'), `pivot of ${rider.name}`);
    });
  if (kinds.canvas) offer(scene.canvas.width / 2, scene.canvas.height / 2, 'centre of the canvas');
  return best;
}

/** Px from a guide's end over which its tangent is offered. */
const TANGENT_REACH = 600;

function nearestLines(
  scene: Scene,
  { kinds, grid }: SnapSettings,
  x: number,
  y: number,
  reach: number,
  moving: Moving,
): Snapped | undefined {
  const { width, height } = scene.canvas;
  if (kinds.ends) {
    const tangent = onTangent(scene, x, y, reach, moving);
    if (tangent) return tangent;
  }
  if (kinds.lines) {
    for (const guide of scene.guides) {
      if (
        !isInHand(guide) ||
        moving.guides?.includes(guide.id) ||
        guide.nodes.some((node) => moving.nodes?.includes(node.id))
      )
        continue;
      const near = nearestOnPath(pathOfGuide(guide), x, y, reach);
      if (near && near.gap <= reach)
        return { x: near.x, y: near.y, hints: [{ kind: 'point', x: near.x, y: near.y, word: `on ${guide.name}` }] };
    }
  }
  const hints: Hint[] = [];
  let [sx, sy] = [x, y];
  const across = (
    value: number,
    stops: readonly (readonly [number, string])[],
  ): readonly [number, string] | undefined =>
    stops.reduce<readonly [number, string] | undefined>((best, stop) => {
      const gap = Math.abs(stop[0] - value);
      return gap <= reach && (!best || gap < Math.abs(best[0] - value)) ? stop : best;
    }, undefined);
  if (kinds.canvas) {
    const v = across(x, [
      [0, 'left edge'],
      [width / 2, 'middle'],
      [width, 'right edge'],
    ]);
    const h = across(y, [
      [0, 'upper edge'],
      [height / 2, 'middle'],
      [height, 'lower edge'],
    ]);
    if (v) {
      sx = v[0];
      hints.push({ kind: 'line', x0: v[0], y0: Math.min(0, y), x1: v[0], y1: Math.max(height, y), word: v[1] });
    }
    if (h) {
      sy = h[0];
      hints.push({ kind: 'line', x0: Math.min(0, x), y0: h[0], x1: Math.max(width, x), y1: h[0], word: h[1] });
    }
  }
  if (kinds.grid && grid > 0) {
    const gx = Math.round(x / grid) * grid;
    const gy = Math.round(y / grid) * grid;
    if (sx === x && Math.abs(gx - x) <= reach * 1.5) sx = gx;
    if (sy === y && Math.abs(gy - y) <= reach * 1.5) sy = gy;
    if (hints.length === 0 && (sx !== x || sy !== y)) hints.push({ kind: 'point', x: sx, y: sy, word: 'grid' });
  }
  return hints.length > 0 ? { x: sx, y: sy, hints } : undefined;
}

/** The straight continuation of an open guide's end. */
function onTangent(scene: Scene, x: number, y: number, reach: number, moving: Moving): Snapped | undefined {
  for (const guide of scene.guides) {
    if (!isInHand(guide) || guide.closed || moving.guides?.includes(guide.id)) continue;
    if (guide.nodes.some((node) => moving.nodes?.includes(node.id))) continue;
    const path = pathOfGuide(guide);
    if (!(path.length > 0)) continue;
    for (const [s, way] of [
      [0, -1],
      [path.length, 1],
    ] as const) {
      const end = path.frameAtDistance(s, way === 1 ? -1 : 1);
      const [tx, ty] = [end.tangentX * way, end.tangentY * way];
      const along = (x - end.x) * tx + (y - end.y) * ty;
      const off = Math.abs((x - end.x) * ty - (y - end.y) * tx);
      if (along > 2 * reach && along < TANGENT_REACH && off <= reach) {
        const [px, py] = [end.x + along * tx, end.y + along * ty];
        return {
          x: px,
          y: py,
          hints: [
            {
              kind: 'line',
              x0: end.x,
              y0: end.y,
              x1: px,
              y1: py,
              word: `in line with ${guideById(scene, guide.id)?.name ?? ''}`,
            },
          ],
        };
      }
    }
  }
  return undefined;
}
