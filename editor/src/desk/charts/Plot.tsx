import { useComputedColorScheme } from '@mantine/core';
import {
  Chart as ChartJs,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartEvent,
  type ChartOptions,
} from 'chart.js';
import { dequal } from 'dequal/lite';
import { useMemo, useRef, useState, type RefObject } from 'react';
import { Line } from 'react-chartjs-2';
import type { Axes, Measure } from '@pace-line/core';
import { useFrame } from '../../scene/context.ts';
import { LimitLine } from './LimitLine.tsx';
import type { Across, QuantityWords } from './quantities.ts';

ChartJs.register(LinearScale, LineController, LineElement, PointElement, Tooltip);
ChartJs.defaults.font.family = getComputedStyle(document.body).fontFamily;

export interface PlottedCurve {
  readonly id: string;
  readonly name: string;
  readonly isSelected: boolean;
  readonly dash: string | undefined;
  readonly measures: readonly Measure[];
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly marks: readonly { readonly kind: 'peak' | 'stall'; readonly x: number; readonly y: number }[];
}

interface PlotProps {
  readonly curves: readonly PlottedCurve[];
  readonly color: string;
  readonly what: QuantityWords;
  readonly across: Across;
  /** The sheet's: time stands in the chart where it stands there. */
  readonly axes: Axes;
  readonly length: number;
  readonly limit: number;
  readonly onLimit: (limit: number) => void;
  readonly onTime: (time: number) => void;
}

type Points = { x: number; y: number }[];

/** px above and right of what is drawn: the right is the sheet's. */
const [ABOVE, RIGHT] = [8, 16];

type Area = { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };

/** The chart itself: values under the pointer, a click brings the playhead there, the limit is dragged. */
export default function Plot({ curves, color, what, across, axes, length, limit, onLimit, onTime }: PlotProps) {
  const chart = useRef<ChartJs<'line', Points> | null>(null);
  const rule = useRef<HTMLDivElement>(null);
  const colorScheme = useComputedColorScheme();
  const ink = useInk(colorScheme, color);
  const data = useMemo(() => ({ datasets: datasetsOf(curves, ink) }), [curves, ink]);
  const { area, watch } = useArea();
  const selected = curves.find(({ isSelected }) => isSelected) ?? curves[0];
  const options = useOptions({ across, axes, length, limit, what, ink, onTime, measures: selected?.measures }, chart);
  useFrame(({ time, motion }) => {
    const made = chart.current;
    const line = rule.current;
    if (!made || !line) return;
    const at = across === 'time' ? time : (motion.rider(selected?.id ?? '')?.distanceAt(time) ?? 0);
    const x = made.scales['x']?.getPixelForValue(at) ?? 0;
    const { left, right, top, bottom } = made.chartArea ?? { left: 0, right: 0, top: 0, bottom: 0 };
    line.style.visibility = x >= left && x <= right ? 'visible' : 'hidden';
    line.style.transform = `translate(${x}px, ${top}px)`;
    line.style.height = `${bottom - top}px`;
  });
  const names = curves.map(({ name }) => name).join(', ');
  return (
    <div className="chart-plot">
      <Line
        ref={chart}
        data={data}
        options={options}
        plugins={watch}
        role="img"
        aria-label={`${what.name} of ${names} over ${across === 'time' ? 'time' : 'the way'}`}
      />
      <div ref={rule} className="chart-playhead" aria-hidden />
      {area && (
        <LimitLine
          {...{ limit, area }}
          unit={what.unit}
          yOf={(value) => chart.current?.scales['y']?.getPixelForValue(value) ?? 0}
          valueAt={(y) => chart.current?.scales['y']?.getValueForPixel(y) ?? 0}
          onCommit={onLimit}
        />
      )}
    </div>
  );
}

interface OptionsOf extends Pick<PlotProps, 'across' | 'axes' | 'length' | 'limit' | 'what' | 'onTime'> {
  readonly ink: Ink;
  /** Of the rider whose place a press means. */
  readonly measures: readonly Measure[] | undefined;
}

/** How Chart.js draws it: its time where the sheet has it. */
function useOptions(
  { across, axes, length, limit, what, ink, onTime, measures }: OptionsOf,
  chart: RefObject<ChartJs<'line', Points> | null>,
): ChartOptions<'line'> {
  const { from, to, left } = axes;
  return useMemo((): ChartOptions<'line'> => {
    const axis = {
      ticks: { color: ink.muted, maxTicksLimit: 6 },
      grid: { color: ink.rule },
      border: { color: ink.muted },
    };
    return {
      animation: false,
      parsing: false,
      normalized: true,
      responsive: true,
      maintainAspectRatio: false,
      layout: { padding: { left: 0, right: RIGHT, top: ABOVE, bottom: 2 } },
      interaction: { mode: 'nearest', axis: 'x', intersect: false },
      scales: {
        x: {
          type: 'linear',
          // The times are named at the head of the sheet.
          ...(across === 'time' ? { min: from, max: to, display: false } : {}),
          title: { display: across !== 'time', text: 'distance along the guide, px', color: ink.muted },
          ...axis,
        },
        y: {
          title: { display: true, text: what.unit, color: ink.muted },
          ...axis,
          ...(limit > 0 ? { suggestedMax: limit * 1.1 } : {}),
          // As wide as the names left of the sheet.
          afterFit: (scale) => {
            scale.width = left;
          },
        },
      },
      plugins: {
        tooltip: {
          callbacks: {
            title: ([item]) =>
              across === 'time' ? `${(item?.parsed.x ?? 0).toFixed(2)} s` : `${(item?.parsed.x ?? 0).toFixed(0)} px`,
            label: (item) => `${item.dataset.label ?? ''}: ${(item.parsed.y ?? 0).toFixed(1)} ${what.unit}`,
          },
        },
      },
      onClick: (event: ChartEvent) => {
        const at = chart.current?.scales['x']?.getValueForPixel(event.x ?? 0);
        if (at === undefined) return;
        onTime(across === 'time' ? Math.min(length, Math.max(0, at)) : timeAtWay(measures ?? [], at));
      },
    };
  }, [across, from, to, left, limit, length, what, ink, onTime, measures, chart]);
}

/** Where the chart lies in its box, as Chart.js has laid it out; known again after each layout. */
function useArea() {
  const [area, setArea] = useState<Area | null>(null);
  const watch = useMemo(
    () => [
      {
        id: 'area',
        afterLayout({ chartArea, scales }: ChartJs) {
          const { left, right, top, bottom } = chartArea;
          // With the values at its edges: where these change, the limit stands elsewhere.
          const next = { left, right, top, bottom, low: scales['y']?.min, high: scales['y']?.max };
          setArea((was) => (was && dequal(was, next) ? was : next));
        },
      },
    ],
    [],
  );
  return { area, watch };
}

interface Ink {
  readonly ink: string;
  readonly muted: string;
  readonly rule: string;
  /** The route's colour, light enough for the paper. */
  readonly route: string;
}

/** The page's colours, as a canvas needs them. */
function useInk(scheme: string, color: string): Ink {
  return useMemo(() => {
    const style = getComputedStyle(document.documentElement);
    const of = (name: string): string => style.getPropertyValue(name).trim();
    const route = scheme === 'dark' ? lighter(color) : color;
    return { ink: of('--ink'), muted: of('--muted'), rule: of('--rule'), route };
  }, [scheme, color]);
}

/** A `#RRGGBB` half way to white. */
const lighter = (color: string): string =>
  `#${[1, 3, 5].map((at) => Math.round((parseInt(color.slice(at, at + 2), 16) + 255) / 2).toString(16)).join('')}`;

function datasetsOf(curves: readonly PlottedCurve[], { ink, muted, route }: Ink) {
  const lines = curves.map(({ name, isSelected, dash, points }) => ({
    label: name,
    data: points as Points,
    borderColor: isSelected ? route : muted,
    borderWidth: isSelected ? 2 : 1.25,
    borderDash: dash ? dash.split(' ').map(Number) : [],
    borderJoinStyle: 'round' as const,
    pointRadius: 0,
    pointHitRadius: 8,
  }));
  const marks = curves.flatMap(({ marks: list, name }) =>
    (['peak', 'stall'] as const).map((kind) => ({
      label: `${name}, ${kind}`,
      data: list.filter((one) => one.kind === kind).map(({ x, y }) => ({ x, y })),
      showLine: false,
      borderColor: ink,
      backgroundColor: kind === 'peak' ? ink : 'transparent',
      pointStyle: kind === 'peak' ? ('triangle' as const) : ('rectRot' as const),
      pointRadius: 4,
      borderWidth: 1.5,
    })),
  );
  return [...lines, ...marks.filter(({ data }) => data.length > 0)];
}

/** The first time at which a rider is at a place of its way. */
function timeAtWay(measures: readonly Measure[], distance: number): number {
  let best = measures[0];
  for (const one of measures)
    if (!best || Math.abs(one.distance - distance) < Math.abs(best.distance - distance)) best = one;
  return best?.time ?? 0;
}
