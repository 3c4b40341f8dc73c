import { useCallback, useEffect, useRef, useState, type PointerEvent } from 'react';
import { prepare, riderById } from '@pace-line/core';
import { useDocument, useDocumentState } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import {
  actOutTool,
  addNodeAt,
  adjustTool,
  hitsAt,
  measureTool,
  plotTool,
  setDownTool,
  shapeTool,
  sketchTool,
  type Pointer,
  type Preview,
  type Tool,
  type ToolHost,
} from '../../tools/index.ts';
import { useFrame } from '../../scene/context.ts';
import { useDesk } from '../context.ts';
import { keepStroke, useDeskView, usePreferences, type ToolName } from '../view.ts';
import { CanvasTools } from './CanvasTools.tsx';
import { Beyond } from './layers/Beyond.tsx';
import { GuideLines } from './layers/GuideLines.tsx';
import { useTicks } from './layers/use-ticks.ts';
import { Overlay } from './Overlay.tsx';
import { Hints, showHints } from './Hints.tsx';
import { useFitWhileUntouched, usePan } from './navigation.ts';
import { SeatingNote } from './SeatingNote.tsx';
import { SeeingLayer } from './SeeingLayer.tsx';
import { EmptyCanvas, StatusLine } from './StatusLine.tsx';
import { createSvgStage, type Stage } from './stage.ts';
import { useToolKeys } from './tool-keys.ts';
import { ToolOptionsBar } from './ToolOptionsBar.tsx';
import { TracingLayer } from './TracingLayer.tsx';
import { useArtDrop } from './use-art-drop.tsx';
import { fitted, toCanvas } from './view-transform.ts';
import './canvas.css';
import { change } from '../actions/change.ts';

const FIT_MARGIN = 28;

/** The canvas: stage, overlay, and the pointer's way into the tools. */
export function CanvasPane() {
  const doc = useDocument();
  const desk = useDesk();
  const { playback } = desk;
  const shown = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const { view, tool, asSent, set, setRoute } = useDeskView();
  const surface = useRef<HTMLDivElement>(null);
  const stageHost = useRef<HTMLDivElement>(null);
  const stage = useRef<Stage | null>(null);
  const position = useRef<HTMLSpanElement>(null);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [cursor, setCursor] = useState('default');
  const ticks = useTicks(shown, selection, view.zoom);

  useEffect(() => {
    if (!stageHost.current) return;
    const made = createSvgStage(stageHost.current);
    stage.current = made;
    return () => {
      made.destroy();
      stage.current = null;
    };
  }, []);

  // The stage is brought up to date in the frame that draws it, so that a change and the pose that goes with it are seen together.
  useFrame((frame) => {
    stage.current?.setView(useDeskView.getState().view);
    stage.current?.draw(frame);
  });
  // The view moves riders and guides in the same frame.
  useEffect(() => useDeskView.subscribe((state) => stage.current?.setView(state.view)), []);

  const fit = useCallback(() => {
    const pane = surface.current;
    if (!pane) return;
    const { width, height } = doc.state.shown.canvas;
    set({
      view: fitted(
        { left: 0, top: 0, right: width, bottom: height },
        { width: pane.clientWidth, height: pane.clientHeight },
        FIT_MARGIN,
      ),
    });
  }, [doc, set]);

  useFitWhileUntouched(surface, fit);

  const [tools] = useState(() => {
    const host: ToolHost = {
      scene: () => doc.state.committed,
      motion: () => prepare(doc.state.committed),
      poses: () => playback.poses,
      selection: () => doc.state.selection,
      time: () => playback.time,
      begin: (label) => doc.begin(label),
      do: (label, edit, next) => change(desk, label, edit, next),
      select: (next) => doc.select(next),
      goTo: (time) => playback.goTo(time),
      hold: () => playback.hold(),
      release: () => playback.release(),
      preview: setPreview,
      snapping: () => usePreferences.getState().snapping,
      hint: showHints,
      tell: (message) => tell(message),
      options: () => usePreferences.getState().toolOptions,
      keepStroke,
      runFrom: (time, speed) => playback.run(time, speed),
      endRun: () => playback.endRun(),
      now: () => performance.now() / 1000,
      every: (ms, call) => {
        const timer = setInterval(call, ms);
        return () => clearInterval(timer);
      },
    };
    const toAdjust = (): void => useDeskView.getState().set({ tool: 'adjust' });
    const all: Record<ToolName, Tool> = {
      adjust: adjustTool(host),
      plot: plotTool(host, toAdjust),
      sketch: sketchTool(host, () => undefined),
      'act-out': actOutTool(host, () => undefined),
      'set-down': setDownTool(host),
      shape: shapeTool(host, toAdjust),
      measure: measureTool(host),
    };
    return { host, all };
  });
  const active = tools.all[tool];

  useEffect(() => () => void tools.all[tool].cancel(), [tools, tool]);
  useToolKeys(active, () => set({ tool: 'adjust' }));

  // What is selected on the canvas decides the route.
  useEffect(() => {
    const rider = riderById(doc.state.shown, selection.riders[0] ?? '');
    const route = selection.guides[0] ?? rider?.guide;
    if (route) setRoute(route);
  }, [doc, selection, setRoute]);

  const pointerOf = (event: {
    clientX: number;
    clientY: number;
    shiftKey: boolean;
    altKey: boolean;
    ctrlKey: boolean;
    metaKey: boolean;
    pointerType?: string;
    timeStamp: number;
  }): Pointer => {
    const box = surface.current?.getBoundingClientRect();
    const now = useDeskView.getState().view;
    const [x, y] = toCanvas(now, event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0));
    return {
      x,
      y,
      zoom: now.zoom,
      shift: event.shiftKey,
      alt: event.altKey,
      ctrl: event.ctrlKey || event.metaKey,
      kind: event.pointerType === 'pen' || event.pointerType === 'touch' ? event.pointerType : 'mouse',
      time: event.timeStamp / 1000,
    };
  };

  const pan = usePan(surface);
  const drop = useArtDrop(pointerOf);

  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    surface.current?.focus({ preventScroll: true });
    if (pan.down(event)) return;
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    active.down(pointerOf(event));
  };

  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    const p = pointerOf(event);
    if (position.current) position.current.textContent = `${Math.round(p.x)}, ${Math.round(p.y)} px`;
    if (pan.move(event)) return;
    if (event.buttons & 1) {
      const passed = event.nativeEvent.getCoalescedEvents?.() ?? [];
      active.move(p, passed.length > 0 ? passed.map(pointerOf) : [p]);
    } else {
      setCursor(active.hover(p));
      showHover(p);
    }
  };

  const showHover = (p: Pointer): void => {
    const scene = doc.state.shown;
    const hit =
      tool === 'adjust'
        ? hitsAt(scene, selection, tools.host.poses(), p).find((one) => one.kind === 'guide')
        : undefined;
    const next = hit?.kind === 'guide' ? { guide: hit.guide, distance: hit.distance } : null;
    const before = useDeskView.getState().hover;
    if (next?.guide !== before?.guide || next?.distance !== before?.distance) set({ hover: next });
  };

  const onPointerUp = (event: PointerEvent<HTMLDivElement>): void => {
    if (pan.up()) return;
    if (event.button === 0) active.up(pointerOf(event));
  };

  const isEmpty = shown.guides.length === 0 && shown.riders.length === 0 && shown.tracing.length === 0 && !preview;
  return (
    <section className={`canvas-pane ${asSent ? 'as-sent' : ''}`} aria-label="Canvas">
      <CanvasTools fit={fit} zoom={view.zoom} position={position} />
      <ToolOptionsBar tool={tool} />
      <div className="canvas-view">
        <div className="stage" ref={stageHost} />
        <TracingLayer />
        <Beyond scene={shown} />
        <GuideLines scene={shown} selection={selection} ticks={ticks} />
        <SeeingLayer scene={shown} selection={selection} />
        <Overlay scene={shown} selection={selection} preview={preview} />
        <Hints />
        {/* What takes the pointer lies beside the drawing, not around it: inside, the browser would keep regions for every element that moves. */}
        <div
          ref={surface}
          className="canvas-surface"
          style={{ cursor: pan.isPanning ? 'grabbing' : cursor }}
          tabIndex={0}
          role="application"
          aria-label="Canvas: guides and riders"
          onPointerDown={onPointerDown}
          onPointerMove={onPointerMove}
          onPointerUp={onPointerUp}
          onPointerCancel={() => void active.cancel()}
          onPointerLeave={() => {
            set({ hover: null });
            showHints([]);
          }}
          onDoubleClick={(event) => {
            if (tool === 'adjust') addNodeAt(tools.host, pointerOf(event));
          }}
          onContextMenu={(event) => event.preventDefault()}
          {...drop.handlers}
        />
        {isEmpty && <EmptyCanvas />}
        {drop.notes}
        <SeatingNote />
      </div>
      <StatusLine every={ticks?.every ?? null} tool={tool} />
    </section>
  );
}
