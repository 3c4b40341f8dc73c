import localforage from 'localforage';

const store = (name: string): LocalForage => localforage.createInstance({ name: 'pace-line', storeName: name });

/** Scenes by id: their bodies, without pixels. */
export const scenes = store('scenes');
export const cards = store('cards');
/** Pixels by SHA-256: written once, however many scenes show them; collected when none does. */
export const assets = store('assets');
/** Earlier states of scenes, and what is told of each without reading it, by the same keys. */
export const versions = store('versions');
export const versionCards = store('version-cards');

const shelf = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('pace-line-shelf');
const listeners = new Set<() => void>();

/** Tells this and other tabs that the Shelf has changed. */
export function announceShelf(): void {
  shelf?.postMessage('changed');
  for (const listener of listeners) listener();
}

export function onShelfChange(listener: () => void): () => void {
  listeners.add(listener);
  shelf?.addEventListener('message', listener);
  return () => {
    listeners.delete(listener);
    shelf?.removeEventListener('message', listener);
  };
}

type Mode = 'shared' | 'exclusive';

/** Does work while no other tab does what excludes it; at once where the browser knows no locks. */
export function alone<R>(name: string, mode: Mode, work: () => Promise<R>): Promise<R> {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return work();
  return navigator.locks.request(`pace-line-${name}`, { mode }, work);
}
