import { Slider } from '@mantine/core';
import { useState } from 'react';
import { fairGuide, guideById, nodesThrough, setOutline, simplifyGuide, type Guide, type Scene } from '@pace-line/core';
import { DEGREES, PERCENT } from '../../../fields/index.ts';
import { scaleSelection, turnSelection } from '../../actions/transforming.ts';
import { useDesk } from '../../context.ts';
import { sceneOf } from '../../desk.ts';
import { useTrial } from '../../use-trial.ts';
import type { LastStroke } from '../../../tools/index.ts';
import { rowWords, type RowName } from '../../../words/rows.ts';
import { Row } from '../Card.tsx';
import { NumberRow } from '../rows.tsx';

interface FitRowsProps {
  readonly guide: Guide;
  readonly nodes: readonly string[];
}

/** Scale and rotation of the selection, in numbers. */
export function TransformRows() {
  const desk = useDesk();
  return (
    <>
      <NumberRow
        of="guide.scale"
        name="Scale the selection by"
        value={100}
        unit="%"
        units={PERCENT}
        min={1}
        max={10_000}
        onCommit={(percent) => scaleSelection(desk, percent / 100)}
      />
      <NumberRow
        of="guide.rotate"
        name="Rotate the selection by"
        value={0}
        unit="°"
        units={DEGREES}
        onCommit={(degrees) => turnSelection(desk, degrees)}
      />
    </>
  );
}

/** Changes of the outline that are tried out live. */
export function SmoothRows({ guide, nodes }: FitRowsProps) {
  return (
    <>
      <LiveRow
        of="guide.simplify"
        unit="px"
        max={20}
        step={0.5}
        from={guide}
        change={(base, tolerance) => simplifyGuide(base, { guide: guide.id, tolerance })}
      />
      <LiveRow
        of="guide.smooth"
        unit="%"
        max={100}
        step={2}
        from={guide}
        change={(base, percent) =>
          fairGuide(base, { guide: guide.id, nodes: nodes.length > 1 ? nodes : [], strength: percent / 100 })
        }
      />
    </>
  );
}

/** How round the line runs through the points that were just set. */
export function RoundRow({ guide, stroke }: { guide: Guide; stroke: Extract<LastStroke, { kind: 'points' }> }) {
  const desk = useDesk();
  return (
    <LiveRow
      of="guide.round"
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
  );
}

interface LiveRowProps {
  readonly of: RowName;
  readonly unit: string;
  readonly max: number;
  readonly step: number;
  readonly first?: number;
  readonly from: Guide;
  readonly change: (scene: Scene, value: number) => Scene;
}

/** A change that is tried out as its slider moves, always from the guide as it was when the slider was taken; one step of undo. */
function LiveRow({ of, unit, max, step, first = 0, from, change }: LiveRowProps) {
  const trial = useTrial();
  const { label } = rowWords(of);
  const [value, setValue] = useState(first);
  const count = from.nodes.length;
  const move = (next: number): void => {
    setValue(next);
    trial.show(label, (base) => (next === 0 && first === 0 ? base : change(base, next)));
  };
  const end = (): void => trial.rest(() => first === 0 && setValue(0));
  return (
    <Row of={of}>
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
