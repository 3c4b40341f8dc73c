import { Slider } from '@mantine/core';
import { useState } from 'react';
import {
  fairGuide,
  guideById,
  nodesThrough,
  setOutline,
  simplifyGuide,
  transformGuides,
  type Guide,
  type Scene,
} from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { DEGREES, NumberField, PERCENT } from '../../../fields/index.ts';
import { offered } from '../../actions/change.ts';
import { scaleSelection, turnSelection } from '../../actions/transforming.ts';
import { useDesk } from '../../context.ts';
import { sceneOf } from '../../desk.ts';
import { useTrial } from '../../use-trial.ts';
import { useDeskView } from '../../view.ts';
import { Row } from '../Card.tsx';

interface FitRowsProps {
  readonly guide: Guide;
  readonly nodes: readonly string[];
}

/** Scale and turn in numbers, and changes of the outline that are tried out live. */
export function FitRows({ guide, nodes }: FitRowsProps) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.committed);
  const stroke = useDeskView((state) => state.lastStroke);
  if (offered(scene, transformGuides, { ids: [guide.id], matrix: [1, 0, 0, 1, 0, 0] }).disabled) return null;
  return (
    <>
      <Row label="Scale, turn by">
        <NumberField
          label="Scale the selection by"
          value={100}
          unit="%"
          units={PERCENT}
          min={1}
          max={10_000}
          onCommit={(percent) => scaleSelection(desk, percent / 100)}
        />
        <NumberField
          label="Turn the selection by"
          value={0}
          unit="°"
          units={DEGREES}
          onCommit={(degrees) => turnSelection(desk, degrees)}
        />
      </Row>
      <LiveRow
        label="Simplify"
        unit="px"
        max={20}
        step={0.5}
        from={guide}
        change={(base, tolerance) => simplifyGuide(base, { guide: guide.id, tolerance })}
      />
      <LiveRow
        label="Fair"
        unit="%"
        max={100}
        step={2}
        from={guide}
        change={(base, percent) =>
          fairGuide(base, { guide: guide.id, nodes: nodes.length > 1 ? nodes : [], strength: percent / 100 })
        }
      />
      {stroke?.kind === 'points' && stroke.guide === guide.id && (
        <LiveRow
          label="Roundness"
          unit="%"
          max={100}
          step={5}
          first={100}
          from={guide}
          change={(base, percent) => {
            const round = nodesThrough(stroke.points, percent / 100, stroke.closed);
            const now = guideById(sceneOf(desk), guide.id) ?? guide;
            const bent = now.nodes.map((node, i) => ({ ...node, in: round[i]?.in, out: round[i]?.out }));
            return setOutline(base, { guide: guide.id, nodes: bent, closed: stroke.closed });
          }}
        />
      )}
    </>
  );
}

interface LiveRowProps {
  readonly label: string;
  readonly unit: string;
  readonly max: number;
  readonly step: number;
  readonly first?: number;
  readonly from: Guide;
  readonly change: (scene: Scene, value: number) => Scene;
}

/** A change that is tried out as its slider moves, always from the guide as it was when the slider was taken; one step of undo. */
function LiveRow({ label, unit, max, step, first = 0, from, change }: LiveRowProps) {
  const trial = useTrial();
  const [value, setValue] = useState(first);
  const count = from.nodes.length;
  const move = (next: number): void => {
    setValue(next);
    trial.show(label, (base) => (next === 0 && first === 0 ? base : change(base, next)));
  };
  const end = (): void => trial.rest(() => first === 0 && setValue(0));
  return (
    <Row label={label}>
      <Slider
        className="live-slider"
        size="xs"
        min={0}
        max={max}
        step={step}
        value={value}
        onChange={move}
        onChangeEnd={end}
        label={null}
        thumbLabel={`${label}, ${unit}`}
      />
      <span className="figures option-value">{value > 0 ? `${value} ${unit}` : `${count} nodes`}</span>
    </Row>
  );
}
