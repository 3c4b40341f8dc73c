import { memo } from 'react';
import type { Guide } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';
import { CarriedWith } from './CarriedWith.tsx';
import { GuideLine } from './GuideLine.tsx';

interface LinesProps {
  readonly guides: readonly Guide[];
  readonly selection: Selection;
  /** The guide of the selected rider. */
  readonly ridden: string | null;
}

/** Guides as lines. They lie under the riders while one watches, over all while a guide is edited. */
export const GuideLines = memo(function GuideLines({ guides, selection, ridden }: LinesProps) {
  const view = useDeskView((state) => state.view);
  const editing = selection.guides.length > 0;
  return (
    <svg className={`overlay lines ${editing ? 'on-top' : ''}`} aria-hidden>
      <g transform={cssMatrix(view)}>
        {guides.map((one) =>
          one.visible ? (
            <CarriedWith key={one.id} guide={one.id} carrier={one.carrier}>
              {() => <GuideLine guide={one} isSelected={selection.guides.includes(one.id) || ridden === one.id} />}
            </CarriedWith>
          ) : null,
        )}
      </g>
    </svg>
  );
});
