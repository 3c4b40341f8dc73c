import { Checkbox } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import {
  knotsOf,
  withoutShapingPoint,
  withShapingAt,
  withShapingPoint,
  withShapingSlope,
  type Shaped,
} from '@pace-line/core';
import { NumberField, PERCENT } from '../../fields/index.ts';
import { change } from '../actions/change.ts';
import { PlainRow } from '../cards/Card.tsx';
import { useDesk } from '../context.ts';
import type { EaseEdit } from './ease-edit.ts';

type Set = (label: string, next: Shaped) => void;

/** The points of a leg that is bent by hand, in numbers: shares of its time and of its way, smooth or sharp. */
export function ShapingRows({ ease, edit }: EaseEdit & { readonly ease: Shaped }) {
  const desk = useDesk();
  const set: Set = (label, next) => change(desk, label, (scene) => edit(scene, next));
  return (
    <>
      {ease.points.length > 0 && (
        <table className="shaping">
          <thead>
            <tr>
              <th scope="col">time</th>
              <th scope="col">way</th>
              <th scope="col">sharp</th>
              <th scope="col">
                <span className="visually-hidden">take away</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {ease.points.map((_, i) => (
              <PointRow key={i} ease={ease} index={i} set={set} />
            ))}
          </tbody>
        </table>
      )}
      <PlainRow label="Shaping points">
        <button
          type="button"
          className="small-button"
          onClick={() => set('Add a shaping point', withShapingPoint(ease, widestGap(ease)).ease)}
        >
          add one
        </button>
      </PlainRow>
      <p className="card-note">On the sheet: drag the line of the leg to bend it there.</p>
    </>
  );
}

/** The middle of the longest piece without a point, as a share of the time. */
function widestGap(ease: Shaped): number {
  const times = knotsOf(ease).map(({ time }) => time);
  let best = { wide: 0, middle: 0.5 };
  for (let i = 0; i + 1 < times.length; i++) {
    const [from = 0, to = 1] = [times[i], times[i + 1]];
    if (to - from > best.wide) best = { wide: to - from, middle: (from + to) / 2 };
  }
  return best.middle;
}

function PointRow({ ease, index, set }: { readonly ease: Shaped; readonly index: number; readonly set: Set }) {
  const point = ease.points[index];
  const knot = knotsOf(ease)[index + 1];
  if (!point || !knot) return null;
  const name = `point ${index + 1}`;
  const move = (time: number, way: number): void => set('Move a shaping point', withShapingAt(ease, index, time, way));
  const percent = { unit: '%', units: PERCENT, digits: 1 } as const;
  return (
    <tr>
      <td>
        <NumberField
          label={`Time of ${name}`}
          value={point.time * 100}
          {...percent}
          min={0.4}
          max={99.6}
          onCommit={(time) => move(time / 100, point.way)}
        />
      </td>
      <td>
        <NumberField
          label={`Way of ${name}`}
          value={point.way * 100}
          {...percent}
          min={-2000}
          max={2000}
          onCommit={(way) => move(point.time, way / 100)}
        />
      </td>
      <td>
        <Checkbox
          size="xs"
          aria-label={`The ${name} is sharp`}
          checked={Array.isArray(point.slope)}
          onChange={(event) =>
            set(
              'Change a shaping point',
              withShapingSlope(ease, index, event.currentTarget.checked ? [knot.left, knot.right] : null),
            )
          }
        />
      </td>
      <td>
        <button
          type="button"
          className="plain-button"
          aria-label={`Take ${name} away`}
          onClick={() => set('Remove a shaping point', withoutShapingPoint(ease, index))}
        >
          <IconTrash size={14} aria-hidden />
        </button>
      </td>
    </tr>
  );
}
