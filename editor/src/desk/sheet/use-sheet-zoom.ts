import { useEffect, type RefObject } from 'react';
import { secondsPerPx, timeAtX, type Axes } from '@pace-line/core';
import { MARGIN } from './use-sheet-axes.ts';

export type Stretch = readonly [from: number, to: number] | null;

/** Share of the loop that can be zoomed to at least. */
const CLOSEST = 1 / 200;

/** Zoomed in time by a factor about a place, px; null: the whole loop. */
export const zoomedStretch = (axes: Axes, length: number, factor: number, x: number): Stretch =>
  pinchedStretch(axes, length, { x, dx: 0, scale: 1 / factor });

/** Zoomed and moved so that what was under the middle of two fingers still is, that now being at x px, `dx` px from where it was. */
export function pinchedStretch(
  axes: Axes,
  length: number,
  { x, dx, scale }: { readonly x: number; readonly dx: number; readonly scale: number },
): Stretch {
  const [least, most] = [-MARGIN * length, (1 + MARGIN) * length];
  const next = Math.min(Math.max((axes.to - axes.from) / scale, length * CLOSEST), most - least);
  if (next >= most - least - 1e-9) return null;
  const share = (x - axes.left) / (axes.right - axes.left);
  const from = Math.min(Math.max(timeAtX(axes, x - dx) - share * next, least), most - next);
  return [from, from + next];
}

/** Moved in time by so many px. */
export function pannedStretch(axes: Axes, length: number, px: number): Stretch {
  const [least, most] = [-MARGIN * length, (1 + MARGIN) * length];
  const width = axes.to - axes.from;
  if (width >= most - least - 1e-9) return null;
  const from = Math.min(Math.max(axes.from + px * secondsPerPx(axes), least), most - width);
  return [from, from + width];
}

/** Ctrl-wheel zooms in time about the pointer, the wheel alone pans. */
export function useSheetWheel(
  svg: RefObject<SVGSVGElement | null>,
  axes: Axes,
  length: number,
  onStretch: (stretch: Stretch) => void,
): void {
  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const x = event.clientX - element.getBoundingClientRect().left;
      onStretch(
        event.ctrlKey || event.metaKey
          ? zoomedStretch(axes, length, Math.exp(event.deltaY * 0.0022), x)
          : pannedStretch(axes, length, event.deltaX || event.deltaY),
      );
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [svg, axes, length, onStretch]);
}
