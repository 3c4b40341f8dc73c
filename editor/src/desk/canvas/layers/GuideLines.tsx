import { memo } from 'react';
import { riderById, type Scene } from '@pace-line/core';
import { useDocumentState, type Selection } from '../../../document/index.ts';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';
import { GuideLine } from './GuideLine.tsx';
import type { Ticks } from './ticks.ts';

interface LinesProps {
  readonly scene: Scene;
  readonly selection: Selection;
  readonly ticks: Ticks | null;
}

/** Guides as lines and the spacing ticks. They lie under the riders while one watches, over all while a guide is edited. */
export const GuideLines = memo(function GuideLines({ scene, selection, ticks }: LinesProps) {
  const view = useDeskView((state) => state.view);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const editing = selection.guides.length > 0;
  const bending = useDocumentState((state) => state.shown !== state.committed);
  return (
    <svg className={`overlay lines ${editing ? 'on-top' : ''} ${bending ? 'bending' : ''}`} aria-hidden>
      <g transform={cssMatrix(view)}>
        {scene.guides.map((one) =>
          one.visible ? (
            <GuideLine
              key={one.id}
              guide={one}
              isSelected={selection.guides.includes(one.id) || rider?.guide === one.id}
            />
          ) : null,
        )}
        {ticks && (
          <g className="ticks">
            <path className="tick-casing" d={ticks.short + ticks.long} />
            <path className="tick" d={ticks.short} />
            <path className="tick long" d={ticks.long} />
          </g>
        )}
      </g>
    </svg>
  );
});
