import { useMemo } from 'react';
import { pathOfGuide, prepare, reachOfRiders, type Axes, type Guide, type Rider, type Scene } from '@pace-line/core';
import { STRIP_HEIGHT } from '../../tools/sheet/index.ts';

/** Share of the loop repeated on either side of it, so that the seam shows. */
export const MARGIN = 0.06;
/** Height of the speed ribbon under the chart, and width of the names left of it, px. */
export const RIBBON = 92;
const NAMES = 92;
/** Share of the reach that is left free above and below it. */
const PADDING = 0.02;
/** px. A pane smaller than this shows no chart. */
const SMALLEST = 120;

/** Where time and distance stand on the sheet: the loop with its margins, or the stretch of time that was zoomed to; all that the riders reach. */
export function useSheetAxes(
  scene: Scene,
  guide: Guide | undefined,
  riders: readonly Rider[],
  size: { readonly width: number; readonly height: number },
  stretch: readonly [number, number] | null,
): Axes | undefined {
  return useMemo(() => {
    if (!guide || size.width < SMALLEST || size.height < SMALLEST) return undefined;
    const motion = prepare(scene);
    const moving = riders.flatMap(({ id }) => motion.rider(id) ?? []);
    const { low, high } = reachOfRiders(moving, pathOfGuide(guide).length, guide.closed);
    const pad = (high - low) * PADDING;
    return {
      left: NAMES,
      right: size.width - 16,
      top: STRIP_HEIGHT + 12,
      bottom: size.height - RIBBON - 14,
      from: stretch?.[0] ?? -MARGIN * motion.length,
      to: stretch?.[1] ?? (1 + MARGIN) * motion.length,
      low: low - pad,
      high: high + pad,
    };
  }, [scene, guide, riders, size, stretch]);
}
