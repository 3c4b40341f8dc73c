import type { Scene } from '@pace-line/core';
import type { SceneDocument } from './store.ts';

export type SaveState =
  | { readonly kind: 'kept'; readonly at: number }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'failed'; readonly message: string };

/** Longest time, ms, between a change and its being kept. */
const DELAY = 600;
const RETRY = 5000;

export interface Keeping {
  readonly keep: (scene: Scene) => Promise<void>;
  /** Writes a scene before the page goes; false where that cannot be. */
  readonly journal: (scene: Scene) => boolean;
  readonly report: (state: SaveState) => void;
}

/**
 * Keeps the committed scene within a second of its last change; a failure (a full quota) is reported and tried again. When the page goes with something that is not
 * kept, that is written to the journal; where even that fails, leaving asks first. Gives back a function that keeps what is left and stops.
 */
export function startAutosave(doc: SceneDocument, { keep, journal, report }: Keeping): () => void {
  let kept = doc.state.committed;
  let keptAt = Date.now();
  let failed = false;
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
      failed = false;
      report({ kind: 'kept', at: keptAt });
    } catch (error) {
      failed = true;
      report({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
      timer = setTimeout(() => void save(), RETRY);
    }
    running = false;
    if (doc.state.committed !== kept && timer === undefined) timer = setTimeout(() => void save(), DELAY);
  };
  const stopWatching = doc.store.subscribe((state, before) => {
    if (state.committed === before.committed) return;
    if (!failed) report({ kind: 'waiting' });
    timer ??= setTimeout(() => void save(), DELAY);
  });
  const isPending = (): boolean => doc.state.committed !== kept && !doc.state.readOnly;
  const onHide = (): void => {
    if (isPending()) journal(doc.state.committed);
    void save();
  };
  const onLeave = (event: Event): void => {
    if (isPending() && failed && !journal(doc.state.committed)) event.preventDefault();
  };
  document.addEventListener('visibilitychange', onHide);
  window.addEventListener('pagehide', onHide);
  window.addEventListener('beforeunload', onLeave);
  return () => {
    stopWatching();
    document.removeEventListener('visibilitychange', onHide);
    window.removeEventListener('pagehide', onHide);
    window.removeEventListener('beforeunload', onLeave);
    onHide();
  };
}
