import { useState, type DragEvent, type ReactNode } from 'react';
import { guideById, nearestOnPath, pathOfGuide, riderById, setSeating, type Seating } from '@pace-line/core';
import { useDocument, useDocumentState } from '../../document/index.ts';
import type { Pointer } from '../../tools/index.ts';
import { useDesk } from '../context.ts';
import { ART_DRAG, GUIDE_DRAG } from '../drawers/drag.ts';
import { keptById } from '../drawers/kept.ts';

/** Screen px within which dropped art takes a guide. */
const DROP_REACH = 24;

interface ArtDrop {
  readonly handlers: {
    readonly onDragOver: (event: DragEvent<HTMLDivElement>) => void;
    readonly onDragLeave: () => void;
    readonly onDrop: (event: DragEvent<HTMLDivElement>) => void;
  };
  /** What is said over the canvas while something is dragged, and how it sits once it was dropped. */
  readonly notes: ReactNode;
  /** Takes the question how it sits as answered. */
  readonly settle: () => void;
}

/** Art and kept guides dragged from a drawer onto the canvas: art onto a guide rides it, a guide is put down where it is dropped. */
export function useArtDrop(pointerOf: (event: DragEvent<HTMLDivElement>) => Pointer): ArtDrop {
  const doc = useDocument();
  const { playback, actions } = useDesk();
  const shown = useDocumentState((state) => state.shown);
  const [dropped, setDropped] = useState<{ rider: string; point: readonly [number, number]; seating: Seating } | null>(
    null,
  );
  const [overGuide, setOverGuide] = useState<string | null>(null);

  const guideUnder = (p: Pointer): string | null => {
    let best: { id: string; gap: number } | undefined;
    for (const guide of doc.state.committed.guides) {
      if (!guide.visible) continue;
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
      void keptById(kept).then((one) => one && actions.guides.placeKept(one, [p.x, p.y]));
      return;
    }
    const guide = guideUnder(p);
    const rider = actions.placeArt(art, [p.x, p.y], guide, 'seat');
    if (guide !== null && rider !== undefined) setDropped({ rider, point: [p.x, p.y], seating: 'seat' });
  };

  const reseat = (seating: Seating): void => {
    if (!dropped) return;
    setDropped({ ...dropped, seating });
    actions.do(seating === 'seat' ? 'Seat on the guide' : 'Keep its distance', (scene) =>
      setSeating(scene, { rider: dropped.rider, seating, point: dropped.point, time: playback.time }),
    );
  };

  const hovered = overGuide === null ? undefined : guideById(shown, overGuide);
  const rider = dropped && riderById(shown, dropped.rider);
  return {
    handlers: { onDragOver, onDragLeave: () => setOverGuide(null), onDrop },
    settle: () => setDropped(null),
    notes: (
      <>
        {hovered && <p className="drop-hint">Drop to ride “{hovered.name}”</p>}
        {dropped && rider && (
          <div
            className="seating"
            role="group"
            aria-label="How the rider sits"
            onPointerDown={(event) => event.stopPropagation()}
            onPointerUp={(event) => event.stopPropagation()}
          >
            <span>{rider.name}</span>
            <button type="button" aria-pressed={dropped.seating === 'seat'} onClick={() => reseat('seat')}>
              sits on the guide
            </button>
            <button type="button" aria-pressed={dropped.seating === 'keep'} onClick={() => reseat('keep')}>
              stays where it was dropped
            </button>
          </div>
        )}
      </>
    ),
  };
}
