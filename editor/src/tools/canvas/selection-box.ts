import { EMPTY_BOX, guideById, isEmptyBox, pathOfGuide, unionOf, type Box, type Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import { isInHand } from '../in-hand.ts';

/** A handle of the box about a selection: which side it scales (−1, 0, 1 in x and y), or the knob that turns. */
export type BoxHandle =
  { readonly kind: 'scale'; readonly sx: -1 | 0 | 1; readonly sy: -1 | 0 | 1 } | { readonly kind: 'turn' };

/** What the box moves: nodes of one guide, or whole guides. */
export type BoxTarget =
  | { readonly kind: 'nodes'; readonly guide: string; readonly nodes: readonly string[] }
  | { readonly kind: 'guides'; readonly guides: readonly string[] };

/** What is boxed: several nodes, or whole guides while no node is selected; undefined where there is nothing to scale. */
export function boxTargetOf(scene: Scene, selection: Selection): BoxTarget | undefined {
  const [first] = selection.guides;
  const guide = guideById(scene, first ?? null);
  if (!guide) return undefined;
  if (selection.nodes.length === 1) return undefined;
  if (selection.nodes.length > 1)
    return guide.locked || guide.link || guide.carrier !== null
      ? undefined
      : { kind: 'nodes', guide: guide.id, nodes: selection.nodes };
  const free = selection.guides.filter((id) => {
    const one = guideById(scene, id);
    return one && !one.locked && isInHand(one) && !one.link;
  });
  return free.length > 0 ? { kind: 'guides', guides: free } : undefined;
}

/** Bounds of what is boxed, canvas px; undefined where it is a point. */
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

/** Screen px between the bounds and the box that is shown. */
export const EDGE = 14;
/** Screen px from the box's upper edge to the knob that turns. */
export const KNOB = 26;

export interface PlacedHandle {
  readonly handle: BoxHandle;
  readonly x: number;
  readonly y: number;
}

/** The box that is shown, a little wider than the bounds, and its handles, canvas px. */
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
