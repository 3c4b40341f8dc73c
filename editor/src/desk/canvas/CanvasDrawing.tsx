import { useEffect, useMemo, useRef, type KeyboardEvent, type ReactNode, type RefObject } from 'react';
import { useStore } from 'zustand';
import { selectGuide, useDocumentState } from '../../document/index.ts';
import { CANVAS_FIGURES } from '../../figures/canvas/index.ts';
import { createSvgStage, type Stage } from '../../figures/stage/stage.ts';
import { useFrame } from '../../scene/context.ts';
import { nudge } from '../actions/moving.ts';
import { wayOfArrow } from '../keys/arrows.ts';
import { partOf } from '../keys/part-of.ts';
import { useDesk } from '../context.ts';
import { Painted } from '../Painted.tsx';
import { useDeskView } from '../view.ts';
import { AimLayer } from './AimLayer.tsx';
import { GhostLayer } from './GhostLayer.tsx';
import { hand } from './hand.ts';
import { OnionLayer } from './OnionLayer.tsx';
import { EmptyCanvas, StatusLine } from './StatusLine.tsx';
import { TracingLayer } from './TracingLayer.tsx';
import { TryLayer } from './TryLayer.tsx';
import { useCanvasNow } from './use-canvas-now.ts';

interface CanvasDrawingProps {
  /** What takes the pointer. */
  readonly surface: RefObject<HTMLElement | null>;
  /** What lies over the drawing and takes the pointer. */
  readonly children: ReactNode;
}

/** All that is drawn of the shown scene, in layers over each other. What follows a hand or the clock is painted in the frame. */
export function CanvasDrawing({ surface, children }: CanvasDrawingProps) {
  const now = useCanvasNow(surface);
  const named = { handles: useHandles() };
  return (
    <>
      <div className="canvas-view">
        <StageLayer />
        <TracingLayer />
        <GhostLayer />
        <OnionLayer />
        <Painted figures={CANVAS_FIGURES} now={now} isOnCanvas named={named} />
        <EmptyNote />
        {children}
        <AimLayer />
        <TryLayer />
      </div>
      <StatusLine now={now} />
    </>
  );
}

/** What an empty scene says to do next, until something is being made. */
function EmptyNote() {
  const isEmpty = useDocumentState(
    ({ shown }) => shown.guides.length === 0 && shown.riders.length === 0 && shown.tracing.length === 0,
  );
  return isEmpty && <UnlessMaking />;
}

function UnlessMaking() {
  return useStore(hand, ({ preview }) => preview === null) && <EmptyCanvas />;
}

/** Nodes by keyboard: what is come to is selected, and arrows move it. */
function useHandles() {
  const desk = useDesk();
  return useMemo(() => {
    const take = (target: EventTarget): boolean => {
      const part = partOf(target);
      const guide = part?.dataset['guide'];
      if (!part || guide === undefined) return false;
      if (!desk.doc.state.selection.nodes.includes(part.id)) desk.doc.select(selectGuide(guide, [part.id]));
      return true;
    };
    return {
      role: 'group',
      'aria-label': 'Nodes and marks on the canvas',
      onFocus: ({ target }: { target: EventTarget }) => void take(target),
      onKeyDown: (event: KeyboardEvent) => {
        const way = partOf(event.target) && wayOfArrow(event);
        if (!way || !take(event.target)) return;
        nudge(desk, way[0], way[1]);
      },
    };
  }, [desk]);
}

/** Scenery and riders, drawn in the frame and not by React. */
function StageLayer() {
  const host = useRef<HTMLDivElement>(null);
  const stage = useRef<Stage | null>(null);
  const { playback } = useDesk();
  useEffect(() => {
    if (!host.current) return;
    const made = createSvgStage(host.current);
    stage.current = made;
    return () => {
      made.destroy();
      stage.current = null;
    };
  }, []);
  // The stage is brought up to date in the frame that draws it, so that a change and the pose that goes with it are seen together.
  useFrame((frame) => {
    const { view, asSent } = useDeskView.getState();
    stage.current?.setView(view);
    stage.current?.setRough(playback.isRough);
    document.documentElement.toggleAttribute('data-flat', playback.isFlat);
    stage.current?.draw(frame, asSent);
  });
  // The view moves riders and guides in the same frame.
  useEffect(() => useDeskView.subscribe((state) => stage.current?.setView(state.view)), []);
  return <div className="stage" ref={host} />;
}
