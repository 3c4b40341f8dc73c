import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Recipe } from '../recipes/recipe.ts';

/** How far a recipe was shown. */
export type ShowState =
  | { readonly kind: 'acts' }
  /** Stands before its next step until it is asked to go on. */
  | { readonly kind: 'waits' }
  | { readonly kind: 'done' }
  /** A step could not be done: what was missing. */
  | { readonly kind: 'failed'; readonly why: string };

export interface Show {
  readonly recipe: Recipe;
  /** The scene in which it is shown. */
  readonly scene: string;
  /** The step that is shown, or is next, from 0. */
  readonly step: number;
  readonly state: ShowState;
  /** It stops before each step. */
  readonly isStepwise: boolean;
}

interface Shows {
  readonly show: Show | null;
  /** Counts what was begun and given up: a hand that is of an earlier one stops. */
  readonly run: number;
  /** How fast the hand works, beside an unhurried one. */
  readonly speed: number;
  readonly setSpeed: (speed: number) => void;
}

/** What is being shown; the speed is remembered. */
export const useShow = create<Shows>()(
  persist((set): Shows => ({ show: null, run: 0, speed: 1, setSpeed: (speed) => set({ speed }) }), {
    name: 'pace-line-shows',
    partialize: ({ speed }) => ({ speed }),
  }),
);

export function setShow(change: Partial<Show>): void {
  useShow.setState(({ show }) => ({ show: show && { ...show, ...change } }));
}

/** Stops what is being shown where it is; it can go on. */
export function pauseShow(): void {
  useShow.setState(({ run }) => ({ run: run + 1 }));
  if (useShow.getState().show?.state.kind === 'acts') setShow({ state: { kind: 'waits' } });
}

export function endShow(): void {
  if (useShow.getState().show) useShow.setState(({ run }) => ({ run: run + 1, show: null }));
}
