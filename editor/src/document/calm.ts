import { createStore, type StoreApi } from 'zustand/vanilla';

/** ms. Shortest time between two pictures of what a hand is moving, away from the canvas. */
const CALM = 120;

/** What is asked of a state. */
interface Settling {
  readonly shown: { readonly riders: unknown };
  readonly committed: { readonly riders: unknown };
  readonly selection: unknown;
}

/** Whether a gesture is under way. */
export const isMoving = ({ shown, committed }: Settling): boolean => shown !== committed;

/** Whether a gesture is under way that changes nothing of the riders, but guides. */
export const isBending = (state: Settling): boolean => isMoving(state) && state.shown.riders === state.committed.riders;

/**
 * The same states at a calmer pace: as long as `waits` says so they follow about eight times a second, which leaves the frames to the canvas. What is
 * chosen, and every committed change, is passed on at once.
 */
export function calmed<S extends Settling>(store: StoreApi<S>, waits: (state: S) => boolean): StoreApi<S> {
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
    const wait = last + CALM - performance.now();
    if (!isCalm || wait <= 0) pass();
    else timer ??= setTimeout(pass, wait);
  });
  return calm;
}
