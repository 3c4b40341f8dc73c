import { memo } from 'react';
import { prepare, xOfTime, type Axes } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { seamFigures } from '../../figures/seam.ts';
import { useSeam } from '../use-seam.ts';

interface SeamFiguresProps {
  readonly axes: Axes;
  readonly length: number;
  readonly rider: string | undefined;
}

/** The speeds with which a rider leaves the loop's end and its start, at the sheet's two edges, and the steps between them. */
export const SeamFigures = memo(function SeamFigures({ axes, length, rider }: SeamFiguresProps) {
  const seam = useSeam(rider);
  const moving = useDocumentState((state) => prepare(state.committed).rider(rider ?? ''));
  if (!seam) return null;
  const [zero, end] = [xOfTime(axes, 0), xOfTime(axes, length)];
  if (zero < axes.left - 1 || end > axes.right + 1) return null;
  // Where the line of such a rider is not: a rising one leaves the upper left and the lower right free.
  const rises = moving !== undefined && moving.distanceAt(length, -1) > moving.distanceAt(0);
  const turns = seam.turnSpeed > 0;
  const atTop = { top: axes.top + 22 };
  const atFoot = { bottom: `calc(100% - ${axes.bottom - 22}px)` };
  const figures = seamFigures(seam);
  const shown = figures.filter(({ shows }) => shows);
  const words = figures.map(({ name, text }) => `${name} ${text}`).join(', ');
  return (
    <div className="seam-figures" role="note" aria-label={`Steps at the seam: ${words}`} title={`Seam: ${words}`}>
      <span className="seam-speed figures" style={{ left: zero + 4, ...(rises || turns ? atTop : atFoot) }}>
        {Math.round(seam.speedAfter)} px/s
      </span>
      <span
        className={`seam-speed at-end figures ${shown.length > 0 ? 'bad' : ''}`}
        style={{ right: `calc(100% - ${end - 4}px)`, ...(rises ? atFoot : atTop) }}
      >
        {Math.round(seam.speedBefore)} px/s
        {shown.map(({ name, text }) => (
          <span key={name} className="seam-step">
            ! {name} {text}
          </span>
        ))}
      </span>
    </div>
  );
});
