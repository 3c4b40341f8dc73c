import { useMediaQuery } from '@mantine/hooks';
import { useEffect, useRef, useState } from 'react';
import { Group, Panel, Separator, usePanelRef } from 'react-resizable-panels';
import { useDocumentState } from '../document/index.ts';
import { useArrival } from '../look/use-arrival.ts';
import { plainDirection } from '../words/plain.ts';
import { useOpenScene } from '../scene/context.ts';
import { OpenDialogs, OpenDrawer, useLoadAhead } from './later.tsx';
import { CanvasPane } from './canvas/CanvasPane.tsx';
import { TyingWatch } from './cards/index.ts';
import { Foot } from './Foot.tsx';
import { useFileDrops } from './intake/use-file-drops.ts';
import { useDeskKeys } from './keys/use-desk-keys.ts';
import { Guarded } from './Guarded.tsx';
import { PageBar } from './PageBar.tsx';
import { SheetPane } from './sheet/SheetPane.tsx';
import { TopBar } from './TopBar.tsx';
import { useRepaint } from './use-repaint.ts';
import { useDeskView, usePreferences } from './view.ts';
import './Desk.css';

/** On a narrow window the panes are pages; on a wider one they stack, where it is high enough for both; else they stand side by side. */
const PAGES = '(max-width: 699px), (max-width: 860px) and (max-height: 639px)';
const STACKED = '(max-width: 860px)';

/** The editor: where, when, how. */
export function Desk() {
  useDeskKeys();
  useFileDrops();
  useRepaint();
  useLoadAhead();
  useTitle();
  const heading = useArrival();
  const isPaged = useMediaQuery(PAGES, undefined, { getInitialValueInEffect: false });
  const page = useDeskView((state) => state.page);
  return (
    <main className={`desk ${isPaged ? `paged page-${page}` : ''}`}>
      <h1 ref={heading} tabIndex={-1} className="visually-hidden">
        Desk
      </h1>
      <TopBar />
      {isPaged ? (
        <div className="pages">
          <div className="pane-body">
            <Where />
            <Drawn />
          </div>
          <When />
        </div>
      ) : (
        <Panes />
      )}
      <Foot isPaged={isPaged ?? false} />
      {isPaged && <PageBar />}
      <TyingWatch />
      <OpenDialogs />
    </main>
  );
}

function useTitle(): void {
  const name = useDocumentState((state) => state.committed.name);
  const { playback } = useOpenScene();
  useEffect(() => {
    document.title = plainDirection(`${name} · Pace Line`);
  }, [name]);
  // Coming back from another view, the loop goes on where it was.
  useEffect(() => playback.invalidate(), [playback]);
}

const Where = () => (
  <Guarded what="the canvas">
    <CanvasPane />
  </Guarded>
);

const When = () => (
  <Guarded what="the sheet">
    <SheetPane />
  </Guarded>
);

/** The drawer that is open. */
function Drawn() {
  const drawer = useDeskView((state) => state.drawer);
  return (
    <Guarded what="the drawer">
      <OpenDrawer drawer={drawer} />
    </Guarded>
  );
}

/** Share of the width that the canvas has at first, in percent: a portrait canvas takes a narrow pane. */
function firstDivider(width: number, height: number): number {
  return Math.min(62, Math.max(34, 36 + 22 * Math.min(1, width / height - 0.5)));
}

/** Shares of the width that the canvas has while the Desk leans to it or to the sheet, in percent. */
const LEANING = { canvas: 76, sheet: 24 } as const;

/** Two panes of equal rank with a divider that moves; the browser remembers where. */
function Panes() {
  const canvas = useDocumentState((state) => state.shown.canvas);
  const lean = useDeskView((state) => state.lean);
  const { divider, setDivider } = usePreferences();
  const isStacked = useMediaQuery(STACKED, undefined, { getInitialValueInEffect: false });
  const panel = usePanelRef();
  const [initial] = useState(() => divider ?? firstDivider(canvas.width, canvas.height));
  const base = useRef(initial);
  useEffect(() => {
    const share = lean === 0 ? base.current : lean > 0 ? LEANING.canvas : LEANING.sheet;
    panel.current?.resize(`${share}%`);
  }, [lean, panel]);
  return (
    <Group
      className="panes"
      orientation={isStacked ? 'vertical' : 'horizontal'}
      onLayoutChanged={(layout) => {
        const share = layout['where'];
        if (share === undefined || useDeskView.getState().lean !== 0 || Math.abs(share - base.current) < 0.5) return;
        base.current = share;
        setDivider(share);
      }}
    >
      <Panel id="where" defaultSize={`${initial}%`} minSize="20%" panelRef={panel}>
        <Where />
      </Panel>
      <Separator className="divider" aria-label="Divider between canvas and sheet" />
      <Panel id="when" minSize="20%">
        {/* A drawer takes of the sheet's room: the canvas keeps its width and its zoom. */}
        <div className="pane-body">
          <Drawn />
          <When />
        </div>
      </Panel>
    </Group>
  );
}
