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
