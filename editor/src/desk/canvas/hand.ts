import { createStore } from 'zustand/vanilla';
import type { Told } from '@pace-line/core';
import type { Hint, Preview } from '../../tools/index.ts';

interface Hand {
  /** What a tool is making and is not in the scene yet. */
  readonly preview: Preview | null;
  /** What a point was drawn to. */
  readonly hints: readonly Hint[];
  /** Where the pointer is, canvas px. */
  readonly at: readonly [x: number, y: number] | null;
  /** Where arrows have brought the cursor of a drawing tool; null while a pointer is used. */
  readonly cursor: readonly [x: number, y: number] | null;
  /** What the check that is looked at says of what the hand makes; `found` is null where it holds. */
  readonly followed: { readonly finding: Told; readonly found: Told | null } | null;
}

/** What a hand is about on the canvas beside the scene: painted, not rendered. */
export const hand = createStore<Hand>()(() => ({ preview: null, hints: [], at: null, cursor: null, followed: null }));

export function showHints(hints: readonly Hint[]): void {
  if (hints.length > 0 || hand.getState().hints.length > 0) hand.setState({ hints });
}

export const showPreview = (preview: Preview | null): void => hand.setState({ preview });
