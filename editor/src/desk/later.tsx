import { lazy, Suspense, useEffect, type ComponentType } from 'react';
import type { Axes } from '@pace-line/core';
import { whenIdle } from '../platform/idle.ts';
import { ShortcutsDialog } from './dialogs/ShortcutsDialog.tsx';
import { useDeskView, type Drawer } from './view.ts';

type Load = () => Promise<ComponentType>;

/** What of the Desk is loaded when it is first wanted, or when there is nothing else to do. */
const DRAWERS: Readonly<Record<NonNullable<Drawer>, Load>> = {
  contents: async () => (await import('./drawers/ContentsDrawer.tsx')).ContentsDrawer,
  art: async () => (await import('./drawers/ArtDrawer.tsx')).ArtDrawer,
  collection: async () => (await import('./drawers/CollectionDrawer.tsx')).CollectionDrawer,
  versions: async () => (await import('./drawers/VersionsDrawer.tsx')).VersionsDrawer,
  marks: async () => (await import('./marks-table/MarksDrawer.tsx')).MarksDrawer,
};

const parts: Load = async () => (await import('./dialogs/PartsDialog.tsx')).PartsDialog;

const strip = async () => (await import('./charts/ChartStrip.tsx')).ChartStrip;

const later = (load: Load) => lazy(async () => ({ default: await load() }));

const Drawers = Object.fromEntries(Object.entries(DRAWERS).map(([name, load]) => [name, later(load)]));
const Parts = later(parts);
const Strip = lazy(async () => ({ default: await strip() }));

/** The charts under the sheet, while they are shown. */
export function OpenCharts({ axes }: { readonly axes: Axes }) {
  const isOpen = useDeskView((state) => state.charts);
  return isOpen ? (
    <Suspense fallback={<section className="chart-strip" aria-busy />}>
      <Strip axes={axes} />
    </Suspense>
  ) : null;
}

/** The drawer that is open. */
export function OpenDrawer({ drawer }: { readonly drawer: Drawer }) {
  const Shown = drawer && Drawers[drawer];
  return Shown ? (
    <Suspense fallback={<aside className="drawer" aria-busy />}>
      <Shown />
    </Suspense>
  ) : null;
}

/** The dialogs that are open. That of shortcuts is always there, as it brings the keyboard back to where it was. */
export function OpenDialogs() {
  const hasParts = useDeskView((state) => state.takenApart !== null);
  return (
    <>
      <Suspense>{hasParts && <Parts />}</Suspense>
      <ShortcutsDialog />
    </>
  );
}

/** Loads all of it once the Desk stands and nothing else is to be done; where that fails, it is told when it is wanted. */
export function useLoadAhead(): void {
  useEffect(
    () =>
      whenIdle(() => {
        for (const load of [...Object.values(DRAWERS), parts, strip]) void load().catch(() => undefined);
      }),
    [],
  );
}
