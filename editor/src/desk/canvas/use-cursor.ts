import { useEffect, useMemo, type RefObject } from 'react';
import type { CanvasTool, Pointer, ToolName } from '../../tools/index.ts';
import { CANVAS_TOOLS } from '../../tools/index.ts';
import { seenIn, toCanvas } from '../../figures/view-transform.ts';
import { takesKeys } from '../keys/takes-keys.ts';
import { useDeskView } from '../view.ts';
import { hand } from './hand.ts';
import type { Tools } from './use-tools.ts';

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** px of the canvas that an arrow goes; with Shift, and with Ctrl. */
const [STEP, FAR, FARTHEST] = [1, 10, 100];

const pointedOf = (tool: ToolName): CanvasTool['pointed'] =>
  (CANVAS_TOOLS as readonly CanvasTool[]).find(({ name }) => name === tool)?.pointed;

/**
 * Drawing by keys: arrows move a cursor, Enter is the press of a hand there; for what is dragged the first begins and the second ends it. Entered again where it just was, it means what
 * the tool means by Enter. A pointer that moves takes the cursor away.
 */
export function useCursor(surface: RefObject<HTMLDivElement | null>, tools: Tools): (event: KeyboardEvent) => boolean {
  useEffect(() => {
    const box = surface.current;
    const forget = (): void => {
      if (hand.getState().cursor) hand.setState({ cursor: null });
    };
    box?.addEventListener('pointermove', forget);
    const stop = useDeskView.subscribe(({ tool }) => pointedOf(tool) === undefined && forget());
    return () => {
      box?.removeEventListener('pointermove', forget);
      stop();
    };
  }, [surface]);
  return useMemo(() => {
    let placed: readonly [number, number] | null = null;
    let isDragging = false;
    let last: ToolName | undefined;
    const pane = () => ({ width: surface.current?.clientWidth ?? 0, height: surface.current?.clientHeight ?? 0 });
    const pointerAt = ([x, y]: readonly [number, number]): Pointer => {
      const { view } = useDeskView.getState();
      const seen = seenIn(view, pane());
      const held = { shift: false, alt: false, ctrl: false, kind: 'mouse', time: performance.now() / 1000 } as const;
      return { x, y, zoom: view.zoom, ...(seen && { seen }), ...held };
    };
    const start = (): readonly [number, number] => {
      const { width, height } = pane();
      const [x, y] = toCanvas(useDeskView.getState().view, width / 2, height / 2);
      return [Math.round(x), Math.round(y)];
    };
    const go = (event: KeyboardEvent, [dx, dy]: readonly [number, number]): void => {
      const from = hand.getState().cursor ?? start();
      const size = event.ctrlKey || event.metaKey ? FARTHEST : event.shiftKey ? FAR : STEP;
      const at = [from[0] + dx * size, from[1] + dy * size] as const;
      hand.setState({ cursor: at, at });
      const tool = tools.all[useDeskView.getState().tool];
      if (isDragging) tool.move(pointerAt(at));
      else tool.hover(pointerAt(at));
    };
    const place = (isDragged: boolean): void => {
      const at = hand.getState().cursor ?? start();
      hand.setState({ cursor: at, at });
      const tool = tools.all[useDeskView.getState().tool];
      const p = pointerAt(at);
      if (isDragging) {
        tool.up(p);
        isDragging = false;
      } else {
        tool.down(p);
        if (isDragged) isDragging = true;
        else tool.up(p);
      }
      placed = at;
    };
    return (event) => {
      const { tool } = useDeskView.getState();
      const pointed = pointedOf(tool);
      // What was begun is given up, or was another tool's.
      if (event.key === 'Escape' || tool !== last) [isDragging, placed, last] = [false, null, tool];
      if (!pointed || event.altKey || takesKeys(event.target)) return false;
      const way = WAYS[event.key];
      if (way && isOn(event.target, '.canvas-surface, .canvas-tools')) {
        // Chosen by its button, a tool is used on the canvas from here on.
        surface.current?.focus({ preventScroll: true });
        go(event, way);
        return true;
      }
      if (event.key !== 'Enter' || !isOn(event.target, '.canvas-surface')) return false;
      const { cursor } = hand.getState();
      const isAgain = placed !== null && cursor !== null && placed[0] === cursor[0] && placed[1] === cursor[1];
      // Without a cursor, Enter is the tool's: a hand has drawn what it ends.
      if (!isDragging && (isAgain || (cursor === null && tools.all[tool].key('Enter')))) {
        placed = null;
        return isAgain && tools.all[tool].key('Enter');
      }
      place(pointed === 'drag');
      return true;
    };
  }, [surface, tools]);
}

/** Whether the keyboard is on something, or nowhere. */
const isOn = (target: EventTarget | null, selector: string): boolean =>
  target === document.body || (target instanceof Element && target.closest(selector) !== null);
