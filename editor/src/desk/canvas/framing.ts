import { useEffect, type RefObject } from 'react';
import type { Box, Told } from '@pace-line/core';
import { fitted, type ViewTransform } from '../../figures/view-transform.ts';
import { useDeskView } from '../view.ts';

/** px of the pane about a place in which it is not well seen. */
const EDGE = 28;
/** px on screen below which a gap or a patch cannot be read. */
const READ = 24;
/** px of the canvas that are shown about a place at least, so that one sees whose it is. */
const ABOUT = 90;
/** A place that is zoomed in on is not enlarged more than this. */
const MOST_ZOOM = 5;

interface Pane {
  readonly width: number;
  readonly height: number;
}

/** What of the canvas a finding lies on; undefined where it has no place. */
function boxOf({ place, patch = [] }: Told): Box | undefined {
  if (!place) return undefined;
  const xs = place.map(([x]) => x);
  const ys = place.map(([, y]) => y);
  for (const ring of patch)
    for (let i = 0; i + 1 < ring.length; i += 2) {
      xs.push(ring[i] ?? 0);
      ys.push(ring[i + 1] ?? 0);
    }
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

/** The view in which a finding's place is well seen: the one that there is where that shows it large enough, else one about the place. */
export function framed(finding: Told, view: ViewTransform, pane: Pane): ViewTransform {
  const box = boxOf(finding);
  if (!box) return view;
  const { zoom } = view;
  const [left, right] = [box.left * zoom + view.x, box.right * zoom + view.x];
  const [top, bottom] = [box.top * zoom + view.y, box.bottom * zoom + view.y];
  const isIn = left >= EDGE && top >= EDGE && right <= pane.width - EDGE && bottom <= pane.height - EDGE;
  const size = Math.max(right - left, bottom - top);
  if (isIn && (size >= READ || size === 0 || zoom >= MOST_ZOOM)) return view;
  const wide = {
    left: box.left - ABOUT,
    right: box.right + ABOUT,
    top: box.top - ABOUT,
    bottom: box.bottom + ABOUT,
  };
  const near = fitted(wide, pane, EDGE);
  if (near.zoom <= MOST_ZOOM) return near;
  const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  return { zoom: MOST_ZOOM, x: pane.width / 2 - x * MOST_ZOOM, y: pane.height / 2 - y * MOST_ZOOM };
}

/** Brings what is looked at of the findings into sight, whenever another is. */
export function useFraming(surface: RefObject<HTMLDivElement | null>): void {
  useEffect(
    () =>
      useDeskView.subscribe(({ finding, view }, { finding: before }) => {
        const pane = surface.current;
        if (!pane || !finding || finding === before || finding.isKept) return;
        const next = framed(finding.finding, view, { width: pane.clientWidth, height: pane.clientHeight });
        if (next !== view) useDeskView.getState().set({ view: next });
      }),
    [surface],
  );
}
