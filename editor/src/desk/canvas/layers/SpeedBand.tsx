import { memo, useMemo } from 'react';
import { guideById, riderById } from '@pace-line/core';
import { useSpacingState } from '../../../document/index.ts';
import { useDeskView, usePreferences } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';
import { CarriedWith } from './CarriedWith.tsx';
import { bandOf } from './speed-band.ts';

/** The selected rider's speed along its guide: a band at the guide's left as wide as it is fast, at its right where it backs up. */
export const SpeedBand = memo(function SpeedBand({ zoom }: { zoom: number }) {
  const isShown = usePreferences((state) => state.seeing.speeds);
  return isShown ? <Band zoom={zoom} /> : null;
});

function Band({ zoom }: { zoom: number }) {
  const view = useDeskView((state) => state.view);
  const scene = useSpacingState((state) => state.shown);
  const rider = useSpacingState(({ shown, selection }) => riderById(shown, selection.riders[0] ?? ''));
  const guide = guideById(scene, rider?.guide ?? null);
  const isRiding = guide?.visible === true;
  const band = useMemo(() => (rider && isRiding ? bandOf(scene, rider, zoom) : null), [scene, rider, isRiding, zoom]);
  if (!band || !guide) return null;
  return (
    <svg className="overlay speed-band" aria-hidden style={{ color: guide.color }}>
      <g transform={cssMatrix(view)}>
        <CarriedWith key={guide.id} guide={guide.id} carrier={guide.carrier}>
          {() => (
            <>
              <path className="band" d={band.forward} />
              <path className="band back" d={band.back} />
            </>
          )}
        </CarriedWith>
      </g>
    </svg>
  );
}
