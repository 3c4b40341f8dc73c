import type { Scene } from '@pace-line/core';

/** A scene as it is stored: its assets by name only. */
export const bodyOf = (scene: Scene): object => ({
  ...scene,
  assets: Object.fromEntries(Object.keys(scene.assets).map((hash) => [hash, ''])),
});

const PREFIX = 'pace-line-journal-';

/** A scene that was not kept yet when its page went. */
export interface JournalEntry {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly body: unknown;
}

/**
 * Writes a scene to a store that is written before the page goes, unlike the browser's database. Its pixels are in the database already. False where it does
 * not fit.
 */
export function writeJournal(id: string, scene: Scene): boolean {
  try {
    localStorage.setItem(PREFIX + id, JSON.stringify({ at: Date.now(), body: bodyOf(scene) } satisfies JournalEntry));
    return true;
  } catch {
    return false;
  }
}

/** What a page that went left behind; undefined where there is nothing, or nothing that reads. */
export function readJournal(id: string): JournalEntry | undefined {
  try {
    const entry: unknown = JSON.parse(localStorage.getItem(PREFIX + id) ?? 'null');
    if (typeof entry !== 'object' || entry === null || !('at' in entry) || !('body' in entry)) return undefined;
    return typeof entry.at === 'number' ? { at: entry.at, body: entry.body } : undefined;
  } catch {
    return undefined;
  }
}

export function clearJournal(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // A browser that refuses its storage has no journal either.
  }
}
