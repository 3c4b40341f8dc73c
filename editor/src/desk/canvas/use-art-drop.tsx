import { useState, type DragEvent, type ReactNode } from 'react';
import { guideById, nearestOnPath, pathOfGuide } from '@pace-line/core';
import { useDocument, useDocumentState } from '../../document/index.ts';
import { isInHand, type Pointer } from '../../tools/index.ts';
import { useDesk } from '../context.ts';
import { ART_DRAG, GUIDE_DRAG } from '../drawers/drag.ts';
import { keptById } from '../drawers/kept.ts';
import { bringInArt, parkArt } from '../actions/riding.ts';
import { shapeDragged } from '../drawers/shapes.ts';
import { dropOnGuide } from '../actions/seating.ts';
import { placeKept } from '../actions/outlines.ts';

/** Screen px within which dropped art takes a guide. */
const DROP_REACH = 24;

interface ArtDrop {
  readonly handlers: {
    readonly onDragOver: (event: DragEvent<HTMLDivElement>) => void;
    readonly onDragLeave: () => void;
    readonly onDrop: (event: DragEvent<HTMLDivElement>) => void;
  };
  /** What is said over the canvas while something is dragged. */
  readonly notes: ReactNode;
}

/** Art and kept guides dragged from a drawer onto the canvas: art onto a guide rides it, a guide is put down where it is dropped. */
export function useArtDrop(pointerOf: (event: DragEvent<HTMLDivElement>) => Pointer): ArtDrop {
  const doc = useDocument();
  const desk = useDesk();
  const shown = useDocumentState((state) => state.shown);
  const [overGuide, setOverGuide] = useState<string | null>(null);

  const guideUnder = (p: Pointer): string | null => {
    let best: { id: string; gap: number } | undefined;
    for (const guide of doc.state.committed.guides) {
      if (!isInHand(guide)) continue;
      const near = nearestOnPath(pathOfGuide(guide), p.x, p.y, DROP_REACH / p.zoom);
      if (near && (!best || near.gap < best.gap)) best = { id: guide.id, gap: near.gap };
    }
    return best?.id ?? null;
  };

  const onDragOver = (event: DragEvent<HTMLDivElement>): void => {
    const { types } = event.dataTransfer;
    if (!types.includes(ART_DRAG) && !types.includes(GUIDE_DRAG)) return;
    event.preventDefault();
    event.dataTransfer.dropEffect = 'copy';
    if (types.includes(ART_DRAG)) setOverGuide(guideUnder(pointerOf(event)));
  };

  const onDrop = (event: DragEvent<HTMLDivElement>): void => {
    const art = event.dataTransfer.getData(ART_DRAG);
    const kept = event.dataTransfer.getData(GUIDE_DRAG);
    setOverGuide(null);
    if (!art && !kept) return;
    event.preventDefault();
    event.stopPropagation();
    const p = pointerOf(event);
    if (kept) {
      void keptById(kept).then((one) => one && placeKept(desk, one, [p.x, p.y]));
      return;
    }
    const guide = guideUnder(p);
    // A shape is taken into the scene with its first rider: one step of undo.
    doc.inRun(`drop ${p.time}`, () => {
      const shape = shapeDragged(art);
      const id = shape ? bringInArt(desk, shape.name, shape.art) : art;
      if (guide === null) parkArt(desk, id, [p.x, p.y]);
      else dropOnGuide(desk, id, guide, [p.x, p.y]);
    });
  };

  const hovered = overGuide === null ? undefined : guideById(shown, overGuide);
  return {
    handlers: { onDragOver, onDragLeave: () => setOverGuide(null), onDrop },
    notes: hovered ? <p className="drop-hint">Drop to ride “{hovered.name}”</p> : null,
  };
}
