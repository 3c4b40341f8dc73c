import { createStore, type StoreApi } from 'zustand/vanilla';

/** ms. Shortest time between two pictures of what a hand is moving, away from the canvas; and where frames come late. */
export const CALM = 120;
export const LATE_CARDS = 250;

/** ms. The same for what is drawn on the canvas beside it. */
export const HALF_CALM = 50;

/** ms. The same for the sheet where frames come late: half of them are left to the riders, and a mark still follows the hand. */
export const LATE_CALM = 40;

/** What is asked of a state. */
interface Settling {
  readonly shown: { readonly riders: unknown; readonly guides: unknown };
  readonly committed: { readonly riders: unknown; readonly guides: unknown };
  readonly selection: unknown;
}

/** Whether a gesture is under way. */
export const isMoving = ({ shown, committed }: Settling): boolean => shown !== committed;

/** Whether a gesture is under way that changes nothing of the riders, but guides. */
export const isBending = (state: Settling): boolean => isMoving(state) && state.shown.riders === state.committed.riders;

/** Whether a gesture is under way that changes nothing of the guides: times and places of riders alone. */
export const isTiming = (state: Settling): boolean => isMoving(state) && state.shown.guides === state.committed.guides;

/**
 * The same states at a calmer pace: as long as `waits` says so they follow every `pause` ms, which leaves the frames to what
 * the hand moves. What is chosen, and every committed change, is passed on at once.
 */
export function calmed<S extends Settling>(
  store: StoreApi<S>,
  waits: (state: S) => boolean,
  pause: number | (() => number),
): StoreApi<S> {
  const calm = createStore<S>(() => store.getState());
  let timer: ReturnType<typeof setTimeout> | undefined;
  let last = -Infinity;
  const pass = (): void => {
    clearTimeout(timer);
    timer = undefined;
    last = performance.now();
    calm.setState(store.getState(), true);
  };
  store.subscribe((state) => {
    const isCalm = waits(state) && state.selection === calm.getState().selection;
    const wait = last + (typeof pause === 'number' ? pause : pause()) - performance.now();
    if (!isCalm || wait <= 0) pass();
    else timer ??= setTimeout(pass, wait);
  });
  return calm;
}
