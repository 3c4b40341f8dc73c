import {
  EMPTY_BOX,
  guideById,
  isEmptyBox,
  pathOfGuide,
  transformGuides,
  transformNodes,
  unionOf,
  type Box,
  type Matrix,
  type Scene,
} from '@pace-line/core';
import type { Selection } from '../../document/index.ts';

/** A handle of the box about a selection: which side it scales (−1, 0, 1 in x and y), or the knob that turns. */
export type BoxHandle =
  { readonly kind: 'scale'; readonly sx: -1 | 0 | 1; readonly sy: -1 | 0 | 1 } | { readonly kind: 'turn' };

/** What the box moves: nodes of one guide, or whole guides that lie in the same frame: the canvas's, or that of the rider that carries them. */
export type BoxTarget = { readonly carrier: string | null } & (
  | { readonly kind: 'nodes'; readonly guide: string; readonly nodes: readonly string[] }
  | { readonly kind: 'guides'; readonly guides: readonly string[] }
);

/** What is boxed: several nodes, or while no node is selected whole guides, as far as they lie in the first one's frame; undefined where there is nothing to scale. */
export function boxTargetOf(scene: Scene, selection: Selection): BoxTarget | undefined {
  const [first] = selection.guides;
  const guide = guideById(scene, first ?? null);
  if (!guide) return undefined;
  const { carrier } = guide;
  if (selection.nodes.length === 1) return undefined;
  if (selection.nodes.length > 1)
    return guide.locked || guide.link ? undefined : { carrier, kind: 'nodes', guide: guide.id, nodes: selection.nodes };
  const free = selection.guides.filter((id) => {
    const one = guideById(scene, id);
    return one && !one.locked && one.visible && !one.link && one.carrier === carrier;
  });
  return free.length > 0 ? { carrier, kind: 'guides', guides: free } : undefined;
}

/** Bounds of what is boxed, px of the frame it lies in; undefined where it is a point. */
export function boundsOf(scene: Scene, boxed: BoxTarget): Box | undefined {
  let box: Box = EMPTY_BOX;
  if (boxed.kind === 'guides')
    for (const id of boxed.guides) {
      const guide = guideById(scene, id);
      if (guide) box = unionOf(box, pathOfGuide(guide).bounds);
    }
  else
    for (const node of guideById(scene, boxed.guide)?.nodes ?? [])
      if (boxed.nodes.includes(node.id))
        box = unionOf(box, { left: node.x, right: node.x, top: node.y, bottom: node.y });
  return isEmptyBox(box) || Math.max(box.right - box.left, box.bottom - box.top) < 1 ? undefined : box;
}

/** What is boxed changed by a matrix in the px of its frame. */
export const boxTransformed = (scene: Scene, target: BoxTarget, matrix: Matrix): Scene =>
  target.kind === 'nodes'
    ? transformNodes(scene, { guide: target.guide, nodes: target.nodes, matrix })
    : transformGuides(scene, { ids: target.guides, matrix });

/** Screen px between the bounds and the box that is shown. */
export const EDGE = 14;
/** Screen px from the box's upper edge to the knob that turns. */
export const KNOB = 26;

export interface PlacedHandle {
  readonly handle: BoxHandle;
  readonly x: number;
  readonly y: number;
}

/** The box that is shown, a little wider than the bounds, and its handles, px of the same frame. `zoom`: screen px for each of them. */
export function handlesAround(bounds: Box, zoom: number): { box: Box; handles: PlacedHandle[] } {
  const edge = EDGE / zoom;
  const box = {
    left: bounds.left - edge,
    top: bounds.top - edge,
    right: bounds.right + edge,
    bottom: bounds.bottom + edge,
  };
  const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  const at = (sx: -1 | 0 | 1, sy: -1 | 0 | 1): PlacedHandle => ({
    handle: { kind: 'scale', sx, sy },
    x: sx < 0 ? box.left : sx > 0 ? box.right : cx,
    y: sy < 0 ? box.top : sy > 0 ? box.bottom : cy,
  });
  const sides = ([-1, 0, 1] as const).flatMap((sx) =>
    ([-1, 0, 1] as const).flatMap((sy) => (sx === 0 && sy === 0 ? [] : [at(sx, sy)])),
  );
  // The upper left corner belongs to the cross that moves.
  const shown = sides.filter(({ handle }) => !(handle.kind === 'scale' && handle.sx === -1 && handle.sy === -1));
  return { box, handles: [...shown, { handle: { kind: 'turn' }, x: cx, y: box.top - KNOB / zoom }] };
}
