import { useCallback, useEffect, useRef, useState, type DragEvent, type PointerEvent, type RefObject } from 'react';
import { guideById, nearestOnPath, pathOfGuide, prepare, riderById, setSeating, type Seating } from '@pace-line/core';
import { useDocument, useDocumentState } from '../../document/index.ts';
import {
  addNodeAt,
  adjustTool,
  hitsAt,
  plotTool,
  type Pointer,
  type Preview,
  type Tool,
  type ToolHost,
} from '../../tools/index.ts';
import { useDesk, useFrame } from '../context.ts';
import { ART_DRAG } from '../drawers/drag.ts';
import { spaceHeld } from '../space-key.ts';
import { useDeskView, type ToolName } from '../view.ts';
import { CanvasTools } from './CanvasTools.tsx';
import { Beyond, Lines, Overlay, useTicks } from './Overlay.tsx';
import { createSvgStage, type Stage } from './stage.ts';
import { fitted, panned, toCanvas, zoomedAt } from './view-transform.ts';

const FIT_MARGIN = 28;

/** The canvas: stage, overlay, and the pointer's way into the tools. */
export function CanvasPane() {
  const doc = useDocument();
  const { playback, actions } = useDesk();
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
  const [dropped, setDropped] = useState<{ rider: string; point: readonly [number, number]; seating: Seating } | null>(
    null,
  );
  const [overGuide, setOverGuide] = useState<string | null>(null);

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
  useFrame((time) => {
    stage.current?.setScene(doc.state.shown);
    stage.current?.setView(useDeskView.getState().view);
    stage.current?.draw(time);
  });

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
      poses: () => stage.current?.poses ?? prepare(doc.state.committed).poseAt(playback.time),
      selection: () => doc.state.selection,
      time: () => playback.time,
      begin: (label) => doc.begin(label),
      do: (label, change, next) => actions.do(label, change, next),
      select: (next) => doc.select(next),
      hold: () => playback.hold(),
      release: () => playback.release(),
      preview: setPreview,
    };
    const all: Record<ToolName, Tool> = {
      adjust: adjustTool(host),
      plot: plotTool(host, () => useDeskView.getState().set({ tool: 'adjust' })),
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
    };
  };

  const pan = usePan(surface);

  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    surface.current?.focus({ preventScroll: true });
    if (pan.down(event)) return;
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    if (dropped) setDropped(null);
    active.down(pointerOf(event));
  };

  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    const p = pointerOf(event);
    if (position.current) position.current.textContent = `${Math.round(p.x)}, ${Math.round(p.y)} px`;
    if (pan.move(event)) return;
    if (event.buttons & 1) active.move(p);
    else {
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

  const onDragOver = (event: DragEvent<HTMLDivElement>): void => {
    if (!event.dataTransfer.types.includes(ART_DRAG)) return;
    event.preventDefault();
    event.dataTransfer.dropEffect = 'copy';
    setOverGuide(guideUnder(pointerOf(event)));
  };

  const guideUnder = (p: Pointer): string | null => {
    let best: { id: string; gap: number } | undefined;
    for (const guide of doc.state.committed.guides) {
      if (!guide.visible) continue;
      const near = nearestOnPath(pathOfGuide(guide), p.x, p.y, DROP_REACH / p.zoom);
      if (near && (!best || near.gap < best.gap)) best = { id: guide.id, gap: near.gap };
    }
    return best?.id ?? null;
  };

  const onDrop = (event: DragEvent<HTMLDivElement>): void => {
    const art = event.dataTransfer.getData(ART_DRAG);
    setOverGuide(null);
    if (!art) return;
    event.preventDefault();
    event.stopPropagation();
    const p = pointerOf(event);
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
  const isEmpty = shown.guides.length === 0 && shown.riders.length === 0 && !preview;
  return (
    <section className={`canvas-pane ${asSent ? 'as-sent' : ''}`} aria-label="Canvas">
      <CanvasTools fit={fit} zoom={view.zoom} position={position} />
      <div className="canvas-view">
        <div className="stage" ref={stageHost} />
        <Beyond scene={shown} />
        <Lines scene={shown} selection={selection} ticks={ticks} />
        <Overlay scene={shown} selection={selection} preview={preview} />
        {/* What takes the pointer lies beside the drawing, not around it: inside, the browser would keep regions for every element that moves. */}
        <div
          ref={surface}
          className="canvas-surface"
          style={{ cursor: pan.isPanning ? 'grabbing' : tool === 'plot' ? 'crosshair' : cursor }}
          tabIndex={0}
          role="application"
          aria-label="Canvas: guides and riders"
          onPointerDown={onPointerDown}
          onPointerMove={onPointerMove}
          onPointerUp={onPointerUp}
          onPointerCancel={() => void active.cancel()}
          onPointerLeave={() => set({ hover: null })}
          onDoubleClick={(event) => {
            if (tool === 'adjust') addNodeAt(tools.host, pointerOf(event));
          }}
          onContextMenu={(event) => event.preventDefault()}
          onDragOver={onDragOver}
          onDragLeave={() => setOverGuide(null)}
          onDrop={onDrop}
        />
        {isEmpty && <EmptyCanvas />}
        {hovered && <p className="drop-hint">Drop to ride “{hovered.name}”</p>}
        {dropped && (
          <div
            className="seating"
            role="group"
            aria-label="How the rider sits"
            onPointerDown={(event) => event.stopPropagation()}
            onPointerUp={(event) => event.stopPropagation()}
          >
            <span>{riderById(shown, dropped.rider)?.name}</span>
            <button type="button" aria-pressed={dropped.seating === 'seat'} onClick={() => reseat('seat')}>
              sits on the guide
            </button>
            <button type="button" aria-pressed={dropped.seating === 'keep'} onClick={() => reseat('keep')}>
              stays where it was dropped
            </button>
          </div>
        )}
      </div>
      <StatusLine every={ticks?.every ?? null} plotting={tool === 'plot'} />
    </section>
  );
}

/** Screen px within which dropped art takes a guide. */
const DROP_REACH = 24;

function EmptyCanvas() {
  return (
    <div className="empty-canvas">
      <p>
        <strong>Plot a guide:</strong> press <kbd>2</kbd>, then click on the canvas; press and drag for curves.
      </p>
      <p>
        <strong>Bring in a drawing:</strong> drop an SVG file here, then drag it from <em>Art</em> onto the guide.
      </p>
    </div>
  );
}

function StatusLine({ every, plotting }: { every: number | null; plotting: boolean }) {
  const selection = useDocumentState((state) => state.selection);
  const guide = useDocumentState((state) => guideById(state.shown, state.selection.guides[0] ?? null));
  const ticks = every === null ? '' : `Ticks: every ${every === 1 ? '' : `${ordinal(every)} `}frame, long: seconds.`;
  let text = 'Click to select; drag a box to select several.';
  if (plotting)
    text =
      'Click for a corner, drag for a curve; the first node closes, Enter ends, Backspace takes one back, Escape gives up.';
  else if (selection.nodes.length > 0 && guide)
    text = `${selection.nodes.length} of ${guide.nodes.length} nodes. Arrows nudge; marks keep their times.`;
  else if (guide) text = 'Drag nodes to bend; double-click adds one; the cross moves it whole.';
  else if (selection.marks.length > 0) text = 'Drag the flag along the guide; its time stays.';
  else if (selection.riders.length > 0) text = 'Drag to move it; on a guide that sets lift and lead.';
  return (
    <p className="status-line">
      <span className="status-text">{text}</span>
      <span className="status-ticks">{ticks}</span>
    </p>
  );
}

function ordinal(n: number): string {
  const tail = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${tail}`;
}

/** Fits the canvas into its pane when that is first laid out and whenever its size changes, until the view was moved by hand. */
function useFitWhileUntouched(surface: RefObject<HTMLDivElement | null>, fit: () => void): void {
  useEffect(() => {
    const pane = surface.current;
    if (!pane) return;
    let fittedView = useDeskView.getState().view;
    const refit = (): void => {
      const { view } = useDeskView.getState();
      if (view !== fittedView) return;
      fit();
      fittedView = useDeskView.getState().view;
    };
    const observer = new ResizeObserver(refit);
    observer.observe(pane);
    return () => observer.disconnect();
  }, [surface, fit]);
}

/** Keys that a tool understands, before the Desk's own. */
function useToolKeys(tool: Tool, leave: () => void): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select, [role="dialog"], [role="listbox"]')) return;
      const used = event.key === 'Escape' ? tool.cancel() : tool.key(event.key);
      if (used) {
        event.preventDefault();
        event.stopImmediatePropagation();
      } else if (event.key === 'Escape' && useDeskView.getState().tool !== 'adjust') leave();
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, [tool, leave]);
}

/** Wheel pans, Ctrl-wheel and pinch zoom; held space or the middle button pans. */
function usePan(surface: RefObject<HTMLDivElement | null>) {
  const [isPanning, setPanning] = useState(false);
  const from = useRef<{ x: number; y: number } | null>(null);
  useEffect(() => {
    const pane = surface.current;
    if (!pane) return;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const { view, set } = useDeskView.getState();
      const box = pane.getBoundingClientRect();
      if (event.ctrlKey || event.metaKey)
        set({
          view: zoomedAt(view, Math.exp(-event.deltaY * 0.0022), event.clientX - box.left, event.clientY - box.top),
        });
      else set({ view: event.shiftKey ? panned(view, -event.deltaY, 0) : panned(view, -event.deltaX, -event.deltaY) });
    };
    pane.addEventListener('wheel', onWheel, { passive: false });
    return () => pane.removeEventListener('wheel', onWheel);
  }, [surface]);
  return {
    isPanning,
    down(event: PointerEvent<HTMLDivElement>): boolean {
      if (event.button !== 1 && !spaceHeld.current) return false;
      event.preventDefault();
      event.currentTarget.setPointerCapture(event.pointerId);
      from.current = { x: event.clientX, y: event.clientY };
      spaceHeld.panned = true;
      setPanning(true);
      return true;
    },
    move(event: PointerEvent<HTMLDivElement>): boolean {
      if (!from.current) return false;
      const { view, set } = useDeskView.getState();
      set({ view: panned(view, event.clientX - from.current.x, event.clientY - from.current.y) });
      from.current = { x: event.clientX, y: event.clientY };
      return true;
    },
    up(): boolean {
      if (!from.current) return false;
      from.current = null;
      setPanning(false);
      return true;
    },
  };
}
