import type { Scene } from '@pace-line/core';
import type { SceneDocument, Selection } from '../document/index.ts';
import type { Playback } from '../frame/playback.ts';

/** What the Desk's actions work on. */
export interface Desk {
  /** The scene's id in this browser. */
  readonly id: string;
  readonly doc: SceneDocument;
  readonly playback: Playback;
}

export const sceneOf = (desk: Desk): Scene => desk.doc.state.committed;
export const selectionOf = (desk: Desk): Selection => desk.doc.state.selection;
