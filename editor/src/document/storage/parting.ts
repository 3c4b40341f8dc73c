import type { Scene } from '@pace-line/core';
import { bodyOf } from './body.ts';

const PREFIX = 'pace-line-journal-';

/** What a page that went could not hand to the database any more. */
export interface PartingWord {
  /** Who wrote it, and how many changes the scene had had. */
  readonly writer: string;
  readonly count: number;
  readonly body: unknown;
}

/**
 * Writes a scene to a store that is written before the page goes, unlike the browser's database. Its pixels are in the database already. False where it does
 * not fit.
 */
export function writeParting(id: string, writer: string, scene: Scene, count: number): boolean {
  try {
    localStorage.setItem(PREFIX + id, JSON.stringify({ writer, count, body: bodyOf(scene) } satisfies PartingWord));
    return true;
  } catch {
    return false;
  }
}

/** What a page that went left behind; undefined where there is nothing, or nothing that reads. */
export function readParting(id: string): PartingWord | undefined {
  try {
    const word: unknown = JSON.parse(localStorage.getItem(PREFIX + id) ?? 'null');
    if (typeof word !== 'object' || word === null || !('count' in word) || !('body' in word)) return undefined;
    const writer = 'writer' in word && typeof word.writer === 'string' ? word.writer : '';
    return typeof word.count === 'number' ? { writer, count: word.count, body: word.body } : undefined;
  } catch {
    return undefined;
  }
}

export function clearParting(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // A browser that refuses its storage has no parting words either.
  }
}

/** The parting words of all scenes. */
export function allPartings(): PartingWord[] {
  try {
    const ids = Object.keys(localStorage).filter((key) => key.startsWith(PREFIX));
    return ids.flatMap((key) => readParting(key.slice(PREFIX.length)) ?? []);
  } catch {
    return [];
  }
}
