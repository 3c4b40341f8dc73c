import type { Scene } from '@pace-line/core';
import { reasonOf } from '../words/reasons.ts';
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

/** What keeps an open document. */
export interface Autosave {
  /** Keeps what is not kept yet, now. */
  readonly flush: () => Promise<void>;
  /** The same, and no more after it. */
  readonly stop: () => void;
}

/**
 * Keeps the committed scene within a second of its last change; a failure (a full quota) is reported and tried again. When the page goes with something that is not
 * kept, that is written to the journal; where even that fails, leaving asks first.
 */
export function startAutosave(doc: SceneDocument, { keep, journal, report }: Keeping): Autosave {
  let kept = doc.state.committed;
  let keptAt = Date.now();
  let failed = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<void> | undefined;
  const isPending = (): boolean => doc.state.committed !== kept;
  const write = async (scene: Scene): Promise<void> => {
    try {
      await keep(scene);
      kept = scene;
      keptAt = Date.now();
      failed = false;
      report({ kind: 'kept', at: keptAt });
    } catch (error) {
      failed = true;
      report({ kind: 'failed', message: reasonOf(error) });
      timer = setTimeout(save, RETRY);
    }
    running = undefined;
    if (isPending() && timer === undefined) timer = setTimeout(save, DELAY);
  };
  /** One writing at a time: what changes meanwhile is written after it. */
  const save = (): void => {
    clearTimeout(timer);
    timer = undefined;
    if (!isPending()) report({ kind: 'kept', at: keptAt });
    else if (!doc.state.readOnly) running ??= write(doc.state.committed);
  };
  const flush = async (): Promise<void> => {
    await running;
    if (isPending()) await (running ??= write(doc.state.committed));
  };
  const stopWatching = doc.store.subscribe((state, before) => {
    if (state.committed === before.committed) return;
    if (!failed) report({ kind: 'waiting' });
    timer ??= setTimeout(save, DELAY);
  });
  const isMine = (): boolean => isPending() && !doc.state.readOnly;
  const onHide = (): void => {
    if (isMine()) journal(doc.state.committed);
    save();
  };
  const onLeave = (event: Event): void => {
    if (isMine() && failed && !journal(doc.state.committed)) event.preventDefault();
  };
  document.addEventListener('visibilitychange', onHide);
  window.addEventListener('pagehide', onHide);
  window.addEventListener('beforeunload', onLeave);
  const stop = (): void => {
    stopWatching();
    document.removeEventListener('visibilitychange', onHide);
    window.removeEventListener('pagehide', onHide);
    window.removeEventListener('beforeunload', onLeave);
    onHide();
  };
  return { flush, stop };
}
