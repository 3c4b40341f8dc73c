import { memo, useRef, type ReactNode } from 'react';
import type { Guide } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { useFrame } from '../../../scene/context.ts';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';
import { GuideLine } from './GuideLine.tsx';

interface LinesProps {
  readonly guides: readonly Guide[];
  readonly selection: Selection;
  /** The guide of the selected rider. */
  readonly ridden: string | null;
}

/** What lies in a rider's frame goes with it. Moved in the frame, not by React. */
function CarriedWith({ carrier, children }: { carrier: string | null; children: ReactNode }) {
  return carrier === null ? children : <CarriedGroup carrier={carrier}>{children}</CarriedGroup>;
}

function CarriedGroup({ carrier, children }: { carrier: string; children: ReactNode }) {
  const group = useRef<SVGGElement>(null);
  useFrame(({ motion, time }) => {
    const pose = motion.rider(carrier)?.poseAt(time);
    const matrix = pose && Array.from({ length: 6 }, (_, i) => (pose[i] ?? 0).toFixed(4));
    if (matrix) group.current?.setAttribute('transform', `matrix(${matrix.join(' ')})`);
  });
  return <g ref={group}>{children}</g>;
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
            <CarriedWith key={one.id} carrier={one.carrier}>
              <GuideLine guide={one} isSelected={selection.guides.includes(one.id) || ridden === one.id} />
            </CarriedWith>
          ) : null,
        )}
      </g>
    </svg>
  );
});
