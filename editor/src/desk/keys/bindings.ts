import { holdGhost, swapGhost } from '../actions/ghost.ts';
import { cutSelected, duplicateSelected } from '../actions/clipboard.ts';
import { joinToNearest, reverseDirection } from '../actions/guides.ts';
import { addMark } from '../actions/marks.ts';
import { nudge } from '../actions/moving.ts';
import { stepPart } from '../actions/parts-in-order.ts';
import { deleteSelected, selectAll } from '../actions/selecting.ts';
import { flipSelection } from '../actions/transforming.ts';
import { zoomedAt } from '../../figures/view-transform.ts';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { goToCanvas, goToSheet } from './go-to.ts';
import { CANVAS_TOOLS } from '../../tools/index.ts';
import { foldCards, useDeskView, type Drawer } from '../view.ts';

/** What a key does: looked up by its name, letters small. */
export type Bindings = ReadonlyMap<string, () => void>;

const bindings = (table: Readonly<Record<string, () => void>>): Bindings => new Map(Object.entries(table));

const view = useDeskView.getState;

const lean = (way: -1 | 1): void => view().set({ lean: view().lean === way ? 0 : way });

const drawer = (which: Drawer): void => view().set({ drawer: view().drawer === which ? null : which });

function zoomBy(factor: number): void {
  const pane = document.querySelector('.canvas-surface');
  view().set({ view: zoomedAt(view().view, factor, (pane?.clientWidth ?? 0) / 2, (pane?.clientHeight ?? 0) / 2) });
}

/** Chooses the next mark or node, and brings the keyboard to it. */
function goToPart(desk: Desk, way: 1 | -1): void {
  const id = stepPart(desk, way);
  if (id === undefined) return;
  // The page is rendered with the new selection first.
  requestAnimationFrame(() =>
    document.querySelector<SVGElement>(`[data-part="${CSS.escape(id)}"]`)?.focus({ preventScroll: true }),
  );
}

/** After time was scrubbed, left and right step its frames; else they carry what is selected. */
function aside(desk: Desk, size: number): void {
  if (view().scrubbed) desk.playback.step(size, sceneOf(desk).clock.fps);
  else nudge(desk, size, 0);
}

/** Arrows that carry what is selected a frame or a px, times `size`. */
const arrows = (desk: Desk, size: number): Readonly<Record<string, () => void>> => ({
  ArrowLeft: () => aside(desk, -size),
  ArrowRight: () => aside(desk, size),
  ArrowUp: () => nudge(desk, 0, -size),
  ArrowDown: () => nudge(desk, 0, size),
});

const watching = (desk: Desk): Readonly<Record<string, () => void>> => ({
  ',': () => desk.playback.step(-1, sceneOf(desk).clock.fps),
  '.': () => desk.playback.step(1, sceneOf(desk).clock.fps),
  Home: () => desk.playback.seek(0),
  End: () => desk.playback.seek(Infinity),
  x: () => view().set({ asSent: true }),
});

const arranging = (): Readonly<Record<string, () => void>> => ({
  ...Object.fromEntries(CANVAS_TOOLS.map(({ name }, i) => [String(i + 1), () => view().set({ tool: name })])),
  k: () => drawer('contents'),
  l: () => drawer('art'),
  ';': () => drawer('collection'),
  c: goToCanvas,
  s: goToSheet,
  '[': () => lean(1),
  ']': () => lean(-1),
  '\\': foldCards,
  '0': () => document.querySelector<HTMLElement>('[data-action="fit"]')?.click(),
  '+': () => zoomBy(1.25),
  '=': () => zoomBy(1.25),
  '-': () => zoomBy(0.8),
  '?': () => view().set({ shortcuts: true }),
  Escape: () => view().set({ drawer: null, openCard: null, tying: null }),
});

/** Keys pressed alone. */
export const plainKeys = (desk: Desk): Bindings =>
  bindings({
    ...watching(desk),
    ...arranging(),
    ...arrows(desk, 1),
    m: () => void addMark(desk),
    g: () => holdGhost(desk),
    r: () => {
      const [id] = selectionOf(desk).guides;
      if (id !== undefined) reverseDirection(desk, id, 'place');
    },
    j: () => joinToNearest(desk),
    PageDown: () => goToPart(desk, 1),
    PageUp: () => goToPart(desk, -1),
    f: () => flipSelection(desk, 'across'),
    Delete: () => deleteSelected(desk),
    Backspace: () => deleteSelected(desk),
  });

/** Keys pressed with Shift that do another thing than alone; signs that some keyboards have there are in both. */
export const shiftedKeys = (desk: Desk): Bindings =>
  bindings({
    ...arrows(desk, 10),
    f: () => flipSelection(desk, 'over'),
    g: () => swapGhost(desk),
    ...Object.fromEntries(Object.entries(arranging()).filter(([key]) => /^[^\w\s]$/.test(key))),
  });

/** Keys pressed with Ctrl, or with ⌘. */
export const controlKeys = (desk: Desk, shift: boolean): Bindings =>
  bindings({
    z: () => (shift ? desk.doc.redo() : desk.doc.undo()),
    y: () => desk.doc.redo(),
    x: () => cutSelected(desk),
    d: () => duplicateSelected(desk),
    a: () => selectAll(desk),
  });
