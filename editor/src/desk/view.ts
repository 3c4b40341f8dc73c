import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Beginning, Scene, Seating, Told } from '@pace-line/core';
import type { DrawingParts } from '@pace-line/core/art-import';
import {
  FIRST_SNAPPING,
  type LastStroke,
  type SnapKind,
  type SnapSettings,
  type ToolName,
  type ToolOptions,
} from '../tools/index.ts';
import type { RowName } from '../words/rows.ts';
import { IDENTITY, type ViewTransform } from '../figures/view-transform.ts';

export type Drawer = 'contents' | 'art' | 'collection' | 'versions' | 'marks' | null;
/** What a narrow window shows. */
export type DeskPage = 'canvas' | 'sheet' | 'cards';
export type CardName = 'scene' | 'guide' | 'rider' | 'heading' | 'pace' | 'checks';

/** How this browser likes the Desk: lastStroke. */
interface Preferences {
  /** Share of the width that the canvas has, in percent; null until it was moved. */
  divider: number | null;
  cardsFolded: boolean;
  /** Height of the foot, px. */
  foot: number;
  snapping: SnapSettings;
  toolOptions: ToolOptions;
  /** What is shown of guides beside their lines. */
  seeing: Seeing;
  /** Whether a leg whose speed is drawn up or down on the sheet keeps its duration. */
  keepsDuration: boolean;
  setKeepsDuration: (keepsDuration: boolean) => void;
  /** Onion skin: how many are shown before and after, and how many frames lie between them. */
  onion: Onion;
  setOnion: (change: Partial<Onion>) => void;
  setDivider: (divider: number) => void;
  toggleCards: () => void;
  setFoot: (foot: number) => void;
  setSnap: (kind: SnapKind, on: boolean) => void;
  setGrid: (grid: number) => void;
  setToolOptions: (change: Partial<ToolOptions>) => void;
  setSeeing: (change: Partial<Seeing>) => void;
}

interface Onion {
  readonly count: number;
  readonly step: number;
}

export interface Seeing {
  readonly arrows: boolean;
  readonly nodeNames: boolean;
  readonly landmarks: boolean;
  readonly heading: boolean;
  readonly speeds: boolean;
  readonly onionMarks: boolean;
  readonly onionFrames: boolean;
  readonly onionWays: boolean;
}

/** px. The foot at first, and its least. */
const FIRST_FOOT = 244;
export const LEAST_FOOT = 196;

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      divider: null,
      cardsFolded: false,
      foot: FIRST_FOOT,
      snapping: FIRST_SNAPPING,
      toolOptions: {
        sketchTolerance: 3,
        countIn: 3,
        actSpeed: 1,
        actSmoothing: 0.03,
        shape: 'circle',
        tickReach: 0,
      },
      seeing: {
        arrows: false,
        nodeNames: false,
        landmarks: false,
        heading: false,
        speeds: false,
        onionMarks: false,
        onionFrames: false,
        onionWays: false,
      },
      keepsDuration: true,
      onion: { count: 3, step: 4 },
      setDivider: (divider) => set({ divider }),
      setOnion: (change) => set(({ onion }) => ({ onion: { ...onion, ...change } })),
      setKeepsDuration: (keepsDuration) => set({ keepsDuration }),
      toggleCards: () => set((state) => ({ cardsFolded: !state.cardsFolded })),
      setFoot: (foot) => set({ foot, cardsFolded: false }),
      setSnap: (kind, on) =>
        set(({ snapping }) => ({ snapping: { ...snapping, kinds: { ...snapping.kinds, [kind]: on } } })),
      setGrid: (grid) => set(({ snapping }) => ({ snapping: { ...snapping, grid } })),
      setToolOptions: (change) => set(({ toolOptions }) => ({ toolOptions: { ...toolOptions, ...change } })),
      setSeeing: (change) => set(({ seeing }) => ({ seeing: { ...seeing, ...change } })),
    }),
    {
      name: 'pace-line-desk',
      // What an older visit has stored may lack what has come since.
      merge: (stored, now) => {
        const old = (stored ?? {}) as Partial<Preferences>;
        return {
          ...now,
          ...old,
          snapping: { ...now.snapping, ...old.snapping, kinds: { ...now.snapping.kinds, ...old.snapping?.kinds } },
          toolOptions: { ...now.toolOptions, ...old.toolOptions },
          seeing: { ...now.seeing, ...old.seeing },
        };
      },
    },
  ),
);

/** A place shown in both panes: a distance along a guide, px. */
export interface Hover {
  readonly guide: string;
  readonly distance: number;
}

export interface TakenApart {
  readonly name: string;
  readonly parts: DrawingParts;
  readonly notices: readonly string[];
}

/** How a rider that was just put on a guide should sit on it: asked until something else is done. */
export interface SeatingQuestion {
  readonly rider: string;
  readonly guide: string;
  /** The scene before it was put there, and after the last answer. */
  readonly before: Scene;
  readonly after: Scene;
  readonly time: number;
  readonly begins: Beginning;
  readonly seating: Seating;
}

/** An earlier state of the scene, shown on the canvas behind the present one. */
export interface Ghost {
  /** The version that it is, or that it is held by hand. */
  readonly key: string;
  readonly scene: Scene;
}

interface DeskView {
  view: ViewTransform;
  tool: ToolName;
  drawer: Drawer;
  /** Charts are shown as a strip of the sheet. */
  charts: boolean;
  page: DeskPage;
  openCard: CardName | null;
  /** In a low window the cards are heads; one that was pressed shows them. */
  cardsShown: boolean;
  /** Groups of cards that were asked for, though what they say is not there yet: entity and group. */
  openedGroups: readonly string[];
  /** The row that was asked for by name. */
  lit: RowName | null;
  /** The guide whose riders the sheet shows. */
  route: string | null;
  /** Guides in the order in which they were last the route, the latest first. */
  recent: readonly string[];
  hover: Hover | null;
  /** The canvas is shown as it will be sent. */
  asSent: boolean;
  /** The last stroke or motion of the hand: its fit can still be changed. */
  lastStroke: LastStroke | null;
  /** A drawing that was taken apart, while its parts are being named. */
  takenApart: TakenApart | null;
  question: SeatingQuestion | null;
  /** Pivot and facing of the selected rider's art have handles on the canvas. */
  aiming: boolean;
  /** Keys for which a mark is being pointed at: the next that is selected is theirs. */
  tying: { readonly rider: string; readonly keys: readonly string[] } | null;
  /** Time was scrubbed, and nothing else was pressed since. */
  scrubbed: boolean;
  /** The list of shortcuts is open. */
  shortcuts: boolean;
  /** An earlier state that moves beside the present one. */
  ghost: Ghost | null;
  /** What a check found, and in which scene: it is drawn on the canvas while that stands; kept after an edit, the view stays where it is. */
  finding: { readonly scene: Scene; readonly finding: Told; readonly isKept?: true } | null;
  /** What the checks find wrong, and with which scene. */
  wrong: { readonly scene: Scene | null; readonly found: readonly Told[] };
  /** The canvas is driven as on a page, to try that out. */
  trying: boolean;
  /** Lean of the panes: 0 none, −1 to the sheet, +1 to the canvas. */
  lean: -1 | 0 | 1;
  set: (change: Partial<Omit<DeskView, 'set' | 'setRoute' | 'setGroup'>>) => void;
  setGroup: (key: string, isOpen: boolean) => void;
  setRoute: (route: string | null) => void;
}

/** A Desk that was just opened. */
const AT_FIRST: Omit<DeskView, 'set' | 'setRoute' | 'setGroup'> = {
  view: IDENTITY,
  tool: 'adjust',
  drawer: null,
  charts: false,
  page: 'canvas',
  openCard: null,
  cardsShown: false,
  openedGroups: [],
  lit: null,
  route: null,
  recent: [],
  hover: null,
  asSent: false,
  finding: null,
  wrong: { scene: null, found: [] },
  aiming: false,
  lean: 0,
  lastStroke: null,
  takenApart: null,
  question: null,
  tying: null,
  scrubbed: false,
  shortcuts: false,
  ghost: null,
  trying: false,
};

export const useDeskView = create<DeskView>()((set) => ({
  ...AT_FIRST,
  set: (change) => set(change),
  setGroup: (key, isOpen) =>
    set(({ openedGroups }) => ({
      openedGroups: [...openedGroups.filter((one) => one !== key), ...(isOpen ? [key] : [])],
    })),
  setRoute: (route) =>
    set((state) => ({
      route,
      // A tab keeps its place while it is one of the three shown.
      recent:
        route === null || state.recent.slice(0, 3).includes(route)
          ? state.recent
          : [route, ...state.recent.filter((one) => one !== route)],
    })),
}));

/** Folds the cards to their heads, or shows them again. */
export function foldCards(): void {
  useDeskView.setState({ cardsShown: false });
  usePreferences.getState().toggleCards();
}

export const resetDeskView = (): void => useDeskView.setState(AT_FIRST);

/** Keeps a stroke or a motion of the hand, so that its fit can be changed while it is the last. */
export const keepStroke = (lastStroke: LastStroke | null): void => useDeskView.setState({ lastStroke });
