import { useElementSize } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import { guideById, riderById, ridersOf, type Guide } from '@pace-line/core';
import { useCalmState, useSteadyScene } from '../../document/index.ts';
import { useDeskView } from '../view.ts';
import { Chart } from './Chart.tsx';
import { Routes } from './Routes.tsx';
import { ScrubSlider } from './ScrubSlider.tsx';
import { Transport } from './Transport.tsx';
import { useSheetAxes } from './use-sheet-axes.ts';
import type { Stretch } from './use-sheet-zoom.ts';
import './sheet.css';

/** The sheet: time across, distance along the guide up; the riders of one route. */
export function SheetPane() {
  // While a guide is bent the sheet keeps its measure; only the line that is worked on moves.
  const scene = useSteadyScene();
  const selection = useCalmState((state) => state.selection);
  const route = useDeskView((state) => state.route);
  const guide = guideById(scene, route) ?? scene.guides[0];
  const { ref, ...size } = useElementSize();
  const [stretch, setStretch] = useState<Stretch>(null);
  const riders = useMemo(() => (guide ? ridersOf(scene, guide.id) : []), [scene, guide]);
  const selected = riders.find((rider) => rider.id === selection.riders[0]) ?? riders[0];
  const pane = useMemo(() => ({ width: size.width, height: size.height }), [size.width, size.height]);
  const axes = useSheetAxes(scene, guide, riders, pane, stretch);
  return (
    <section className="sheet-pane" aria-label="Pace sheet">
      <Routes guide={guide} riders={riders} selected={selected} />
      <Transport zoomed={stretch !== null} onShowAll={() => setStretch(null)} />
      <div className="sheet-host" ref={ref}>
        {guide && axes && riders.length > 0 ? (
          <Chart guide={guide} riders={riders} selected={selected} axes={axes} size={pane} onStretch={setStretch} />
        ) : (
          <EmptySheet guide={guide} />
        )}
      </div>
    </section>
  );
}

function EmptySheet({ guide }: { guide: Guide | undefined }) {
  const hasRider = useCalmState((state) => riderById(state.shown, state.selection.riders[0] ?? '') !== undefined);
  return (
    <div className="empty-sheet">
      <ScrubSlider />
      {guide ? (
        <p>
          Nothing rides <strong>{guide.name}</strong> yet. Drag art from the <em>Art</em> drawer onto it
          {hasRider ? ', or choose it as the guide of the selected rider on card 2' : ''}. Its pace line will be drawn
          here.
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
