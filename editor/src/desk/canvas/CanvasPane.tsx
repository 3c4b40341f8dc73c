import { useCallback, useEffect, useRef, useState, type PointerEvent } from 'react';
import { riderById } from '@pace-line/core';
import { useDocument, useDocumentState } from '../../document/index.ts';
import { addNodeAt, hitsAt, type Pointer, type Preview } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { CanvasDrawing } from './CanvasDrawing.tsx';
import { CanvasTools } from './CanvasTools.tsx';
import { showHints } from './Hints.tsx';
import { useFitWhileUntouched, usePan } from './navigation.ts';
import { SeatingNote } from './SeatingNote.tsx';
import { useToolKeys } from './tool-keys.ts';
import { ToolOptionsBar } from './ToolOptionsBar.tsx';
import { useArtDrop } from './use-art-drop.tsx';
import { useTools } from './use-tools.ts';
import { fitted, toCanvas } from './view-transform.ts';
import './canvas.css';

const FIT_MARGIN = 28;

/** The canvas: what is drawn, and the pointer's way into the tools. */
export function CanvasPane() {
  const doc = useDocument();
  const selection = useDocumentState((state) => state.selection);
  const { view, tool, asSent, set, setRoute } = useDeskView();
  const surface = useRef<HTMLDivElement>(null);
  const position = useRef<HTMLSpanElement>(null);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [cursor, setCursor] = useState('default');

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

  const tools = useTools(setPreview);
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

  return (
    <section className={`canvas-pane ${asSent ? 'as-sent' : ''}`} aria-label="Canvas">
      <CanvasTools fit={fit} zoom={view.zoom} position={position} />
      <ToolOptionsBar tool={tool} />
      <CanvasDrawing preview={preview}>
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
        {drop.notes}
        <SeatingNote />
      </CanvasDrawing>
    </section>
  );
}
