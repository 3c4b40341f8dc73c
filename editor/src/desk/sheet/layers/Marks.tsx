import type { KeyboardEvent } from 'react';
import {
  copiesInView,
  foldingOf,
  xOfTime,
  yOfDistance,
  type Axes,
  type Guide,
  type Mark,
  type Rider,
  type Scene,
  type Shown,
} from '@pace-line/core';
import { selectRider } from '../../../document/index.ts';
import { footOfMark, restHandleX } from '../../../tools/sheet/index.ts';
import { isTabStop } from '../../actions/parts-in-order.ts';
import { nudge } from '../../actions/moving.ts';
import { useDesk } from '../../context.ts';
import { wayOfArrow } from '../arrows.ts';
import { inRouteColor } from '../tints.ts';
import { markLabel, seconds } from '../../labels.ts';

interface MarksProps {
  readonly scene: Scene;
  readonly guide: Guide;
  readonly rider: Rider;
  readonly axes: Axes;
  readonly length: number;
  readonly chosen: readonly string[];
}

/** The selected rider's marks: rings, the flats of their rests, the words of a single chosen one. */
export function Marks({ scene, guide, rider, axes, length, chosen }: MarksProps) {
  const folding = foldingOf(rider, scene.clock);
  return (
    <g className="marks" style={inRouteColor(guide.color)}>
      {rider.pace.marks.flatMap((mark, i) =>
        copiesInView(axes, folding, mark.time, length).map(({ shown, isFirst }, copy) => (
          <MarkRing
            key={`${mark.id}-${copy}`}
            {...{ rider, mark, axes, shown, chosen }}
            distance={footOfMark(guide, rider, mark)}
            isFirst={isFirst}
            isStop={isTabStop(chosen, mark.id, i)}
          />
        )),
      )}
    </g>
  );
}

interface MarkRingProps {
  readonly rider: Rider;
  readonly mark: Mark;
  readonly axes: Axes;
  readonly shown: Shown;
  readonly distance: number;
  readonly chosen: readonly string[];
  /** The copy that is reached by keyboard. */
  readonly isFirst: boolean;
  /** Tab comes to it; to the others one goes from there. */
  readonly isStop: boolean;
}

function MarkRing({ rider, mark, axes, shown, distance, chosen, isFirst, isStop }: MarkRingProps) {
  const desk = useDesk();
  const x = xOfTime(axes, shown.time);
  const y = yOfDistance(axes, distance);
  if (x < axes.left - 4 || x > axes.right + 4) return null;
  const isChosen = chosen.includes(mark.id);
  const rest = restHandleX(axes, shown, mark);
  const reached = isFirst
    ? ({
        'data-part': mark.id,
        tabIndex: isStop ? 0 : -1,
        role: 'button',
        'aria-pressed': isChosen,
        'aria-label': markLabel(rider, mark, distance),
        onKeyDown: (event: KeyboardEvent) => {
          const way = wayOfArrow(event);
          if (!way) return;
          if (!isChosen) desk.doc.select(selectRider(rider.id, [mark.id]));
          nudge(desk, way[0], way[1]);
        },
        onFocus: () => {
          if (!isChosen) desk.doc.select(selectRider(rider.id, [mark.id]));
        },
      } as const)
    : {};
  return (
    <g className={`mark ${isChosen ? 'selected' : ''}`} data-mark={mark.id} {...reached}>
      {(mark.dwell > 0 || isChosen) && (
        <>
          <line className="rest-line" x1={x} x2={rest} y1={y} y2={y} />
          <path className="rest-end" d={`M${rest} ${y - 6}V${y + 6}`} data-rest={mark.id} />
        </>
      )}
      <circle className="mark-ring" cx={x} cy={y} r={5.5} />
      {isChosen && chosen.length === 1 && <MarkWords mark={mark} x={x} y={y} axes={axes} />}
    </g>
  );
}

function MarkWords({ mark, x, y, axes }: { mark: Mark; x: number; y: number; axes: Axes }) {
  const words = mark.dwell > 0 ? `${seconds(mark.time)}, rests ${seconds(mark.dwell)}` : seconds(mark.time);
  const width = words.length * 6.4 + 14;
  const left = x > axes.right - 120 ? x - 10 - width : x + 10;
  return (
    <g className="mark-label" transform={`translate(${left} ${y - 28 < axes.top ? y + 12 : y - 28})`}>
      <rect width={width} height={18} rx={3} />
      <text x={7} y={13}>
        {words}
      </text>
    </g>
  );
}
