import { useEffect } from 'react';
import { useOpenScene } from '../scene/context.ts';
import { hand } from './canvas/hand.ts';
import { useDeskView, usePreferences } from './view.ts';

/** What is painted is painted again when what is seen of the scene is another: how it is looked at, or what a hand is about. */
export function useRepaint(): void {
  const { playback } = useOpenScene();
  useEffect(() => {
    const stops = [useDeskView, usePreferences, hand].map((store) => store.subscribe(() => playback.invalidate()));
    return () => stops.forEach((stop) => stop());
  }, [playback]);
}
