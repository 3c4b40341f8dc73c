import { createContext, use, useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import type { SaveState } from '../document/index.ts';
import type { FrameListener, Playback } from './playback.ts';

/** The open scene beside its document: what Desk and Send share. */
export interface OpenScene {
  readonly id: string;
  readonly playback: Playback;
  readonly save: SaveState;
}

export const OpenSceneContext = createContext<OpenScene | null>(null);

export function useOpenScene(): OpenScene {
  const open = use(OpenSceneContext);
  if (!open) throw new Error('useOpenScene: no scene is open here');
  return open;
}

/** Runs on each drawn frame; never re-renders. */
export function useFrame(listener: FrameListener): void {
  const { playback } = useOpenScene();
  const latest = useRef(listener);
  useEffect(() => {
    latest.current = listener;
    playback.invalidate();
  });
  useEffect(() => playback.onFrame((frame) => latest.current(frame)), [playback]);
}

export function usePlaying(): { playing: boolean; speed: number } {
  const { playback } = useOpenScene();
  const subscribe = useCallback((listener: () => void) => playback.onChange(listener), [playback]);
  const playing = useSyncExternalStore(subscribe, () => playback.isPlaying);
  const speed = useSyncExternalStore(subscribe, () => playback.speed);
  return { playing, speed };
}
