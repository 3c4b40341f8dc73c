import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { useOpenScene } from '../scene/context.ts';
import { flipSelection } from './actions/transforming.ts';
import { useDesk } from './context.ts';
import { spaceHeld } from './space-key.ts';
import { zoomedAt } from './canvas/view-transform.ts';
import { TOOL_NAMES, useDeskView, usePreferences } from './view.ts';
import { deleteSelected, selectAll } from './actions/selecting.ts';
import { cutSelected, duplicateSelected } from './actions/clipboard.ts';
import { addMark } from './actions/marks.ts';
import { nudge } from './actions/moving.ts';
import { joinToNearest, reverseDirection } from './actions/guides.ts';
import { sceneOf, selectionOf } from './desk.ts';

/** A shortcut as the help shows it. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
}

/** Every shortcut of the Desk, for the help page. */
export const SHORTCUTS: readonly { readonly group: string; readonly list: readonly Shortcut[] }[] = [
  {
    group: 'Watching',
    list: [
      { keys: 'Space', does: 'play or pause; held, drag pans the canvas' },
      { keys: ', and .', does: 'one frame back, one frame on' },
      { keys: 'Home and End', does: 'to the loop’s start, to its end' },
      { keys: 'hold X', does: 'the canvas as it will be sent' },
    ],
  },
  {
    group: 'Drawing',
    list: [
      { keys: '1', does: 'Adjust' },
      { keys: '2', does: 'Plot' },
      { keys: '3', does: 'Sketch' },
      { keys: '4', does: 'Act out' },
      { keys: '5', does: 'Set down' },
      { keys: 'arrows in Set down', does: 'set the selected rider down a px further at the playhead; with Shift ten' },
      { keys: '6', does: 'Shape' },
      { keys: '7', does: 'Measure' },
      { keys: 'Alt while bending', does: 'a straight span becomes an arc' },
      { keys: 'Shift while dragging', does: 'multiples of 15°; scaling keeps proportions' },
      { keys: 'Ctrl while dragging', does: 'holds snapping off' },
      { keys: 'R', does: 'reverse the selected guide; its riders keep their place' },
      { keys: 'F, Shift F', does: 'flip what is selected left to right, upside down' },
      { keys: 'J', does: 'join two open guides at their nearest ends' },
      { keys: 'Enter', does: 'end the guide that is being plotted' },
      { keys: 'Backspace', does: 'take the last plotted node back' },
      { keys: 'Escape', does: 'give up what is under way' },
      { keys: 'Tab, then arrows', does: 'go to a node or mark and nudge it; with Shift ten times as far' },
      { keys: 'Delete', does: 'delete what is selected' },
    ],
  },
  {
    group: 'Timing',
    list: [
      { keys: 'M', does: 'set a mark at the playhead' },
      { keys: 'Shift while dragging a mark', does: 'keep to one direction' },
      { keys: 'Ctrl while dragging a mark', does: 'off frames and nodes' },
    ],
  },
  {
    group: 'The Desk',
    list: [
      { keys: 'Ctrl Z, Ctrl Shift Z', does: 'undo, redo' },
      { keys: 'Ctrl C, X, V, D', does: 'copy, cut, paste, duplicate' },
      { keys: 'Ctrl A', does: 'select all' },
      { keys: '[ and ]', does: 'lean toward the canvas, toward the sheet' },
      { keys: '\\', does: 'fold the cards' },
      { keys: '0, + and −', does: 'fit the canvas, zoom in, zoom out' },
      { keys: 'K, L and ;', does: 'Contents, Art, Collection' },
    ],
  },
];

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest(
    'input, textarea, select, [contenteditable], [role="listbox"], [role="menu"], [role="dialog"], [role="slider"]',
  ) !== null;

/** The Desk's keys. Tools have looked at each before. */
export function useDeskKeys(): void {
  const desk = useDesk();
  const { id } = useOpenScene();
  const navigate = useNavigate();
  const { playback } = desk;
  useEffect(() => {
    const withCtrl: Readonly<Record<string, (shift: boolean) => void>> = {
      z: (shift) => (shift ? desk.doc.redo() : desk.doc.undo()),
      y: () => desk.doc.redo(),
      x: () => cutSelected(desk),
      d: () => duplicateSelected(desk),
      a: () => selectAll(desk),
    };
    const lean = (way: -1 | 1): void => {
      const view = useDeskView.getState();
      view.set({ lean: view.lean === way ? 0 : way });
    };
    const drawer = (which: 'contents' | 'art' | 'collection'): void => {
      const view = useDeskView.getState();
      view.set({ drawer: view.drawer === which ? null : which });
    };
    const selectedGuide = (act: (id: string) => void): void => {
      const [id] = selectionOf(desk).guides;
      if (id !== undefined) act(id);
    };
    const press = (selector: string): void => document.querySelector<HTMLElement>(selector)?.click();
    const plain: Readonly<Record<string, () => void>> = {
      ...Object.fromEntries(TOOL_NAMES.map((tool, i) => [String(i + 1), () => useDeskView.getState().set({ tool })])),
      ',': () => playback.step(-1, sceneOf(desk).clock.fps),
      '.': () => playback.step(1, sceneOf(desk).clock.fps),
      Home: () => playback.seek(0),
      End: () => playback.seek(Infinity),
      m: () => void addMark(desk),
      k: () => drawer('contents'),
      l: () => drawer('art'),
      ';': () => drawer('collection'),
      r: () => selectedGuide((id) => reverseDirection(desk, id, 'place')),
      j: () => joinToNearest(desk),
      '[': () => lean(1),
      ']': () => lean(-1),
      '\\': () => usePreferences.getState().toggleCards(),
      '0': () => press('[data-action="fit"]'),
      '+': () => zoomBy(1.25),
      '=': () => zoomBy(1.25),
      '-': () => zoomBy(0.8),
      Escape: () => useDeskView.getState().set({ drawer: null, openCard: null }),
      f: () => flipSelection(desk, 'across'),
      Delete: () => deleteSelected(desk),
      Backspace: () => deleteSelected(desk),
      x: () => useDeskView.getState().set({ asSent: true }),
      ArrowLeft: () => nudge(desk, -1, 0),
      ArrowRight: () => nudge(desk, 1, 0),
      ArrowUp: () => nudge(desk, 0, -1),
      ArrowDown: () => nudge(desk, 0, 1),
    };
    const shifted: Readonly<Record<string, () => void>> = {
      ArrowLeft: () => nudge(desk, -10, 0),
      ArrowRight: () => nudge(desk, 10, 0),
      ArrowUp: () => nudge(desk, 0, -10),
      ArrowDown: () => nudge(desk, 0, 10),
      f: () => flipSelection(desk, 'over'),
      '?': () => void navigate(`/help?from=${id}`),
    };
    const onKeyDown = (event: KeyboardEvent): void => {
      if (inField(event.target) || event.altKey) return;
      if (event.key === ' ') {
        if (event.target instanceof HTMLElement && event.target.closest('button, a, [role="button"]')) return;
        event.preventDefault();
        if (!event.repeat) {
          spaceHeld.current = true;
          spaceHeld.panned = false;
        }
        return;
      }
      const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
      const action =
        event.ctrlKey || event.metaKey
          ? withCtrl[key] && (() => withCtrl[key]?.(event.shiftKey))
          : event.shiftKey
            ? (shifted[key] ?? (key === '+' ? plain['+'] : undefined))
            : plain[key];
      if (!action) return;
      event.preventDefault();
      action();
    };
    const onKeyUp = (event: KeyboardEvent): void => {
      if (event.key === ' ' && spaceHeld.current) {
        spaceHeld.current = false;
        if (!spaceHeld.panned) playback.toggle();
      }
      if (event.key.toLowerCase() === 'x') useDeskView.getState().set({ asSent: false });
    };
    window.addEventListener('keydown', onKeyDown);
    window.addEventListener('keyup', onKeyUp);
    return () => {
      window.removeEventListener('keydown', onKeyDown);
      window.removeEventListener('keyup', onKeyUp);
    };
  }, [desk, playback, id, navigate]);
}

function zoomBy(factor: number): void {
  const { view, set } = useDeskView.getState();
  const pane = document.querySelector('.canvas-surface');
  set({ view: zoomedAt(view, factor, (pane?.clientWidth ?? 0) / 2, (pane?.clientHeight ?? 0) / 2) });
}
