import type { Scene, Told } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import type { Frame } from '../../frame/playback.ts';
import type { Hint, Preview } from '../../tools/index.ts';
import type { ViewTransform } from '../view-transform.ts';

/** All that the canvas is drawn from in one frame: one snapshot for every painter. */
export interface CanvasNow {
  readonly frame: Frame;
  /** The scene as it is shown: during a gesture ahead of what is kept. */
  readonly scene: Scene;
  readonly committed: Scene;
  readonly selection: Selection;
  readonly view: ViewTransform;
  /** px of the pane. */
  readonly pane: { readonly width: number; readonly height: number };
  readonly isAdjusting: boolean;
  /** A place of a guide that is pointed at, px along it. */
  readonly hover: { readonly guide: string; readonly distance: number } | null;
  readonly seeing: {
    readonly arrows: boolean;
    readonly nodeNames: boolean;
    readonly landmarks: boolean;
    readonly speeds: boolean;
  };
  /** Where arrows have brought the cursor of a drawing tool, canvas px. */
  readonly cursor: readonly [number, number] | null;
  /** What a tool is making and is not in the scene yet. */
  readonly preview: Preview | null;
  /** What a check found in a scene, and is looked at. */
  readonly finding: { readonly scene: Scene; readonly finding: Told } | null;
  /** What its check says of the scene that a hand is making; `found` is null where it holds. */
  readonly followed: { readonly finding: Told; readonly found: Told | null } | null;
  /** What a point was drawn to. */
  readonly hints: readonly Hint[];
}
