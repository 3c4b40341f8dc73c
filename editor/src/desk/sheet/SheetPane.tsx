import { useElementSize } from '@mantine/hooks';
import { useCallback, useMemo, useState } from 'react';
import {
  KEY_CHANNELS,
  loopLength,
  riderById,
  ridersOf,
  type Guide,
  type KeyChannel,
  type Rider,
} from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { KEY_STRIP } from '../../figures/sheet/index.ts';
import { OpenCharts } from '../later.tsx';
import { Chart } from './Chart.tsx';
import { Routes } from './Routes.tsx';
import { ScrubSlider } from './ScrubSlider.tsx';
import { Transport } from './Transport.tsx';
import { KeyStrips } from './KeyStrips.tsx';
import { useRoute } from './use-route.ts';
import { timeAxes, useSheetAxes } from './use-sheet-axes.ts';
import type { Stretch } from './use-sheet-zoom.ts';
import './sheet.css';

/** The sheet: time across, distance along the guide up; the riders of one route. */
export function SheetPane() {
  const [stretch, setStretch] = useState<Stretch>(null);
  const showAll = useCallback(() => setStretch(null), []);
  return (
    <section className="sheet-pane" aria-label="Pace sheet">
      <Routes />
      <Transport zoomed={stretch !== null} onShowAll={showAll} />
      <Sheet stretch={stretch} onStretch={setStretch} />
    </section>
  );
}

function Sheet({ stretch, onStretch }: { stretch: Stretch; onStretch: (stretch: Stretch) => void }) {
  const scene = useDocumentState((state) => state.shown);
  const committed = useDocumentState((state) => state.committed);
  const selection = useDocumentState((state) => state.selection);
  const { guide, riders, selected } = useRoute(scene, selection);
  const { ref, ...size } = useElementSize();
  const keyed = useKeyed();
  const strips = Math.min(keyed?.channels.length ?? 0, Math.floor(size.height / 2 / KEY_STRIP)) * KEY_STRIP;
  const pane = useMemo(() => ({ width: size.width, height: size.height - strips }), [size.width, size.height, strips]);
  // The sheet keeps its measure while a hand works: what is drawn larger than it is fitted when the hand lets go. A guide that is just being made has none yet.
  const measured = guide && ridersOf(committed, guide.id).length > 0 ? committed : scene;
  const length = loopLength(scene.clock);
  const axes = useSheetAxes(measured, guide?.id, pane, stretch);
  const times = axes ?? timeAxes(pane, length, stretch);
  return (
    <>
      <div className="sheet-host" ref={ref}>
        {guide && axes && riders.length > 0 ? (
          <Chart guide={guide} riders={riders} selected={selected} axes={axes} size={pane} onStretch={onStretch} />
        ) : (
          riders.length === 0 && <EmptySheet guide={guide} />
        )}
        {keyed && strips > 0 && (
          <div className="key-strips-host" style={{ height: strips }}>
            <KeyStrips {...keyed} axes={times} width={size.width} length={length} />
          </div>
        )}
      </div>
      <OpenCharts axes={times} />
    </>
  );
}

/** The selected rider, and which of its channels have keys. */
function useKeyed(): { readonly rider: Rider; readonly channels: readonly KeyChannel[] } | undefined {
  const rider = useDocumentState(({ shown, selection }) => riderById(shown, selection.riders[0] ?? ''));
  const channels = KEY_CHANNELS.filter((channel) => rider && rider.keys[channel].length > 0);
  return rider && channels.length > 0 ? { rider, channels } : undefined;
}

function EmptySheet({ guide }: { guide: Guide | undefined }) {
  const hasRider = useDocumentState((state) => riderById(state.shown, state.selection.riders[0] ?? '') !== undefined);
  return (
    <div className="empty-sheet">
      <ScrubSlider />
      {guide ? (
        <p>
          Nothing rides <strong>{guide.name}</strong> yet. Drag art from the <em>Art</em> drawer onto it
          {hasRider ? ', or choose it as the guide of the selected rider on the Rider card' : ''}. Its pace line will be
          drawn here.
        </p>
      ) : (
        <p>
          Pace lines are drawn here: time runs across, the way along the guide runs up. Plot a guide on the canvas to
          begin.
        </p>
      )}
    </div>
  );
}
