import { selectionOf, sceneOf, type Desk } from '../desk.ts';
import { tell } from '../../look/notices.tsx';
import { cutSelected, duplicateSelected, copySelected, pasteHeld } from '../actions/clipboard.ts';
import { holdGhost, swapGhost } from '../actions/ghost.ts';
import { joinToNearest, reverseDirection } from '../actions/guides.ts';
import { addMark } from '../actions/marks.ts';
import { saveScene } from '../actions/saving.ts';
import { deleteSelected, selectAll } from '../actions/selecting.ts';
import { flipSelection } from '../actions/transforming.ts';
import { bringInGuides } from '../intake/guides.ts';
import { foldCards, useDeskView, usePreferences, type Drawer, type Seeing } from '../view.ts';

/** A command that is asked for by name. */
export interface FoundCommand {
  readonly title: string;
  readonly about: string;
  readonly where: string;
  readonly also: string;
  readonly keys?: string;
  readonly run: (desk: Desk) => void;
}

const open = (drawer: Drawer) => (): void => useDeskView.getState().set({ drawer, page: 'canvas' });

const show = (what: keyof Seeing) => (): void => {
  const { seeing, setSeeing } = usePreferences.getState();
  setSeeing({ [what]: !seeing[what] });
};

const drawer = (
  which: NonNullable<Drawer>,
  title: string,
  about: string,
  also: string,
  keys?: string,
): FoundCommand => ({
  ...{ title, about, also, where: 'Drawer' },
  ...(keys === undefined ? {} : { keys }),
  run: open(which),
});

/** What can be shown on the canvas, or not. */
const seen = (what: keyof Seeing, title: string, also: string): FoundCommand => ({
  ...{ title, also, where: 'Canvas, Snapping and display' },
  about: 'Shows it on the canvas, or hides it again',
  run: show(what),
});

/** All commands that are found by name; what they are about is said here, what they do by the Desk's own actions. */
export const COMMANDS: readonly FoundCommand[] = [
  {
    title: 'Play or pause',
    about: 'Runs the loop, or stops it',
    where: 'Sheet, transport',
    also: 'start stop run preview',
    keys: 'Space',
    run: ({ playback }) => playback.toggle(),
  },
  {
    title: 'Undo',
    about: 'Takes the last change back',
    where: 'Top bar',
    also: 'revert back mistake',
    keys: 'Ctrl Z',
    run: ({ doc }) => doc.undo(),
  },
  {
    title: 'Redo',
    about: 'Makes the change again that was taken back',
    where: 'Top bar',
    also: 'again',
    keys: 'Ctrl Shift Z',
    run: ({ doc }) => doc.redo(),
  },
  {
    title: 'Reverse the guide',
    about: 'It runs the other way; its riders keep their place and turn round',
    where: 'Guide card, Direction',
    also: 'direction backwards other way clockwise counterclockwise',
    keys: 'R',
    run: (desk) => {
      const [id] = selectionOf(desk).guides;
      if (id === undefined) tell('Select a guide to reverse it.');
      else reverseDirection(desk, id, 'place');
    },
  },
  {
    title: 'Join two guides',
    about: 'Joins two open guides at their nearest ends',
    where: 'Guide card, More',
    also: 'connect merge weld combine paths',
    keys: 'J',
    run: joinToNearest,
  },
  {
    title: 'Flip left and right',
    about: 'Mirrors what is selected',
    where: 'Rider card',
    also: 'mirror horizontal reflect',
    keys: 'F',
    run: (desk) => flipSelection(desk, 'across'),
  },
  {
    title: 'Flip up and down',
    about: 'Turns what is selected upside down',
    where: 'Rider card',
    also: 'mirror vertical upside down reflect',
    keys: 'Shift F',
    run: (desk) => flipSelection(desk, 'over'),
  },
  {
    title: 'Add a mark at the playhead',
    about: 'The selected rider is where it is now, at this time',
    where: 'Pace card',
    also: 'keyframe new mark time insert',
    keys: 'M',
    run: (desk) => addMark(desk),
  },
  {
    title: 'Delete',
    about: 'Deletes what is selected',
    where: 'Anywhere',
    also: 'remove erase clear',
    keys: 'Delete',
    run: deleteSelected,
  },
  {
    title: 'Duplicate',
    about: 'Another one of what is selected',
    where: 'Anywhere',
    also: 'copy clone double',
    keys: 'Ctrl D',
    run: duplicateSelected,
  },
  {
    title: 'Copy',
    about: 'Copies what is selected, to paste it here or in another scene',
    where: 'Anywhere',
    also: 'clipboard',
    keys: 'Ctrl C',
    run: (desk) => {
      if (!copySelected(desk)) tell('Select something to copy it.');
    },
  },
  {
    title: 'Paste',
    about: 'Puts in what was copied',
    where: 'Anywhere',
    also: 'clipboard insert',
    keys: 'Ctrl V',
    run: (desk) => {
      if (!pasteHeld(desk)) tell('Nothing was copied here. Ctrl V also pastes a drawing, a picture or path data.');
    },
  },
  {
    title: 'Cut',
    about: 'Copies what is selected and deletes it',
    where: 'Anywhere',
    also: 'clipboard move',
    keys: 'Ctrl X',
    run: cutSelected,
  },
  {
    title: 'Select all',
    about: 'Selects all riders and guides',
    where: 'Anywhere',
    also: 'everything',
    keys: 'Ctrl A',
    run: selectAll,
  },
  {
    title: 'Save file',
    about: 'Saves the scene as a .paceline.json file',
    where: 'Top bar',
    also: 'download backup export project json',
    run: saveScene,
  },
  drawer(
    'contents',
    'Contents: show, hide, lock, order',
    'Everything in the scene: hide, lock, rename, order',
    'layers hide lock mute visible invisible show order stack front back rename list eye',
    'K',
  ),
  drawer(
    'art',
    'Art: import a drawing, picture or scene',
    'The scene’s art and built-in shapes; imports SVG, pictures, poses, a scene',
    'import svg picture image png drawing symbol asset shapes nest add upload',
    'L',
  ),
  {
    title: 'Import paths as guides',
    about: 'Takes the paths of an SVG, a GPX track or a list of points as guides',
    where: 'Art drawer; Collection',
    also: 'path from svg guide from file gpx track csv points route way',
    run: (desk) => void bringInGuides(desk),
  },
  drawer(
    'collection',
    'Collection',
    'Guides and easings that you have kept',
    'library saved presets reuse favourites',
    ';',
  ),
  drawer(
    'versions',
    'Versions',
    'Earlier versions of this scene: look, restore, open as a copy',
    'history yesterday earlier backup restore before snapshot old',
  ),
  {
    title: 'Charts',
    about: 'Speed, acceleration and turn rate over time, under the sheet',
    where: 'Sheet, transport',
    also: 'graph curve speed acceleration velocity plot limit',
    run: () => useDeskView.getState().set({ charts: true, page: 'sheet', drawer: null }),
  },
  drawer(
    'marks',
    'Table of marks',
    'All marks of a rider in numbers, to type or paste',
    'spreadsheet list numbers csv times keyframes',
  ),
  {
    title: 'Ghost: hold this state to compare',
    about: 'Holds the scene as it is and shows it beside what you change; again: removes it',
    where: 'Sheet, transport',
    also: 'compare before after difference reference onion',
    keys: 'G',
    run: holdGhost,
  },
  {
    title: 'Swap with the ghost',
    about: 'Goes back to the held state; the present one is the ghost',
    where: 'Sheet, transport',
    also: 'compare before after toggle',
    keys: 'Shift G',
    run: swapGhost,
  },
  {
    title: 'Fit the canvas',
    about: 'Fits the canvas in view; pressed again, everything in the scene',
    where: 'Canvas',
    also: 'zoom fit view reset whole',
    keys: '0',
    run: () => document.querySelector<HTMLElement>('[data-action="fit"]')?.click(),
  },
  {
    title: 'Fold the cards',
    about: 'The cards are their heads; again: as they were',
    where: 'Foot',
    also: 'hide panel bigger canvas collapse',
    keys: '\\',
    run: foldCards,
  },
  {
    title: 'Shortcuts',
    about: 'All keys of the Desk',
    where: 'Help',
    also: 'keyboard keys hotkeys',
    keys: '?',
    run: () => useDeskView.getState().set({ shortcuts: true }),
  },
  {
    title: 'Pivot and facing on the canvas',
    about: 'Handles for the pivot, and for which way the art faces',
    where: 'Rider card',
    also: 'anchor origin centre nose handle',
    run: () => useDeskView.getState().set({ aiming: true }),
  },
  seen('arrows', 'Direction arrows', 'arrow way guide direction'),
  seen('nodeNames', 'Node names', 'labels stations names points'),
  seen('landmarks', 'Landmarks of the guide', 'crest trough crossing inflection'),
  seen('heading', 'Heading strip', 'rotation angle graph'),
  seen('speeds', 'Speed along the guide', 'colour fast slow band heat'),
  seen('onionMarks', 'Onion skin at marks', 'ghost trail poses onion'),
  seen('onionFrames', 'Onion skin at frames', 'ghost trail onion skin'),
  seen('onionWays', 'Motion paths of all riders', 'trajectory trail path line'),
  {
    title: 'First frame',
    about: 'The playhead goes to the loop’s start',
    where: 'Sheet, transport',
    also: 'start beginning home rewind',
    keys: 'Home',
    run: ({ playback }) => playback.seek(0),
  },
  {
    title: 'Last frame',
    about: 'The playhead goes to the loop’s end',
    where: 'Sheet, transport',
    also: 'end finish',
    keys: 'End',
    run: ({ playback }) => playback.seek(Infinity),
  },
  {
    title: 'Next frame',
    about: 'One frame on',
    where: 'Sheet, transport',
    also: 'step forward',
    keys: '.',
    run: (desk) => desk.playback.step(1, sceneOf(desk).clock.fps),
  },
];
