import { Slider } from '@mantine/core';
import { useState } from 'react';
import { fairGuide, guideById, nodesThrough, setOutline, simplifyGuide, type Guide, type Scene } from '@pace-line/core';
import { DEGREES, PERCENT } from '../../../fields/index.ts';
import { scaleSelection, turnSelection } from '../../actions/transforming.ts';
import { useDesk } from '../../context.ts';
import { useTrial } from '../../use-trial.ts';
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

/** How round the line runs through its nodes: from straight to a smooth curve, whatever its handles were. */
export function RoundRow({ guide }: { guide: Guide }) {
  return (
    <LiveRow
      of="guide.round"
      unit="%"
      max={100}
      step={5}
      first={roundnessOf(guide)}
      from={guide}
      change={(base, percent) => {
        const now = guideById(base, guide.id) ?? guide;
        const points = now.nodes.map(({ x, y }) => [x, y] as const);
        const round = nodesThrough(points, percent / 100, now.closed);
        // Nodes that lie on each other are one point there.
        if (round.length !== now.nodes.length) return base;
        const bent = now.nodes.map((node, i) => ({ ...node, in: round[i]?.in, out: round[i]?.out }));
        return setOutline(base, { guide: guide.id, nodes: bent, closed: now.closed });
      }}
    />
  );
}

/** How round a guide is, in steps of 5 %: its handles against those of a smooth curve through the same nodes, a third of the way to the next. */
function roundnessOf({ nodes, closed }: Guide): number {
  const shares = nodes.flatMap(({ x, y, out }, i) => {
    const next = nodes[i + 1] ?? (closed ? nodes[0] : undefined);
    const apart = next ? Math.hypot(next.x - x, next.y - y) : 0;
    return apart > 0 ? [(3 * Math.hypot(out?.[0] ?? 0, out?.[1] ?? 0)) / apart] : [];
  });
  const mean = shares.reduce((sum, one) => sum + one, 0) / Math.max(1, shares.length);
  return Math.min(100, Math.round(mean * 20) * 5);
}

interface LiveRowProps {
  readonly of: RowName;
  readonly unit: string;
  readonly max: number;
  readonly step: number;
  /** Where the slider stands at first; absent: at 0, which changes nothing, and there again after each change. */
  readonly first?: number;
  readonly from: Guide;
  readonly change: (scene: Scene, value: number) => Scene;
}

/** A change that is tried out as its slider moves, always from the guide as it was when the slider was taken; one step of undo. */
function LiveRow({ of, unit, max, step, first, from, change }: LiveRowProps) {
  const trial = useTrial();
  const { label } = rowWords(of);
  const [value, setValue] = useState(first ?? 0);
  const count = from.nodes.length;
  const move = (next: number): void => {
    setValue(next);
    trial.show(label, (base) => (next === 0 && first === undefined ? base : change(base, next)));
  };
  const end = (): void => trial.rest(() => first === undefined && setValue(0));
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
      <span className="figures option-value">
        {value > 0 || first !== undefined ? `${value} ${unit}` : `${count} nodes`}
      </span>
    </Row>
  );
}
