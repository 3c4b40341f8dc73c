import type { Axes, Guide, Rider, Scene } from '@pace-line/core';
import type { Gesture, Selection } from '../../document/index.ts';

/** A pointer on the sheet, px within it, with what is held. */
export interface SheetPointer {
  readonly x: number;
  readonly y: number;
  readonly shift: boolean;
  readonly ctrl: boolean;
  readonly kind: 'mouse' | 'pen' | 'touch';
}

/** What is shown on the sheet that is not in the document. */
export type SheetPreview =
  | { readonly kind: 'dot'; readonly x: number; readonly y: number }
  | { readonly kind: 'box'; readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number };

/** What the sheet's tool may ask. It holds no document of its own. */
export interface SheetHost {
  readonly scene: () => Scene;
  /** The guide whose riders are shown, and these, the selected one among them. */
  readonly guide: () => Guide;
  readonly riders: () => readonly Rider[];
  readonly selected: () => Rider | undefined;
  readonly axes: () => Axes;
  readonly selection: () => Selection;
  readonly begin: (label: string) => Gesture;
  readonly select: (selection: Selection) => void;
  /** Goes to a time of the loop, s; it stands still from `hold` to `release`. */
  readonly seek: (time: number) => void;
  /** Brings the playhead to a time, s, where it stands still. */
  readonly goTo: (time: number | undefined) => void;
  readonly hold: () => void;
  readonly release: () => void;
  readonly snapsToLandmarks: () => boolean;
  /** Whether a leg whose speed is drawn up or down keeps its duration. */
  readonly keepsDuration: () => boolean;
  readonly preview: (preview: SheetPreview | null) => void;
  /** A height of the sheet as a place on the canvas, px along the guide. */
  readonly hover: (distance: number | null) => void;
  readonly tell: (message: string) => void;
}

/** Height of the strip at the top in which time is scrubbed, px. */
export const STRIP_HEIGHT = 26;
