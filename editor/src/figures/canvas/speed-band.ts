import { guideById, riderById } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { shape } from '../shapes.ts';
import { bandOf } from './band.ts';
import { lyingOn, placeOf } from './lying.ts';
import type { CanvasNow } from './now.ts';

const chosen = ({ scene, selection }: CanvasNow) => {
  const rider = riderById(scene, selection.riders[0] ?? '');
  return { rider, guide: guideById(scene, rider?.guide ?? null) };
};

/** The selected rider's speed along its guide: a band at the guide's left as wide as it is fast, at its right where it backs up. */
export const speedBand: Figure<CanvasNow> = {
  id: 'speed-band',
  of(now) {
    const { rider, guide } = chosen(now);
    return [now.seeing.speeds, rider, guide, now.scene.clock, now.view.zoom, placeOf(now, guide)];
  },
  draw(now) {
    const { rider, guide } = chosen(now);
    const band = now.seeing.speeds && rider && guide?.visible && bandOf(now.scene, rider, now.view.zoom);
    if (!band) return null;
    return {
      style: `color: ${guide.color}`,
      parts: [
        lyingOn(now, guide, guide.id, () => [
          shape('path', { class: 'band', d: band.forward }),
          shape('path', { class: 'band back', d: band.back }),
        ]),
      ],
    };
  },
};
