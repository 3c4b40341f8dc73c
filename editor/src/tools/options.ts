import type { ShapeKind } from '@pace-line/core';

/** How the drawing tools are set. */
export interface ToolOptions {
  /** px. Largest distance of a sketched guide from its stroke. */
  readonly sketchTolerance: number;
  /** Beats to wait before a motion is taken; 0 begins at once. */
  readonly countIn: number;
  /** Speed of the scene while the hand acts: 1, ½ or ¼. */
  readonly actSpeed: number;
  /** s. Width of the bell that evens out the hand. */
  readonly actSmoothing: number;
  readonly shape: ShapeKind;
  /** Frames to each side that a spacing tick takes along when it is drawn; 0: its whole leg. */
  readonly tickReach: number;
}

/** The last stroke or motion of the hand, as it was, and what was made of it. */
export type LastStroke =
  | {
      readonly kind: 'sketch';
      readonly guide: string;
      readonly stroke: readonly (readonly [number, number])[];
      readonly closed: boolean;
    }
  | {
      readonly kind: 'points';
      readonly guide: string;
      readonly points: readonly (readonly [number, number])[];
      readonly closed: boolean;
    }
  | {
      readonly kind: 'acted';
      readonly guide: string;
      readonly rider: string;
      readonly hand: readonly { readonly x: number; readonly y: number; readonly time: number }[];
    };
