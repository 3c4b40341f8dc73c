import type { RowName } from '../words/rows.ts';

/** A place on the canvas, px. */
export type At = readonly [x: number, y: number];

/** A place on the sheet: time, s, and distance along the guide, px. */
export type When = readonly [time: number, distance: number];

export type CardId = 'scene' | 'guide' | 'rider' | 'heading' | 'pace';

/** What a hand does on the screen when a recipe is shown: each is a press, a drag or a key that anybody can do. */
export type Act =
  | { readonly do: 'press'; readonly name: string; readonly within?: string }
  | { readonly do: 'appears'; readonly name: string; readonly within: string }
  | { readonly do: 'vanishes'; readonly name: string; readonly within: string }
  | { readonly do: 'enter'; readonly label: string; readonly text: string }
  | { readonly do: 'enter-row'; readonly row: RowName; readonly text: string; readonly nth: number }
  | { readonly do: 'pick'; readonly row: RowName; readonly option: string; readonly nth: number }
  | { readonly do: 'choose'; readonly label: string; readonly option: string }
  | { readonly do: 'keyframe'; readonly row: RowName }
  | { readonly do: 'add'; readonly card: CardId; readonly group: string }
  | { readonly do: 'keys'; readonly keys: string }
  | { readonly do: 'canvas'; readonly way: readonly At[]; readonly twice?: boolean; readonly held?: 'Shift' | 'Alt' }
  | { readonly do: 'sheet'; readonly way: readonly When[] }
  | { readonly do: 'playhead'; readonly time: number }
  | { readonly do: 'paste'; readonly text: string }
  | { readonly do: 'drop'; readonly file: string; readonly type: string; readonly text: () => string }
  | { readonly do: 'drag-in'; readonly name: string; readonly to: At }
  | { readonly do: 'watch'; readonly seconds: number };

/** Waits for what is worked out: until something is called so, or begins so, in a region or a card. */
export const appears = (name: string, within: string): Act => ({ do: 'appears', name, within });

/** Waits until nothing is called so any more, nor begins so. */
export const vanishes = (name: string, within: string): Act => ({ do: 'vanishes', name, within });

/** Presses what is called so, a button, an option or a link; within a region, a card or a dialog of that name where others are called so too. */
export const press = (name: string, within?: string): Act => ({
  do: 'press',
  name,
  ...(within === undefined ? {} : { within }),
});

/** Enters text into the field of that name. */
export const enter = (label: string, text: string): Act => ({ do: 'enter', label, text });

/** Enters a value into a row of a card: its nth field, from 0. */
export const value = (row: RowName, text: string, nth = 0): Act => ({ do: 'enter-row', row, text, nth });

/** Takes an option of a row's nth choice. */
export const pick = (row: RowName, option: string, nth = 0): Act => ({ do: 'pick', row, option, nth });

/** Takes an option of the list of that name. */
export const choose = (label: string, option: string): Act => ({ do: 'choose', label, option });

/** Presses the key button at the end of a row. */
export const keyframe = (row: RowName): Act => ({ do: 'keyframe', row });

/** Adds a behaviour by a card's "Add…". */
export const add = (card: CardId, group: string): Act => ({ do: 'add', card, group });

/** Presses a key, such as "Enter" or "Control+d". */
export const keys = (chord: string): Act => ({ do: 'keys', keys: chord });

/** Presses a place of the canvas. */
export const click = (...at: At): Act => ({ do: 'canvas', way: [at] });

/** Presses a place of the canvas twice. */
export const doubleClick = (...at: At): Act => ({ do: 'canvas', way: [at], twice: true });

/** Presses a place of the canvas while a key is held. */
export const clickWith = (held: 'Shift' | 'Alt', ...at: At): Act => ({ do: 'canvas', way: [at], held });

/** Presses, moves through all places and lets go at the last. */
export const drag = (...way: readonly At[]): Act => ({ do: 'canvas', way });

/** The same on the sheet; a single place is pressed. */
export const onSheet = (...way: readonly When[]): Act => ({ do: 'sheet', way });

/** Brings the playhead to a time, s. */
export const goTo = (time: number): Act => ({ do: 'playhead', time });

/** Pastes text. */
export const paste = (text: string): Act => ({ do: 'paste', text });

/** Drops a file: its text, or its bytes as a data URL. */
export const drop = (file: string, type: string, text: () => string): Act => ({ do: 'drop', file, type, text });

/** Drags what is called so out of a drawer and lets go of it on the canvas. */
export const dragIn = (name: string, ...to: At): Act => ({ do: 'drag-in', name, to });

/** Plays, and looks on for some seconds. */
export const watch = (seconds = 3): Act => ({ do: 'watch', seconds });
