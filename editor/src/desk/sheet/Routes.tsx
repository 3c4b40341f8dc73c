import { memo, useCallback, useMemo } from 'react';
import { ridersOf, type Guide, type Scene } from '@pace-line/core';
import { selectGuide, selectRider, useDocument, useDocumentState } from '../../document/index.ts';
import { useDeskView } from '../view.ts';
import { Pick } from './Pick.tsx';
import { useRoute } from './use-route.ts';

/** The route that the sheet shows: the three latest as tabs, all in a list to search; and the riders of this one. */
export const Routes = memo(function Routes() {
  const doc = useDocument();
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const { guide, riders, selected } = useRoute(scene, selection);
  const guides = useMemo(() => routesOf(scene, guide), [scene, guide]);
  const recent = useDeskView((state) => state.recent);
  const setRoute = useDeskView((state) => state.setRoute);
  const tabs = tabsOf(guides, recent, guide);
  const go = useCallback(
    (id: string): void => {
      setRoute(id);
      const [rider] = ridersOf(doc.state.shown, id);
      doc.select(rider ? selectRider(rider.id) : selectGuide(id));
    },
    [doc, setRoute],
  );
  const choose = useCallback((id: string): void => doc.select(selectRider(id)), [doc]);
  return (
    <div className="routes">
      <div className="route-tabs" role="group" aria-label="Routes">
        {tabs.map((one) => (
          <button
            key={one.id}
            type="button"
            className="route-tab"
            aria-pressed={one.id === guide?.id}
            onClick={() => go(one.id)}
          >
            <span className="route-swatch" style={{ background: one.color }} />
            <span className="route-name">{one.name}</span>
          </button>
        ))}
      </div>
      <span className="spacer" />
      {guides.length > 3 && (
        <Pick
          name="All routes"
          label={`all ${guides.length} routes`}
          chosen={guide?.id}
          items={guides.map((one) => ({ id: one.id, name: one.name, color: one.color }))}
          onPick={go}
        />
      )}
      {selected && (
        <Pick
          name="Riders of this route"
          chosen={selected.id}
          label={selected.name + (riders.length > 1 ? ` + ${riders.length - 1}` : '')}
          items={riders.map((rider) => ({ id: rider.id, name: rider.name }))}
          onPick={choose}
        />
      )}
    </div>
  );
});

/** The guides that are routes: seen, or ridden. The others are shapes that somebody is seen within, and the like. */
function routesOf({ guides, riders }: Scene, current: Guide | undefined): readonly Guide[] {
  const ridden = new Set(riders.map((rider) => rider.guide));
  return guides.filter((one) => one.visible || one === current || ridden.has(one.id));
}

function tabsOf(guides: readonly Guide[], recent: readonly string[], current: Guide | undefined): Guide[] {
  const known = recent.flatMap((id) => guides.find((guide) => guide.id === id) ?? []);
  const others = guides.filter((guide) => !known.includes(guide));
  const three = [...known, ...others].slice(0, 3);
  if (current && !three.includes(current)) three[three.length - 1] = current;
  return guides.filter((guide) => three.includes(guide));
}
