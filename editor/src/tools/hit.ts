import {
  artById,
  guideById,
  nearestOnPath,
  pathOfGuide,
  POSE,
  POSE_SIZE,
  prepare,
  riderById,
  type Guide,
  type Poses,
  type Scene,
  type Tracing,
} from '@pace-line/core';
import type { Selection } from '../document/index.ts';
import { boundsOf, boxedOf, handlesAround, type BoxHandle } from './selection-box.ts';
import { hitRadius, type Pointer } from './tool.ts';

/** What lies under a pointer. */
export type Hit =
  | { readonly kind: 'grip'; readonly guide: string }
  | { readonly kind: 'box'; readonly handle: BoxHandle }
  | { readonly kind: 'handle'; readonly guide: string; readonly node: string; readonly side: 'in' | 'out' }
  | { readonly kind: 'node'; readonly guide: string; readonly node: string }
  | { readonly kind: 'mark'; readonly rider: string; readonly mark: string }
  | { readonly kind: 'rider'; readonly rider: string }
  | { readonly kind: 'picture'; readonly picture: string }
  | {
      readonly kind: 'guide';
      readonly guide: string;
      readonly span: number;
      readonly t: number;
      readonly distance: number;
    };

/** Where the handle that moves a whole guide stands: above and left of its bounds, canvas px. */
export function gripOf(guide: Guide, zoom: number): [number, number] {
  const box = pathOfGuide(guide).bounds;
  return [box.left - 18 / zoom, box.top - 18 / zoom];
}

/** Everything under the pointer, in the order in which pressing takes it: handle, node, mark, rider, guide; the nearest first within each. */
export function hitsAt(scene: Scene, selection: Selection, poses: Poses, pointer: Pointer): Hit[] {
  const reach = hitRadius(pointer.kind) / pointer.zoom;
  const found: { hit: Hit; rank: number; gap: number }[] = [];
  const add = (hit: Hit, rank: number, x: number, y: number): void => {
    const gap = Math.hypot(x - pointer.x, y - pointer.y);
    if (gap <= reach) found.push({ hit, rank, gap });
  };
  const boxed = boxedOf(scene, selection);
  const bounds = boxed && boundsOf(scene, boxed);
  if (bounds)
    for (const { handle, x, y } of handlesAround(bounds, pointer.zoom).handles) add({ kind: 'box', handle }, 1, x, y);
  const guide = guideById(scene, selection.guides[0] ?? null);
  if (guide && !guide.locked && guide.visible) {
    const [gx, gy] = gripOf(guide, pointer.zoom);
    add({ kind: 'grip', guide: guide.id }, 0, gx, gy);
    for (const node of guide.link ? [] : guide.nodes) {
      if (showsHandles(guide, selection, node.id))
        for (const side of ['in', 'out'] as const) {
          const handle = node[side];
          if (handle)
            add({ kind: 'handle', guide: guide.id, node: node.id, side }, 1, node.x + handle[0], node.y + handle[1]);
        }
      add({ kind: 'node', guide: guide.id, node: node.id }, 2, node.x, node.y);
    }
  }
  for (const flag of flagsOf(scene, selection))
    add({ kind: 'mark', rider: flag.rider, mark: flag.mark }, 3, flag.x, flag.y);
  scene.riders.forEach((rider, i) => {
    if (rider.locked || !rider.visible) return;
    const box = artById(scene, rider.art);
    if (box && covers(poses, i, box.width, box.height, pointer))
      found.push({ hit: { kind: 'rider', rider: rider.id }, rank: 4, gap: -i });
  });
  for (const one of scene.guides) {
    if (!one.visible) continue;
    const near = nearestOnPath(pathOfGuide(one), pointer.x, pointer.y, reach);
    if (near && near.gap <= reach)
      found.push({
        hit: { kind: 'guide', guide: one.id, span: near.span, t: near.t, distance: near.distance },
        rank: 5,
        gap: near.gap,
      });
  }
  // A tracing picture that is not locked lies under all else.
  scene.tracing.forEach((picture, i) => {
    if (!picture.locked && picture.visible && coversPicture(picture, pointer))
      found.push({ hit: { kind: 'picture', picture: picture.id }, rank: 6, gap: -i });
  });
  return found.sort((a, b) => a.rank - b.rank || a.gap - b.gap).map(({ hit }) => hit);
}

/** Handles show at the selected nodes and their neighbours; on a small guide at all nodes while none is selected. */
export function showsHandles(guide: Guide, selection: Selection, nodeId: string): boolean {
  if (selection.nodes.length === 0) return guide.nodes.length <= 4;
  if (selection.nodes.includes(nodeId)) return true;
  const count = guide.nodes.length;
  const i = guide.nodes.findIndex((node) => node.id === nodeId);
  const neighbours = [guide.nodes[(i + 1) % count]?.id, guide.nodes[(i + count - 1) % count]?.id];
  return selection.nodes.length === 1 && neighbours.some((id) => id !== undefined && selection.nodes.includes(id));
}

/** A mark as a flag on the canvas: where its pennant is grabbed, canvas px. */
export interface Flag {
  readonly rider: string;
  readonly mark: string;
  readonly time: number;
  readonly x: number;
  readonly y: number;
  readonly normalX: number;
  readonly normalY: number;
}

/** The flags of the selected rider's marks. */
export function flagsOf(scene: Scene, selection: Selection): Flag[] {
  const rider = riderById(scene, selection.riders[0] ?? '');
  const guide = rider && guideById(scene, rider.guide);
  if (!rider || !guide) return [];
  const path = pathOfGuide(guide);
  const line = prepare(scene).riders[scene.riders.indexOf(rider)]?.pace;
  return (line?.marks ?? []).flatMap((placed, i): Flag[] => {
    const mark = rider.pace.marks[i];
    if (!mark) return [];
    const { x, y, normalX, normalY } = path.frameAtDistance(placed.distance);
    return [{ rider: rider.id, mark: mark.id, time: mark.time, x, y, normalX, normalY }];
  });
}

function covers(poses: Poses, index: number, width: number, height: number, { x, y }: Pointer): boolean {
  const at = index * POSE_SIZE;
  const [a, b, c, d, e, f] = [POSE.a, POSE.b, POSE.c, POSE.d, POSE.e, POSE.f].map(
    (key) => poses.data[at + key] ?? 0,
  ) as [number, number, number, number, number, number];
  const det = a * d - b * c;
  if (Math.abs(det) < 1e-12) return false;
  const u = (d * (x - e) - c * (y - f)) / det;
  const v = (a * (y - f) - b * (x - e)) / det;
  return u >= 0 && v >= 0 && u <= width && v <= height;
}

function coversPicture({ x, y, width, height, scale, turn }: Tracing, pointer: Pointer): boolean {
  const angle = (-turn * Math.PI) / 180;
  const [dx, dy] = [pointer.x - x, pointer.y - y];
  const u = (Math.cos(angle) * dx - Math.sin(angle) * dy) / scale;
  const v = (Math.sin(angle) * dx + Math.cos(angle) * dy) / scale;
  return Math.abs(u) <= width / 2 && Math.abs(v) <= height / 2;
}
