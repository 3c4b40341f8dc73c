import { guideById, riderById, type Rider } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { shape } from '../shapes.ts';
import { lyingOn, placeOf } from './lying.ts';
import type { CanvasNow } from './now.ts';
import { ticksOf, type Ticks } from './spacing.ts';

/** The rider whose spacing is shown: the selected one, or the first of the selected guide. */
function spacedRider({ scene, selection }: CanvasNow): Rider | undefined {
  const [guide] = selection.guides;
  const rider = riderById(scene, selection.riders[0] ?? '');
  return rider ?? scene.riders.find((one) => one.guide !== null && one.guide === guide);
}

/** The spacing ticks of the selected rider where its guide is seen. */
export function ticksNow(now: CanvasNow): Ticks | null {
  const rider = spacedRider(now);
  const guide = guideById(now.scene, rider?.guide ?? null);
  return rider && guide?.visible ? ticksOf(now.scene, rider, now.view.zoom) : null;
}

/**
 * The spacing ticks, over the guides. While a guide is bent they move in every frame and the guides' lines do not: they are a layer of their own, so
 * that a long guide is not stroked again with them.
 */
export const ticks: Figure<CanvasNow> = {
  id: 'ticks',
  of(now) {
    const { scene, committed, selection, view } = now;
    const rider = spacedRider(now);
    const guide = guideById(scene, rider?.guide ?? null);
    return [
      rider,
      guide,
      scene.clock,
      view.zoom,
      scene !== committed,
      selection.guides.length > 0,
      placeOf(now, guide),
    ];
  },
  draw(now) {
    const found = ticksNow(now);
    if (!found) return null;
    const look = [now.selection.guides.length > 0 && 'on-top', now.scene !== now.committed && 'bending'];
    return {
      look: look.filter(Boolean).join(' '),
      parts: [
        lyingOn(now, found.guide, found.guide.id, () => [
          shape('path', { class: 'tick-casing', d: found.short + found.long }),
          shape('path', { class: 'tick', d: found.short }),
          shape('path', { class: 'tick long', d: found.long }),
        ]),
      ],
    };
  },
};
