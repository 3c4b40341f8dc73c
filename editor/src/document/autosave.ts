import type { Scene } from '@pace-line/core';
import type { SceneDocument } from './store.ts';

export type SaveState =
  | { readonly kind: 'kept'; readonly at: number }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'failed'; readonly message: string };

/** Longest time, ms, between a change and its being kept. */
const DELAY = 600;
const RETRY = 5000;

/**
 * Keeps the committed scene within a second of its last change and when the page is hidden; a failure (a full quota) is reported and tried again.
 * Gives back a function that keeps what is left and stops.
 */
export function startAutosave(
  doc: SceneDocument,
  keep: (scene: Scene) => Promise<void>,
  report: (state: SaveState) => void,
): () => void {
  let kept = doc.state.committed;
  let keptAt = Date.now();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running = false;
  const save = async (): Promise<void> => {
    clearTimeout(timer);
    timer = undefined;
    const scene = doc.state.committed;
    if (scene === kept) report({ kind: 'kept', at: keptAt });
    if (scene === kept || running || doc.state.readOnly) return;
    running = true;
    try {
      await keep(scene);
      kept = scene;
      keptAt = Date.now();
      report({ kind: 'kept', at: keptAt });
    } catch (error) {
      report({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
      timer = setTimeout(() => void save(), RETRY);
    }
    running = false;
    if (doc.state.committed !== kept && timer === undefined) timer = setTimeout(() => void save(), DELAY);
  };
  const stopWatching = doc.store.subscribe((state, before) => {
    if (state.committed === before.committed) return;
    report({ kind: 'waiting' });
    timer ??= setTimeout(() => void save(), DELAY);
  });
  const onHide = (): void => void save();
  document.addEventListener('visibilitychange', onHide);
  window.addEventListener('pagehide', onHide);
  return () => {
    stopWatching();
    document.removeEventListener('visibilitychange', onHide);
    window.removeEventListener('pagehide', onHide);
    void save();
  };
}
