import type { Guide, Motion, Poses, Scene, ShapeKind } from '@pace-line/core';
import type { Gesture, Selection } from '../document/index.ts';
import type { Hint, SnapSettings } from './snap.ts';

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
  /** When it was there, s, on a clock that only runs forward. */
  readonly time: number;
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
  /** What points are drawn to, and showing what one was drawn to. */
  snapping: () => SnapSettings;
  hint: (hints: readonly Hint[]) => void;
  /** Says something to the person. */
  tell: (message: string) => void;
  options: () => ToolOptions;
  /** Remembers a stroke or a motion of the hand, so that its fit can be changed afterwards. */
  remember: (made: Remembered | null) => void;
  /** Runs the loop from a time, s, at a speed while something is acted out, until `endRun`. */
  runFrom: (time: number, speed: number) => void;
  endRun: () => void;
  /** The clock of `Pointer.time`, s, and being called again and again; gives what stops it. */
  now: () => number;
  every: (ms: number, call: () => void) => () => void;
}

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
}

/** The last stroke or motion of the hand, as it was, and what was made of it. */
export type Remembered =
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

/** A node of a guide that is still being plotted. */
export type DraftNode = Pick<Guide['nodes'][number], 'x' | 'y' | 'in' | 'out' | 'join'>;

export type Preview =
  | {
      readonly kind: 'plot';
      readonly nodes: readonly DraftNode[];
      readonly next: readonly [number, number] | null;
      readonly closes: boolean;
    }
  | { readonly kind: 'box'; readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number }
  | {
      readonly kind: 'stroke';
      readonly points: readonly (readonly [number, number])[];
      readonly note?: string | undefined;
    }
  | { readonly kind: 'outline'; readonly nodes: readonly DraftNode[]; readonly closed: boolean }
  | {
      readonly kind: 'measure';
      readonly from: readonly [number, number];
      readonly to: readonly [number, number];
      /** Words beside the pointer, a line each. */
      readonly lines: readonly string[];
      /** A piece of a guide that was measured along. */
      readonly along: readonly (readonly [number, number])[];
    };

/** A pointer interaction as a state machine. */
export interface Tool {
  down: (pointer: Pointer) => void;
  /** `passed`: every place since the last event, the pointer last; absent: the pointer alone. */
  move: (pointer: Pointer, passed?: readonly Pointer[]) => void;
  up: (pointer: Pointer) => void;
  /** Movement with no button down; gives the cursor to show. */
  hover: (pointer: Pointer) => string;
  /** Gives up what is under way. True where there was something. */
  cancel: () => boolean;
  /** True where the key meant something to the tool. */
  key: (key: string, shift?: boolean) => boolean;
}

/** Radius of a hit area, screen px. */
export const hitRadius = (kind: Pointer['kind']): number => (kind === 'mouse' ? 7 : 12);

/** Movement, screen px, from which a press is a drag. */
export const DRAG_FROM = 3;

/** The way from one pointer to another; with Shift held to multiples of 15°. */
export function wayOf(from: Pick<Pointer, 'x' | 'y'>, to: Pointer): [number, number] {
  return to.shift ? heldToAngles([to.x - from.x, to.y - from.y]) : [to.x - from.x, to.y - from.y];
}

/** A vector turned to the nearest multiple of 15°, as long as its shadow there. */
export function heldToAngles([x, y]: readonly [number, number]): [number, number] {
  const step = Math.PI / 12;
  const angle = Math.round(Math.atan2(y, x) / step) * step;
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  const size = x * ux + y * uy;
  const round = (value: number): number => Math.round(value * 1e9) / 1e9 + 0;
  return [round(size * ux), round(size * uy)];
}
