import { memo } from 'react';
import { useDocumentState } from '../../../document/index.ts';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';
import { CarriedWith } from './CarriedWith.tsx';
import type { Ticks } from './ticks.ts';

/**
 * The spacing ticks, over the guides. While a guide is bent they move in every frame and the guides' lines do not: they are a layer of their own, so
 * that a long guide is not stroked again with them.
 */
export const TickLayer = memo(function TickLayer({ ticks, isOnTop }: { ticks: Ticks | null; isOnTop: boolean }) {
  const view = useDeskView((state) => state.view);
  const bending = useDocumentState((state) => state.shown !== state.committed);
  if (!ticks) return null;
  return (
    <svg className={`overlay ticks ${isOnTop ? 'on-top' : ''} ${bending ? 'bending' : ''}`} aria-hidden>
      <g transform={cssMatrix(view)}>
        <CarriedWith key={ticks.guide.id} guide={ticks.guide.id} carrier={ticks.guide.carrier}>
          {() => (
            <>
              <path className="tick-casing" d={ticks.short + ticks.long} />
              <path className="tick" d={ticks.short} />
              <path className="tick long" d={ticks.long} />
            </>
          )}
        </CarriedWith>
      </g>
    </svg>
  );
});
