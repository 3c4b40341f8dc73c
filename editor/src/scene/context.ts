import { createContext, use, useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import type { SaveState } from '../document/index.ts';
import type { FrameListener, Playback } from '../frame/playback.ts';

/** The open scene beside its document: what Desk and Send share. */
export interface OpenScene {
  readonly id: string;
  readonly playback: Playback;
}

export const OpenSceneContext = createContext<OpenScene | null>(null);

export function useOpenScene(): OpenScene {
  const open = use(OpenSceneContext);
  if (!open) throw new Error('useOpenScene: no scene is open here');
  return open;
}

/** How far the open scene is kept: apart from the rest, as it changes after each edit. */
export const SaveStateContext = createContext<SaveState>({ kind: 'kept', at: 0 });

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

/** The same for what stands beside the canvas: while frames come late, on every second of them, as each place of the window that changes makes all of it slower. */
export function useSpareFrame(listener: FrameListener): void {
  const { playback } = useOpenScene();
  useFrame((frame) => {
    if (!playback.isSpare) listener(frame);
  });
}

/** ms. While it plays a reader follows no more than ten figures a second; each costs a layout. */
const FIGURES_EVERY = 100;

/** Says a figure of the frames: of each while it stands, and of ten a second while it plays, all figures of the page in the same ones. */
export function useFigure(say: FrameListener): void {
  const { playback } = useOpenScene();
  const said = useRef(-1);
  useFrame((frame) => {
    const now = Math.floor(performance.now() / FIGURES_EVERY);
    if (playback.isPlaying && (now === said.current || playback.isSpare)) return;
    said.current = now;
    say(frame);
  });
}

export function usePlaying(): { playing: boolean; speed: number } {
  const { playback } = useOpenScene();
  const subscribe = useCallback((listener: () => void) => playback.onChange(listener), [playback]);
  const playing = useSyncExternalStore(subscribe, () => playback.isPlaying);
  const speed = useSyncExternalStore(subscribe, () => playback.speed);
  return { playing, speed };
}
