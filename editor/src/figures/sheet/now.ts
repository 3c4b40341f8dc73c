import type { Axes, Guide, Rider, Scene, Told } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import type { SheetPreview } from '../../tools/sheet/index.ts';

/** All that the sheet is drawn from in one frame: one snapshot for every painter. */
export interface SheetNow {
  /** The scene as it is shown: during a gesture ahead of what is kept. */
  readonly scene: Scene;
  /** The same with guides as they were when a hand began to bend one: the lines of other riders stand meanwhile. */
  readonly standing: Scene;
  readonly selection: Selection;
  /** The guide of the route, and its riders in their order. */
  readonly guide: Guide;
  readonly riders: readonly Rider[];
  /** The rider that is worked on. */
  readonly rider: Rider | undefined;
  readonly axes: Axes;
  /** The loop’s length, s. */
  readonly length: number;
  /** Whether the line of the heading is shown. */
  readonly showsHeading: boolean;
  /** What the hand is making. */
  readonly preview: SheetPreview | null;
  /** A place of a guide that is pointed at, px along it. */
  readonly hover: { readonly guide: string; readonly distance: number } | null;
  /** What the checks find wrong with the scene as it is kept; none while it is being changed. */
  readonly wrong: readonly Told[];
  /** Which of that is looked at. */
  readonly finding: Told | null;
  /** An earlier state of the scene, to compare with. */
  readonly ghost: Scene | null;
}
