import { useState, type PointerEvent, type RefObject } from 'react';
import { useDocument } from '../../document/index.ts';
import { hitsAt, type Pointer } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { showHints } from './Hints.tsx';
import { usePan } from './navigation.ts';
import type { Tools } from './use-tools.ts';
import { toCanvas } from './view-transform.ts';

/** What is asked of an event that has a place in the window. */
interface PlacedEvent {
  readonly clientX: number;
  readonly clientY: number;
  readonly shiftKey: boolean;
  readonly altKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly pointerType?: string;
  readonly timeStamp: number;
}

/** A pointer on the canvas from an event over its surface. */
export function pointerOn(surface: HTMLElement | null, event: PlacedEvent): Pointer {
  const box = surface?.getBoundingClientRect();
  const { view } = useDeskView.getState();
  const [x, y] = toCanvas(view, event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0));
  return {
    x,
    y,
    zoom: view.zoom,
    shift: event.shiftKey,
    alt: event.altKey,
    ctrl: event.ctrlKey || event.metaKey,
    kind: event.pointerType === 'pen' || event.pointerType === 'touch' ? event.pointerType : 'mouse',
    time: event.timeStamp / 1000,
  };
}

/** The pointer's way from the surface into the active tool; `position` says where it is. */
export function usePointer(
  surface: RefObject<HTMLDivElement | null>,
  position: RefObject<HTMLSpanElement | null>,
  tools: Tools,
) {
  const pan = usePan(surface);
  const [cursor, setCursor] = useState('default');
  const showHover = useHover(tools);
  const active = tools.all[useDeskView((state) => state.tool)];
  const pointerOf = (event: PlacedEvent): Pointer => pointerOn(surface.current, event);
  const handlers = {
    onPointerDown: (event: PointerEvent<HTMLDivElement>): void => {
      surface.current?.focus({ preventScroll: true });
      if (pan.down(event)) return;
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      active.down(pointerOf(event));
    },
    onPointerMove: (event: PointerEvent<HTMLDivElement>): void => {
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
    },
    onPointerUp: (event: PointerEvent<HTMLDivElement>): void => {
      if (pan.up()) return;
      if (event.button === 0) active.up(pointerOf(event));
    },
    onPointerCancel: (): void => void active.cancel(),
    onPointerLeave: (): void => {
      useDeskView.getState().set({ hover: null });
      showHints([]);
    },
  };
  return { handlers, cursor: pan.isPanning ? 'grabbing' : cursor };
}

/** Shows on the sheet the place of a guide that is hovered while adjusting. */
function useHover(tools: Tools): (p: Pointer) => void {
  const doc = useDocument();
  return (p) => {
    const { tool, hover, set } = useDeskView.getState();
    const { shown, selection } = doc.state;
    const hits = tool === 'adjust' ? hitsAt(shown, selection, tools.host.poses(), p) : [];
    const hit = hits.find((one) => one.kind === 'guide');
    const next = hit ? { guide: hit.guide, distance: hit.distance } : null;
    if (next?.guide !== hover?.guide || next?.distance !== hover?.distance) set({ hover: next });
  };
}
