import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import {
  guideById,
  loopLength,
  pathOfGuide,
  riderById,
  ridersOf,
  type Guide,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { useCalmState, useSettledScene } from '../../document/index.ts';
import { useDesk } from '../context.ts';
import { useDeskView } from '../view.ts';
import { Chart } from './Chart.tsx';
import { reachOf } from './lines.ts';
import { Routes } from './Routes.tsx';
import type { SheetScale } from './scale.ts';
import { Transport } from './Transport.tsx';

/** Share of the loop repeated on either side of it, so that the seam shows. */
const MARGIN = 0.06;
const RIBBON = 92;
const STRIP = 26;
const NAMES = 92;

/** The sheet: time across, distance along the guide up; the riders of one route. */
export function SheetPane() {
  // While a guide is bent the sheet keeps its measure; only the line that is worked on moves.
  const scene = useSettledScene();
  const selection = useCalmState((state) => state.selection);
  const { playback } = useDesk();
  const route = useDeskView((state) => state.route);
  const guide = guideById(scene, route) ?? scene.guides[0];
  const length = loopLength(scene.clock);
  const host = useRef<HTMLDivElement>(null);
  const size = useSize(host);
  const [window_, setWindow] = useState<readonly [number, number] | null>(null);

  useEffect(() => playback.setLoop(length, scene.clock.repeat === 'once'), [playback, length, scene.clock.repeat]);

  const riders = useMemo(() => (guide ? ridersOf(scene, guide.id) : []), [scene, guide]);
  const selected = riders.find((rider) => rider.id === selection.riders[0]) ?? riders[0];
  const scale = useScale(scene, guide, riders, size, window_, length);

  return (
    <section className="sheet-pane" aria-label="Pace sheet">
      <Routes guide={guide} riders={riders} selected={selected} />
      <Transport zoomed={window_ !== null} onShowAll={() => setWindow(null)} />
      <div className="sheet-host" ref={host}>
        {guide && scale && riders.length > 0 ? (
          <Chart
            guide={guide}
            riders={riders}
            selected={selected}
            scale={scale}
            size={size}
            ribbon={RIBBON}
            onWindow={setWindow}
          />
        ) : (
          <EmptySheet guide={guide} />
        )}
      </div>
    </section>
  );
}

function useScale(
  scene: Scene,
  guide: Guide | undefined,
  riders: readonly Rider[],
  size: { width: number; height: number },
  window_: readonly [number, number] | null,
  length: number,
): SheetScale | undefined {
  return useMemo(() => {
    if (!guide || size.width < 120 || size.height < 120) return undefined;
    const path = pathOfGuide(guide);
    const { low, high } = reachOf(scene, riders, path.length, guide.closed);
    const pad = (high - low) * 0.02;
    return {
      left: NAMES,
      right: size.width - 16,
      top: STRIP + 12,
      bottom: size.height - RIBBON - 14,
      from: window_?.[0] ?? -MARGIN * length,
      to: window_?.[1] ?? (1 + MARGIN) * length,
      low: low - pad,
      high: high + pad,
    };
  }, [scene, guide, riders, size, window_, length]);
}

function EmptySheet({ guide }: { guide: Guide | undefined }) {
  const hasRider = useCalmState((state) => riderById(state.shown, state.selection.riders[0] ?? '') !== undefined);
  return (
    <div className="empty-sheet">
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

function useSize(host: RefObject<HTMLElement | null>): { width: number; height: number } {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const element = host.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, [host]);
  return size;
}
