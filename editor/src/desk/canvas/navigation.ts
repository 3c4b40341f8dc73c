import { useCallback, useEffect, useRef, type PointerEvent, type RefObject } from 'react';
import { pathOfGuide, unionOf, type Box } from '@pace-line/core';
import { guideFrame } from '../../tools/index.ts';
import { useDesk } from '../context.ts';
import type { Desk } from '../desk.ts';
import { spaceHeld } from '../keys/space-key.ts';
import { useDeskView } from '../view.ts';
import { fitted, panned, zoomedAt } from '../../figures/view-transform.ts';

/** px about the canvas when it is fitted into its pane. */
const FIT_MARGIN = 28;

/** All that there is, wherever it lies: the canvas, the guides, and the riders where they are drawn now. */
function everything({ doc, playback }: Pick<Desk, 'doc' | 'playback'>): Box {
  const scene = doc.state.shown;
  const { poses } = playback;
  let box: Box = { left: 0, top: 0, right: scene.canvas.width, bottom: scene.canvas.height };
  for (const guide of scene.guides) {
    const frame = guideFrame(scene, poses, guide);
    const { left, top, right, bottom } = pathOfGuide(guide).bounds;
    if (!frame || !(right >= left)) continue;
    for (const corner of [
      [left, top],
      [right, top],
      [left, bottom],
      [right, bottom],
    ] as const)
      box = withPoint(box, ...frame.toCanvas(corner));
  }
  for (let i = 0; i < poses.count; i++) {
    const [x, y] = [poses.of(i, 'x'), poses.of(i, 'y')];
    if (Number.isFinite(x) && Number.isFinite(y)) box = withPoint(box, x, y);
  }
  return box;
}

const withPoint = (box: Box, x: number, y: number): Box => unionOf(box, { left: x, right: x, top: y, bottom: y });

/**
 * Fits the canvas into its pane, now by itself and whenever it is called; from then on it stays fitted until the view is moved by hand. Called while it is fitted, it shows all
 * that there is, wherever that lies, and the next time the canvas again.
 */
export function useFit(surface: RefObject<HTMLDivElement | null>): () => void {
  const desk = useDesk();
  const fittedView = useRef(useDeskView.getState().view);
  const shows = useRef<'canvas' | 'all'>('canvas');
  const fit = useCallback(() => {
    const pane = surface.current;
    if (!pane) return;
    const { width, height } = desk.doc.state.shown.canvas;
    const box = shows.current === 'all' ? everything(desk) : { left: 0, top: 0, right: width, bottom: height };
    const view = fitted(box, { width: pane.clientWidth, height: pane.clientHeight }, FIT_MARGIN);
    useDeskView.getState().set({ view });
    fittedView.current = view;
  }, [desk, surface]);
  const isFitted = (): boolean => useDeskView.getState().view === fittedView.current;
  const refit = useCallback(() => {
    if (isFitted()) fit();
  }, [fit]);
  const press = useCallback(() => {
    shows.current = isFitted() && shows.current === 'canvas' ? 'all' : 'canvas';
    fit();
  }, [fit]);
  useOnResize(surface, refit);
  // A canvas of another size, once it has that.
  useEffect(
    () =>
      desk.doc.store.subscribe(({ committed: { canvas } }, { committed: { canvas: before } }) => {
        if (canvas.width !== before.width || canvas.height !== before.height) refit();
      }),
    [desk, refit],
  );
  return press;
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
