import type { Poses, Scene } from '@pace-line/core';
import type { Gesture, Selection } from '../../../document/index.ts';
import type { Pointer } from '../../pointer.ts';
import type { ToolHost } from '../../tool.ts';
import type { BoxHandle } from '../selection-box.ts';

/** What lies under a pointer on the canvas. */
export type Hit =
  | { readonly kind: 'grip'; readonly guide: string }
  | { readonly kind: 'box'; readonly handle: BoxHandle; readonly carrier: string | null }
  | { readonly kind: 'rider-box'; readonly rider: string; readonly handle: BoxHandle }
  | { readonly kind: 'handle'; readonly guide: string; readonly node: string; readonly side: 'in' | 'out' }
  | { readonly kind: 'node'; readonly guide: string; readonly node: string }
  | { readonly kind: 'mark'; readonly rider: string; readonly mark: string }
  /** A place of the selected rider's guide, and the frame at which it is there, s of the loop; null: at none. */
  | {
      readonly kind: 'tick';
      readonly rider: string;
      readonly time: number | null;
      readonly at: readonly [number, number];
    }
  | { readonly kind: 'rider'; readonly rider: string }
  | { readonly kind: 'picture'; readonly picture: string }
  | {
      readonly kind: 'guide';
      readonly guide: string;
      readonly span: number;
      readonly t: number;
      readonly distance: number;
    };

/** Looking for what lies under the pointer. */
export interface Finding {
  readonly scene: Scene;
  readonly selection: Selection;
  readonly poses: Poses;
  readonly pointer: Pointer;
  /** Radius of a hit, canvas px. */
  readonly reach: number;
  /** Something that is under the pointer; of one rank the least gap wins. */
  readonly take: (hit: Hit, rank: number, gap: number) => void;
  /** Something at a point: taken where the pointer is near enough. */
  readonly near: (hit: Hit, rank: number, x: number, y: number) => void;
}

/** In what order things are taken: the lower first. */
export const RANKS = {
  grip: 0,
  handle: 1,
  node: 2,
  mark: 3,
  tick: 4,
  rider: 5,
  otherNode: 6,
  guide: 7,
  picture: 8,
} as const;

/** A drag that has begun: how the scene at its start follows the pointer. */
export interface CanvasDrag {
  readonly gesture: Gesture;
  readonly follow: (scene: Scene, from: Pointer, to: Pointer) => Scene;
  /** After it was let go and kept. */
  readonly done?: (to: Pointer) => void;
}

/** One kind of thing that can be grabbed. To add one: a kind of hit, a file, a line in index.ts. */
export interface Grab<H extends Hit = Hit> {
  readonly kind: H['kind'];
  find(finding: Finding): void;
  /** Tells one thing from another, wherever on it the pointer is. */
  key(hit: H): string;
  cursor(hit: H): string;
  /** Whether it moves as time does: then the authoring time stands still while it is held. */
  holdsTime(hit: H, scene: Scene): boolean;
  isSelected(selection: Selection, hit: H): boolean;
  /** The selection after pressing it; with Shift it is added or taken out. `kept`: what was selected before, for what changes no selection. */
  select(before: Selection, hit: H, shift: boolean, kept: Selection): Selection;
  /** After a press that was no drag. */
  clicked?(host: ToolHost, hit: H): void;
  /** Undefined where it cannot be dragged; the reason is told. */
  begin(host: ToolHost, hit: H, pressed: Pointer): CanvasDrag | undefined;
}
