import { CANVAS_TOOLS } from '../tools/index.ts';

/** A shortcut as the help shows it. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
}

/** Every shortcut of the Desk, for those who look them up. */
export const SHORTCUTS: readonly { readonly group: string; readonly list: readonly Shortcut[] }[] = [
  {
    group: 'Watching',
    list: [
      { keys: 'Space', does: 'play or pause; held, drag pans the canvas' },
      { keys: 'Shift Space', does: 'play the lead-in, and the loop after it' },
      { keys: ', and .', does: 'one frame back, one frame on' },
      { keys: 'Home and End', does: 'to the loop’s start, to its end' },
      { keys: 'left and right after scrubbing', does: 'one frame back, one frame on; with Shift ten' },
      { keys: 'Ctrl while scrubbing', does: 'between frames' },
      { keys: 'hold X', does: 'the canvas as it will be sent' },
    ],
  },
  {
    group: 'Drawing',
    list: [
      ...CANVAS_TOOLS.map(({ label }, i) => ({ keys: String(i + 1), does: label })),
      { keys: 'arrows in Plot and Shape', does: 'move the cursor a px; with Shift ten, with Ctrl a hundred' },
      { keys: 'Enter in Plot and Shape', does: 'press there; once more ends the guide' },
      { keys: 'arrows in Set down', does: 'set the selected rider down a px further at the playhead; with Shift ten' },
      { keys: 'Alt while bending', does: 'a straight span becomes an arc' },
      { keys: 'Shift while dragging', does: 'multiples of 15°; scaling keeps proportions' },
      { keys: 'Ctrl while dragging', does: 'switches snapping off' },
      { keys: 'Ctrl while dragging a rider along its guide', does: 'only looks: let go, it is back' },
      { keys: 'R', does: 'reverse the selected guide; its riders keep their place' },
      { keys: 'F, Shift F', does: 'flip what is selected left to right, upside down' },
      { keys: 'J', does: 'join two open guides at their nearest ends' },
      { keys: 'Enter', does: 'end the guide that is being plotted' },
      { keys: 'Backspace', does: 'take the last plotted node back' },
      { keys: 'Escape', does: 'cancel what is under way' },
      { keys: 'Page down, Page up', does: 'to the next node or mark, to the one before' },
      { keys: 'arrows', does: 'nudge what is selected; with Shift ten times as far' },
      { keys: 'Delete', does: 'delete what is selected' },
    ],
  },
  {
    group: 'Timing',
    list: [
      { keys: 'M', does: 'set a mark at the playhead' },
      { keys: 'Alt while dragging a spacing tick', does: 'brings the rider there at that frame; the leg bends' },
      { keys: 'G, Shift G', does: 'hold the scene as a ghost or let it go, swap with it' },
      { keys: 'Shift on a shaping point', does: 'takes it away; pressed without, it is sharp or smooth again' },
      { keys: 'Shift while dragging a mark', does: 'keep to one direction' },
      { keys: 'Ctrl while dragging a mark', does: 'off frames and nodes' },
    ],
  },
  {
    group: 'The Desk',
    list: [
      { keys: 'Ctrl K', does: 'find anything by its name' },
      { keys: 'C and S', does: 'keyboard to the canvas, to the sheet' },
      { keys: 'Shift 1 to 5, Shift 0', does: 'keyboard to a card by its number, to the Scene card' },
      { keys: 'Ctrl Z, Ctrl Shift Z', does: 'undo, redo' },
      { keys: 'Ctrl C, X, V, D', does: 'copy, cut, paste, duplicate' },
      { keys: 'Ctrl A', does: 'select all' },
      { keys: '[ and ]', does: 'lean toward the canvas, toward the sheet' },
      { keys: '\\', does: 'fold the cards' },
      { keys: '0, + and −', does: 'fit the canvas (again: everything), zoom in, zoom out' },
      { keys: 'K, L and ;', does: 'Contents, Art, Collection' },
      { keys: '?', does: 'this list' },
    ],
  },
];
