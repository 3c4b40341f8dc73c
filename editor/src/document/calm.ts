import { createStore, type StoreApi } from 'zustand/vanilla';

/** ms. Shortest time between two pictures of a guide that is being dragged, away from the canvas. */
const CALM = 120;

/** What is asked of a state: whether what is shown differs from what is committed in its guides alone. */
interface Bending {
  readonly shown: { readonly riders: unknown };
  readonly committed: { readonly riders: unknown };
}

/**
 * The same states at a calmer pace: while a gesture changes nothing but guides, sheet and cards follow about eight times a second, which leaves the
 * frames to the canvas. What a gesture does to riders and marks, and every committed change, is passed on at once.
 */
export function calmed<S extends Bending>(store: StoreApi<S>): StoreApi<S> {
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
    const isBending = state.shown !== state.committed && state.shown.riders === state.committed.riders;
    const wait = last + CALM - performance.now();
    if (!isBending || wait <= 0) pass();
    else timer ??= setTimeout(pass, wait);
  });
  return calm;
}
