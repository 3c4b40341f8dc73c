import type { Motion, Poses, Scene } from '@pace-line/core';
import type { Gesture, Selection } from '../document/index.ts';
import type { LastStroke, ToolOptions } from './options.ts';
import type { Pointer } from './pointer.ts';
import type { Preview } from './preview.ts';
import type { Hint, SnapSettings } from './snap/settings.ts';

/** What a tool may ask of the Desk. It holds no document of its own. */
export interface ToolHost {
  scene: () => Scene;
  motion: () => Motion;
  /** Where riders are drawn now. */
  poses: () => Poses;
  selection: () => Selection;
  time: () => number;
  begin: (label: string) => Gesture;
  /** A gesture just to look, of which nothing is kept. */
  glance: () => Gesture;
  do: (label: string, change: (scene: Scene) => Scene, selection?: Selection) => void;
  /** What is changed in `work` is one step of undo with what the same run changed just before: a held key. */
  inRun: (key: string, work: () => void) => void;
  select: (selection: Selection) => void;
  /** Brings the playhead to a time, s, where it stands still. */
  goTo: (time: number | undefined) => void;
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
  /** Offers to put a rider on a guide that it was dropped on. */
  offerRide: (rider: string, guide: string) => void;
  options: () => ToolOptions;
  /** Keeps a stroke or a motion of the hand, so that its fit can be changed afterwards. */
  keepStroke: (made: LastStroke | null) => void;
  /** Runs the loop from a time, s, at a speed while something is acted out, until `endRun`. */
  runFrom: (time: number, speed: number) => void;
  endRun: () => void;
  /** The clock of `Pointer.time`, s, and being called again and again; gives what stops it. */
  now: () => number;
  every: (ms: number, call: () => void) => () => void;
}

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
  /** Undo while something is made that is not in the document yet: takes its last step back. True where there was one. */
  back?: () => boolean;
  /** Another tool is taken: ends what is under way and keeps what was made. A tool without it gives it up. */
  leave?: () => void;
}

/** A tool of the canvas as it is listed (canvas/index.ts): all that is said of it. Its icon and its options are a face of it (desk/canvas/faces/). */
export interface CanvasTool {
  readonly name: string;
  readonly label: string;
  /** What it is for, in one sentence, and what else people call it. */
  readonly about: string;
  readonly also: string;
  /** What a hand does with it, for the line under the canvas; absent: that depends on what is selected. */
  readonly line?: string;
  /** How it draws by keys: by presses at a cursor, or by drags from one to the next; absent: not so. */
  readonly pointed?: 'press' | 'drag';
  /** Makes it; `done` takes the first tool again. */
  readonly make: (host: ToolHost, done: () => void) => Tool;
}
