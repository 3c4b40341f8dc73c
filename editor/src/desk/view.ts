import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { IDENTITY, type ViewTransform } from './canvas/view-transform.ts';

export type ToolName = 'adjust' | 'plot';
export type Drawer = 'contents' | 'art' | null;
export type CardName = 'guide' | 'rider' | 'heading' | 'pace' | 'checks';

/** How this browser likes the Desk: remembered. */
interface Preferences {
  /** Share of the width that the canvas has, in percent; null until it was moved. */
  divider: number | null;
  cardsFolded: boolean;
  setDivider: (divider: number) => void;
  toggleCards: () => void;
}

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      divider: null,
      cardsFolded: false,
      setDivider: (divider) => set({ divider }),
      toggleCards: () => set((state) => ({ cardsFolded: !state.cardsFolded })),
    }),
    { name: 'pace-line-desk' },
  ),
);

/** A place shown in both panes: a distance along a guide, px. */
export interface Hover {
  readonly guide: string;
  readonly distance: number;
}

interface DeskView {
  view: ViewTransform;
  tool: ToolName;
  drawer: Drawer;
  openCard: CardName | null;
  /** The guide whose riders the sheet shows. */
  route: string | null;
  /** Guides in the order in which they were last the route, the latest first. */
  recent: readonly string[];
  hover: Hover | null;
  /** The canvas is shown as it will be sent. */
  asSent: boolean;
  /** Lean of the panes: 0 none, −1 to the sheet, +1 to the canvas. */
  lean: -1 | 0 | 1;
  set: (change: Partial<Omit<DeskView, 'set' | 'setRoute'>>) => void;
  setRoute: (route: string | null) => void;
}

export const useDeskView = create<DeskView>()((set) => ({
  view: IDENTITY,
  tool: 'adjust',
  drawer: null,
  openCard: null,
  route: null,
  recent: [],
  hover: null,
  asSent: false,
  lean: 0,
  set: (change) => set(change),
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

export const resetDeskView = (): void =>
  useDeskView.setState({
    view: IDENTITY,
    tool: 'adjust',
    drawer: null,
    openCard: null,
    route: null,
    recent: [],
    hover: null,
    asSent: false,
    lean: 0,
  });
