import { useCallback, useEffect, useRef, type RefObject } from 'react';
import { useDocument } from '../../document/index.ts';
import type { CanvasNow } from '../../figures/canvas/index.ts';
import type { Frame } from '../../frame/playback.ts';
import { useOpenScene } from '../../scene/context.ts';
import { useDeskView, usePreferences } from '../view.ts';
import { hand } from './hand.ts';

/** What the canvas is painted from in a frame. `surface`: what has the canvas's size. */
export function useCanvasNow(surface: RefObject<HTMLElement | null>): (frame: Frame) => CanvasNow {
  const doc = useDocument();
  const { playback } = useOpenScene();
  const pane = useRef({ width: 0, height: 0 });
  useEffect(() => {
    if (!surface.current) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width = 0, height = 0 } = entry?.contentRect ?? {};
      pane.current = { width, height };
      playback.invalidate();
    });
    observer.observe(surface.current);
    return () => observer.disconnect();
  }, [surface, playback]);
  return useCallback(
    (frame) => {
      const { view, tool, hover, finding } = useDeskView.getState();
      const { preview, hints, cursor, followed } = hand.getState();
      const { committed, selection } = doc.state;
      return {
        ...{ frame, scene: frame.scene, committed, selection, view, hover, finding, preview, hints, cursor, followed },
        pane: pane.current,
        isAdjusting: tool === 'adjust',
        seeing: usePreferences.getState().seeing,
      };
    },
    [doc],
  );
}
