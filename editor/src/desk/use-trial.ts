import { useEffect, useRef } from 'react';
import { SceneError, type Scene } from '@pace-line/core';
import { useDocument, type Gesture } from '../document/index.ts';

/** ms. Changes that follow each other this fast, as by held arrow keys, are one trial. */
const PAUSE = 700;

interface Trial {
  /** Shows a change, always made from the scene as it was when the trial began. */
  readonly show: (label: string, change: (scene: Scene) => Scene) => void;
  /** The hand let go: after a pause the trial is one step of undo; `then` is told. */
  readonly rest: (then?: () => void) => void;
}

/** A slider that is tried out live: everything between taking it and a pause is one step of undo. */
export function useTrial(): Trial {
  const doc = useDocument();
  const gesture = useRef<Gesture | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const finish = (): void => {
    clearTimeout(timer.current);
    gesture.current?.commit();
    gesture.current = null;
  };
  useEffect(() => finish, []);
  return {
    show: (label, change) => {
      clearTimeout(timer.current);
      if (doc.state.readOnly) return;
      gesture.current ??= doc.tryOut(label);
      gesture.current.update((base) => {
        try {
          return change(base);
        } catch (error) {
          if (error instanceof SceneError) return base;
          throw error;
        }
      });
    },
    rest: (then) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => {
        finish();
        then?.();
      }, PAUSE);
    },
  };
}
