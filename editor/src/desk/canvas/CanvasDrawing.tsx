import { useEffect, useRef, type ReactNode } from 'react';
import { riderById } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useFrame } from '../../scene/context.ts';
import type { Preview } from '../../tools/index.ts';
import { useDesk } from '../context.ts';
import { useDeskView } from '../view.ts';
import { Hints } from './Hints.tsx';
import { AimLayer } from './layers/AimLayer.tsx';
import { CameraLayer } from './layers/CameraLayer.tsx';
import { GhostLayer } from './layers/GhostLayer.tsx';
import { OnionLayer } from './layers/OnionLayer.tsx';
import { GuideLines } from './layers/GuideLines.tsx';
import { SeamLayer } from './layers/SeamLayer.tsx';
import { SpeedBand } from './layers/SpeedBand.tsx';
import { TickLayer } from './layers/TickLayer.tsx';
import { useTicks } from './layers/use-ticks.ts';
import { Overlay } from './Overlay.tsx';
import { SeeingLayer } from './SeeingLayer.tsx';
import { createSvgStage, type Stage } from './stage/stage.ts';
import { EmptyCanvas, StatusLine } from './StatusLine.tsx';
import { TryLayer } from './TryLayer.tsx';
import { TracingLayer } from './TracingLayer.tsx';

interface CanvasDrawingProps {
  readonly preview: Preview | null;
  /** What lies over the drawing and takes the pointer. */
  readonly children: ReactNode;
}

/** All that is drawn of the shown scene, in layers over each other: the one part of the canvas that is rendered while a hand moves something. */
export function CanvasDrawing({ preview, children }: CanvasDrawingProps) {
  const shown = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const zoom = useDeskView((state) => state.view.zoom);
  const tool = useDeskView((state) => state.tool);
  const ticks = useTicks(zoom);
  const ridden = riderById(shown, selection.riders[0] ?? '')?.guide ?? null;
  const isEmpty = shown.guides.length === 0 && shown.riders.length === 0 && shown.tracing.length === 0 && !preview;
  return (
    <>
      <div className="canvas-view">
        <StageLayer />
        <TracingLayer />
        <GhostLayer />
        <OnionLayer />
        <CameraLayer />
        <GuideLines guides={shown.guides} selection={selection} ridden={ridden} />
        <SpeedBand zoom={zoom} />
        <SeamLayer />
        <TickLayer ticks={ticks} isOnTop={selection.guides.length > 0} />
        <SeeingLayer guides={shown.guides} selection={selection} />
        <Overlay scene={shown} selection={selection} preview={preview} />
        <Hints />
        {isEmpty && <EmptyCanvas />}
        {children}
        <AimLayer />
        <TryLayer />
      </div>
      <StatusLine every={ticks?.every ?? null} tool={tool} />
    </>
  );
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
