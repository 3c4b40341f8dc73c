import type { Guide, Motion, Poses, Scene } from '@pace-line/core';
import type { Gesture, Selection } from '../document/index.ts';

/** A pointer in canvas px, with what is held and how far the view is zoomed. */
export interface Pointer {
  readonly x: number;
  readonly y: number;
  /** Screen px per canvas px: radii on the screen are divided by it. */
  readonly zoom: number;
  readonly shift: boolean;
  readonly alt: boolean;
  readonly ctrl: boolean;
  readonly kind: 'mouse' | 'pen' | 'touch';
}

/** What a tool may ask of the Desk. It holds no document of its own. */
export interface ToolHost {
  scene: () => Scene;
  motion: () => Motion;
  /** Where riders are drawn now. */
  poses: () => Poses;
  selection: () => Selection;
  time: () => number;
  begin: (label: string) => Gesture;
  do: (label: string, change: (scene: Scene) => Scene, selection?: Selection) => void;
  select: (selection: Selection) => void;
  /** Holds the authoring time still until `release`. */
  hold: () => void;
  release: () => void;
  /** Shows what is not in the document yet, or nothing. */
  preview: (preview: Preview | null) => void;
}

/** A node of a guide that is still being plotted. */
export type DraftNode = Pick<Guide['nodes'][number], 'x' | 'y' | 'in' | 'out' | 'join'>;

export type Preview =
  | {
      readonly kind: 'plot';
      readonly nodes: readonly DraftNode[];
      readonly next: readonly [number, number] | null;
      readonly closes: boolean;
    }
  | { readonly kind: 'box'; readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number };

/** A pointer interaction as a state machine. */
export interface Tool {
  down: (pointer: Pointer) => void;
  move: (pointer: Pointer) => void;
  up: (pointer: Pointer) => void;
  /** Movement with no button down; gives the cursor to show. */
  hover: (pointer: Pointer) => string;
  /** Gives up what is under way. True where there was something. */
  cancel: () => boolean;
  /** True where the key meant something to the tool. */
  key: (key: string) => boolean;
}

/** Radius of a hit area, screen px. */
export const hitRadius = (kind: Pointer['kind']): number => (kind === 'mouse' ? 7 : 12);

/** Movement, screen px, from which a press is a drag. */
export const DRAG_FROM = 3;
