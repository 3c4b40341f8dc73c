import { useCallback, useEffect, useRef, type PointerEvent, type RefObject } from 'react';
import { useDocument } from '../../document/index.ts';
import { spaceHeld } from '../keys/space-key.ts';
import { useDeskView } from '../view.ts';
import { fitted, panned, zoomedAt } from '../../figures/view-transform.ts';

/** px about the canvas when it is fitted into its pane. */
const FIT_MARGIN = 28;

/** Fits the canvas into its pane, now by itself and whenever it is called; from then on it stays fitted until the view is moved by hand. */
export function useFit(surface: RefObject<HTMLDivElement | null>): () => void {
  const doc = useDocument();
  const fittedView = useRef(useDeskView.getState().view);
  const fit = useCallback(() => {
    const pane = surface.current;
    if (!pane) return;
    const { width, height } = doc.state.shown.canvas;
    useDeskView.getState().set({
      view: fitted(
        { left: 0, top: 0, right: width, bottom: height },
        { width: pane.clientWidth, height: pane.clientHeight },
        FIT_MARGIN,
      ),
    });
    fittedView.current = useDeskView.getState().view;
  }, [doc, surface]);
  const refit = useCallback(() => {
    if (useDeskView.getState().view === fittedView.current) fit();
  }, [fit]);
  useOnResize(surface, refit);
  // A canvas of another size, once it has that.
  useEffect(
    () =>
      doc.store.subscribe(({ committed: { canvas } }, { committed: { canvas: before } }) => {
        if (canvas.width !== before.width || canvas.height !== before.height) refit();
      }),
    [doc, refit],
  );
  return fit;
}

/** Calls something when a pane is first laid out and whenever its size changes. */
function useOnResize(surface: RefObject<HTMLDivElement | null>, act: () => void): void {
  useEffect(() => {
    const pane = surface.current;
    if (!pane) return;
    const observer = new ResizeObserver(act);
    observer.observe(pane);
    return () => observer.disconnect();
  }, [surface, act]);
}

/** Wheel pans, Ctrl-wheel and pinch zoom; held space or the middle button pans. */
export function usePan(surface: RefObject<HTMLDivElement | null>) {
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
    down(event: PointerEvent<HTMLDivElement>): boolean {
      if (event.button !== 1 && !spaceHeld.current) return false;
      event.preventDefault();
      event.currentTarget.setPointerCapture(event.pointerId);
      from.current = { x: event.clientX, y: event.clientY };
      spaceHeld.panned = true;
      event.currentTarget.style.cursor = 'grabbing';
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
      if (surface.current) surface.current.style.cursor = 'default';
      return true;
    },
  };
}
