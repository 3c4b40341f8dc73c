import { useEffect, useRef, useState, type PointerEvent, type RefObject } from 'react';
import { useDocument } from '../../document/index.ts';
import { Fingers, hitsAt, isFinger, type Pointer, type Tool } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { hand, showHints } from './hand.ts';
import { usePan } from './navigation.ts';
import type { Tools } from './use-tools.ts';
import { panned, seenIn, toCanvas, zoomedAt } from '../../figures/view-transform.ts';

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

interface Corner {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const cornerOf = (surface: HTMLElement | null): Corner =>
  surface?.getBoundingClientRect() ?? { left: 0, top: 0, width: 0, height: 0 };

/** A pointer on the canvas from an event over its surface. */
export const pointerOn = (surface: HTMLElement | null, event: PlacedEvent): Pointer =>
  pointerFrom(cornerOf(surface), event);

function pointerFrom(corner: Corner, event: PlacedEvent): Pointer {
  const { view } = useDeskView.getState();
  const [x, y] = toCanvas(view, event.clientX - corner.left, event.clientY - corner.top);
  const seen = seenIn(view, corner);
  return {
    x,
    y,
    zoom: view.zoom,
    ...(seen && { seen }),
    shift: event.shiftKey,
    alt: event.altKey,
    ctrl: event.ctrlKey || event.metaKey,
    kind: event.pointerType === 'pen' || event.pointerType === 'touch' ? event.pointerType : 'mouse',
    time: event.timeStamp / 1000,
  };
}

/** The pointer's way from the surface into the active tool. */
export function usePointer(surface: RefObject<HTMLDivElement | null>, tools: Tools) {
  const pan = usePan(surface);
  const showHover = useHover(tools);
  const active = tools.all[useDeskView((state) => state.tool)];
  // While something is held the surface stays where it is: asked in each move, the browser would lay out all that was just painted.
  const corner = useRef<Corner>({ left: 0, top: 0, width: 0, height: 0 });
  const pointerOf = (event: PlacedEvent & { readonly buttons: number; readonly type: string }): Pointer => {
    if (event.buttons === 0 || event.type === 'pointerdown') corner.current = cornerOf(surface.current);
    return pointerFrom(corner.current, event);
  };
  const fingers = useFingers(surface, active);
  const passedOf = (event: PointerEvent): Pointer[] => {
    const passed = event.nativeEvent.getCoalescedEvents?.() ?? [];
    return (passed.length > 0 ? passed : [event]).map((one) => pointerFrom(corner.current, one));
  };
  const handlers = {
    onPointerDown: (event: PointerEvent<HTMLDivElement>): void => {
      surface.current?.focus({ preventScroll: true });
      if (pan.down(event)) return;
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      if (isFinger(event)) fingers.down(event.pointerId, [event.clientX, event.clientY], pointerOf(event));
      else active.down(pointerOf(event));
    },
    onPointerMove: (event: PointerEvent<HTMLDivElement>): void => {
      const p = pointerOf(event);
      hand.setState({ at: [p.x, p.y] });
      if (pan.move(event)) return;
      if (isFinger(event)) fingers.move(event.pointerId, [event.clientX, event.clientY], p, passedOf(event));
      else if (event.buttons & 1) active.move(p, passedOf(event));
      else {
        event.currentTarget.style.cursor = active.hover(p);
        showHover(p);
      }
    },
    onPointerUp: (event: PointerEvent<HTMLDivElement>): void => {
      if (pan.up()) return;
      if (isFinger(event)) fingers.up(event.pointerId, pointerOf(event));
      else if (event.button === 0) active.up(pointerOf(event));
    },
    onPointerCancel: (event: PointerEvent<HTMLDivElement>): void => {
      if (isFinger(event)) fingers.lost(event.pointerId);
      else active.cancel();
    },
    onPointerLeave: (): void => {
      useDeskView.getState().set({ hover: null });
      showHints([]);
    },
  };
  return handlers;
}

/** One finger works the tool; two move and zoom the canvas. */
function useFingers(surface: RefObject<HTMLDivElement | null>, active: Tool): Fingers<Pointer> {
  const tool = useRef(active);
  useEffect(() => {
    tool.current = active;
  });
  const [fingers] = useState(() => {
    let base = useDeskView.getState().view;
    return new Fingers<Pointer>({
      press: (p) => tool.current.down(p),
      move: (p, passed) => tool.current.move(p, passed),
      lift: (p) => tool.current.up(p),
      giveUp: () => void (tool.current.back?.() || tool.current.cancel()),
      pinchBegins: () => {
        base = useDeskView.getState().view;
      },
      pinch({ x, y, dx, dy, scale }) {
        const box = surface.current?.getBoundingClientRect();
        const view = zoomedAt(panned(base, dx, dy), scale, x - (box?.left ?? 0), y - (box?.top ?? 0));
        useDeskView.getState().set({ view });
      },
    });
  });
  return fingers;
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
