import { memo } from 'react';
import { riderById, type Scene } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';
import { GuideLine } from './GuideLine.tsx';

interface LinesProps {
  readonly scene: Scene;
  readonly selection: Selection;
}

/** Guides as lines. They lie under the riders while one watches, over all while a guide is edited. */
export const GuideLines = memo(function GuideLines({ scene, selection }: LinesProps) {
  const view = useDeskView((state) => state.view);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const editing = selection.guides.length > 0;
  return (
    <svg className={`overlay lines ${editing ? 'on-top' : ''}`} aria-hidden>
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
      </g>
    </svg>
  );
});
