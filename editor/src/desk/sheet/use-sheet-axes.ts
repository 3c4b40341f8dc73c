import { useMemo, useState } from 'react';
import { guideById, pathOfGuide, prepare, reachOfRiders, ridersOf, type Axes, type Scene } from '@pace-line/core';
import { HEADING_STRIP } from '../../figures/sheet/index.ts';
import { STRIP_HEIGHT } from '../../tools/sheet/index.ts';
import { useDeskView, usePreferences } from '../view.ts';

/** Share of the loop repeated on either side of it, so that the seam shows. */
export const MARGIN = 0.06;
/** Height of the speed ribbon under the chart, and width of the names left of it, px. */
const RIBBON = 92;
const NAMES = 92;

/** Whether the line of the heading is shown: while its card is open, or where one asked for it. */
export function useShowsHeading(): boolean {
  const asked = usePreferences((state) => state.seeing.heading);
  const isOpen = useDeskView((state) => state.openCard === 'heading');
  return asked || isOpen;
}

/** Share of the reach that is left free above and below it. */
const PADDING = 0.02;
/** px of height. Under a lower sheet charts stand in for the strip of speed. */
const ROOMY = 230;
/** px. A pane smaller than this shows no chart. */
const SMALLEST = 120;

/** Where time stands on a sheet that shows no route. */
export const timeAxes = (
  size: { readonly width: number; readonly height: number },
  length: number,
  stretch: readonly [number, number] | null,
): Axes => ({
  left: NAMES,
  right: size.width - 16,
  top: 0,
  bottom: size.height,
  from: stretch?.[0] ?? -MARGIN * length,
  to: stretch?.[1] ?? (1 + MARGIN) * length,
  low: 0,
  high: 1,
});

/**
 * Where time and distance stand on the sheet: the loop with its margins, or the stretch of time that was zoomed to; all that the riders reach. The same
 * object as long as its numbers are the same, so that what is drawn with it can stand.
 */
export function useSheetAxes(
  scene: Scene,
  route: string | undefined,
  size: { readonly width: number; readonly height: number },
  stretch: readonly [number, number] | null,
): Axes | undefined {
  const charts = useDeskView((state) => state.charts);
  const hasRibbon = !charts || size.height >= ROOMY;
  const below = (hasRibbon ? RIBBON : 0) + (useShowsHeading() ? HEADING_STRIP : 0);
  const axes = useMemo(() => {
    const guide = guideById(scene, route ?? null);
    if (!guide || size.width < SMALLEST || size.height < SMALLEST) return undefined;
    const motion = prepare(scene);
    const moving = ridersOf(scene, guide.id).flatMap(({ id }) => motion.rider(id) ?? []);
    const { low, high } = reachOfRiders(moving, pathOfGuide(guide).length, guide.closed);
    const pad = (high - low) * PADDING;
    return {
      left: NAMES,
      right: size.width - 16,
      top: STRIP_HEIGHT + 12,
      bottom: size.height - below - 14,
      from: stretch?.[0] ?? -MARGIN * motion.length,
      to: stretch?.[1] ?? (1 + MARGIN) * motion.length,
      low: low - pad,
      high: high + pad,
      ...(hasRibbon ? {} : { ribbon: 0 }),
    };
  }, [scene, route, size, stretch, below, hasRibbon]);
  const [kept, keep] = useState(axes);
  if (isSame(kept, axes)) return kept;
  keep(axes);
  return axes;
}

const isSame = (a: Axes | undefined, b: Axes | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && MEASURES.every((measure) => a[measure] === b[measure]));

const MEASURES = [
  'left',
  'right',
  'top',
  'bottom',
  'from',
  'to',
  'low',
  'high',
  'ribbon',
] as const satisfies readonly (keyof Axes)[];
