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
import { Row } from '../cards/Card.tsx';
import { useDesk } from '../context.ts';
import type { EaseEdit } from './EaseField.tsx';

/** The points of a leg that is bent by hand, in numbers: shares of its time and of its way, smooth or sharp. */
export function ShapingRows({ ease, edit }: EaseEdit & { readonly ease: Shaped }) {
  const desk = useDesk();
  const knots = knotsOf(ease);
  const set = (label: string, next: Shaped): void => change(desk, label, (scene) => edit(scene, next));
  const widest = knots.slice(1).reduce(
    (best, knot, i) => {
      const from = knots[i]?.time ?? 0;
      return knot.time - from > best.wide ? { wide: knot.time - from, middle: (knot.time + from) / 2 } : best;
    },
    { wide: 0, middle: 0.5 },
  );
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
            {ease.points.map((point, i) => {
              const knot = knots[i + 1];
              return (
                <tr key={i}>
                  <td>
                    <NumberField
                      label={`Time of point ${i + 1}`}
                      value={point.time * 100}
                      unit="%"
                      units={PERCENT}
                      digits={1}
                      min={0.4}
                      max={99.6}
                      onCommit={(time) => set('Move a shaping point', withShapingAt(ease, i, time / 100, point.way))}
                    />
                  </td>
                  <td>
                    <NumberField
                      label={`Way of point ${i + 1}`}
                      value={point.way * 100}
                      unit="%"
                      units={PERCENT}
                      digits={1}
                      min={-2000}
                      max={2000}
                      onCommit={(way) => set('Move a shaping point', withShapingAt(ease, i, point.time, way / 100))}
                    />
                  </td>
                  <td>
                    <Checkbox
                      size="xs"
                      aria-label={`Point ${i + 1} is sharp`}
                      checked={Array.isArray(point.slope)}
                      onChange={(event) =>
                        set(
                          'Change a shaping point',
                          withShapingSlope(
                            ease,
                            i,
                            event.currentTarget.checked ? [knot?.left ?? 1, knot?.right ?? 1] : null,
                          ),
                        )
                      }
                    />
                  </td>
                  <td>
                    <button
                      type="button"
                      className="plain-button"
                      aria-label={`Take point ${i + 1} away`}
                      onClick={() => set('Take a shaping point away', withoutShapingPoint(ease, i))}
                    >
                      <IconTrash size={14} aria-hidden />
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <Row label="Shaping points">
        <button
          type="button"
          className="small-button"
          onClick={() => set('Add a shaping point', withShapingPoint(ease, widest.middle).ease)}
        >
          add one
        </button>
      </Row>
      <p className="card-note">On the sheet: drag the line of the leg to bend it there.</p>
    </>
  );
}
