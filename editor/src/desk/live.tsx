import { useCallback, useLayoutEffect, useRef } from 'react';
import type { Live } from '../fields/index.ts';
import type { Frame } from '../frame/playback.ts';
import { sayingFigures, useFigure, useOpenScene } from '../scene/context.ts';

/** Lets a field follow a figure of the frames, as the clock or a hand changes it, without being rendered; undefined: it stays as it is. */
export function useLive<T>(figure: (frame: Frame) => T | undefined): Live<T> {
  const { playback } = useOpenScene();
  const latest = useRef(figure);
  useLayoutEffect(() => {
    latest.current = figure;
  });
  return useCallback(
    (follow) => {
      const tell = (frame: Frame, isShown: boolean): void => {
        const now = latest.current(frame);
        if (now !== undefined) follow(now, isShown);
      };
      const show = sayingFigures(playback, (frame) => tell(frame, true));
      return playback.onFrame((frame) => {
        tell(frame, false);
        show(frame);
      });
    },
    [playback],
  );
}

interface LiveTextProps {
  /** What it is when it is rendered. */
  readonly children: string | undefined;
  /** What it is in a frame. */
  readonly text: (frame: Frame) => string | undefined;
}

/** Words that follow the frames: written, not rendered. */
export function LiveText({ children, text }: LiveTextProps) {
  const span = useRef<HTMLSpanElement>(null);
  useFigure((frame) => {
    const words = text(frame) ?? '';
    if (span.current && span.current.textContent !== words) span.current.textContent = words;
  });
  return <span ref={span}>{children}</span>;
}
