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

/** ms. A reader follows no more than ten figures a second; each costs a layout. */
const FIGURES_EVERY = 100;

/** Playbacks whose last figures are still to be said. */
const waiting = new WeakSet<Playback>();

/**
 * Lets a figure of the frames be said ten times a second, all figures of the page in the same frames, and always the last one: with every move of a hand the
 * page would be laid out for what nobody can read.
 */
export function sayingFigures(playback: Playback, say: FrameListener): FrameListener {
  let said = -1;
  return (frame) => {
    const now = performance.now();
    const turn = Math.floor(now / FIGURES_EVERY);
    if (turn !== said) {
      said = turn;
      return say(frame);
    }
    if (waiting.has(playback)) return;
    waiting.add(playback);
    setTimeout(
      () => {
        waiting.delete(playback);
        playback.invalidate();
      },
      (turn + 1) * FIGURES_EVERY - now + 1,
    );
  };
}

/** Says a figure of the frames: ten times a second at most. */
export function useFigure(say: FrameListener): void {
  const { playback } = useOpenScene();
  const latest = useRef(say);
  useEffect(() => {
    latest.current = say;
    playback.invalidate();
  });
  useEffect(() => playback.onFrame(sayingFigures(playback, (frame) => latest.current(frame))), [playback]);
}

export function usePlaying(): { playing: boolean; speed: number } {
  const { playback } = useOpenScene();
  const subscribe = useCallback((listener: () => void) => playback.onChange(listener), [playback]);
  const playing = useSyncExternalStore(subscribe, () => playback.isPlaying);
  const speed = useSyncExternalStore(subscribe, () => playback.speed);
  return { playing, speed };
}
