import { createContext, use, useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import type { DeskActions } from './actions.ts';
import type { FrameListener, Playback } from './playback.ts';

export interface DeskTools {
  readonly playback: Playback;
  readonly actions: DeskActions;
}

export const DeskContext = createContext<DeskTools | null>(null);

export function useDesk(): DeskTools {
  const desk = use(DeskContext);
  if (!desk) throw new Error('useDesk: not inside the Desk');
  return desk;
}

/** Runs on each drawn frame; never re-renders. */
export function useFrame(listener: FrameListener): void {
  const { playback } = useDesk();
  const latest = useRef(listener);
  useEffect(() => {
    latest.current = listener;
    playback.invalidate();
  });
  useEffect(() => playback.onFrame((time) => latest.current(time)), [playback]);
}

export function usePlaying(): { playing: boolean; speed: number } {
  const { playback } = useDesk();
  const subscribe = useCallback((listener: () => void) => playback.onChange(listener), [playback]);
  const playing = useSyncExternalStore(subscribe, () => playback.isPlaying);
  const speed = useSyncExternalStore(subscribe, () => playback.speed);
  return { playing, speed };
}
