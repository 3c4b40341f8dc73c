import { useEffect, useRef, useState } from 'react';
import { Group, Panel, Separator, usePanelRef } from 'react-resizable-panels';
import { useDocument, useDocumentState } from '../document/index.ts';
import { useOpenScene } from '../scene/context.ts';
import { CanvasPane } from './canvas/CanvasPane.tsx';
import { ChecksCard, GuideCard, HeadingCard, PaceCard, RiderCard } from './cards/index.ts';
import { ArtDrawer } from './drawers/ArtDrawer.tsx';
import { CollectionDrawer } from './drawers/CollectionDrawer.tsx';
import { ContentsDrawer } from './drawers/ContentsDrawer.tsx';
import { useFileDrops } from './drops.ts';
import { useDeskKeys } from './keyboard.ts';
import { PartsDialog } from './PartsDialog.tsx';
import { SheetPane } from './sheet/SheetPane.tsx';
import { TopBar } from './TopBar.tsx';
import { useDeskView, usePreferences } from './view.ts';

/** Share of the width that the canvas has at first, in percent: a portrait canvas takes a narrow pane. */
function firstDivider(width: number, height: number): number {
  return Math.min(62, Math.max(34, 36 + 22 * Math.min(1, width / height - 0.5)));
}

/** The editor: where, when, how. */
export function Desk() {
  const doc = useDocument();
  const { playback } = useOpenScene();
  useEffect(() => {
    // Playback goes on where it was when the Desk was left.
    playback.invalidate();
  }, [doc, playback]);
  useDeskKeys();
  useFileDrops();
  const canvas = useDocumentState((state) => state.shown.canvas);
  const drawer = useDeskView((state) => state.drawer);
  const lean = useDeskView((state) => state.lean);
  const { divider, setDivider, cardsFolded } = usePreferences();
  const stacked = useStacked();
  const panel = usePanelRef();
  const [initial] = useState(() => divider ?? firstDivider(canvas.width, canvas.height));
  const base = useRef(initial);
  useEffect(() => {
    const share = lean === 0 ? base.current : lean > 0 ? 76 : 24;
    panel.current?.resize(`${share}%`);
  }, [lean, panel]);
  return (
    <main className={`desk ${cardsFolded ? 'cards-folded' : ''}`}>
      <h1 className="visually-hidden">Desk</h1>
      <TopBar />
      <Group
        className="panes"
        orientation={stacked ? 'vertical' : 'horizontal'}
        onLayoutChanged={(layout) => {
          const share = layout['where'];
          if (share === undefined || useDeskView.getState().lean !== 0 || Math.abs(share - base.current) < 0.5) return;
          base.current = share;
          setDivider(share);
        }}
      >
        <Panel id="where" defaultSize={`${initial}%`} minSize="20%" panelRef={panel}>
          <div className="pane-body">
            <CanvasPane />
            {drawer === 'contents' && <ContentsDrawer />}
            {drawer === 'art' && <ArtDrawer />}
            {drawer === 'collection' && <CollectionDrawer />}
          </div>
        </Panel>
        <Separator className="divider" aria-label="Divider between canvas and sheet" />
        <Panel id="when" minSize="20%">
          <SheetPane />
        </Panel>
      </Group>
      <div className="cards">
        <GuideCard />
        <RiderCard />
        <HeadingCard />
        <PaceCard />
        <ChecksCard />
      </div>
      <PartsDialog />
    </main>
  );
}

/** On a small window the panes stack. */
function useStacked(): boolean {
  const [stacked, setStacked] = useState(() => window.matchMedia('(max-width: 760px)').matches);
  useEffect(() => {
    const query = window.matchMedia('(max-width: 760px)');
    const onChange = (): void => setStacked(query.matches);
    query.addEventListener('change', onChange);
    return () => query.removeEventListener('change', onChange);
  }, []);
  return stacked;
}
