import type { Rider } from '@pace-line/core';
import { DEGREES, PX } from '../../../fields/index.ts';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { useHeading } from './use-heading.ts';

interface RiderProps {
  readonly rider: Rider;
}

/** Rounded corners: its direction averaged over a stretch. */
export function SmoothRow({ rider }: RiderProps) {
  const patch = useHeading(rider);
  return (
    <NumberRow
      of="heading.smooth"
      name="Smoothing over"
      value={rider.heading.smooth}
      unit="px"
      units={PX}
      min={0}
      max={100_000}
      onCommit={(smooth) => patch('Smooth heading', { smooth })}
    />
  );
}

/** What it does while it backs up. */
export function ReverseRow({ rider }: RiderProps) {
  const patch = useHeading(rider);
  return (
    <ChoiceRow
      of="heading.reverse"
      name="When backing up"
      value={rider.heading.reverse}
      options={[
        ['turn', 'turn round'],
        ['keep', 'keep'],
      ]}
      onChange={(reverse) => patch('Change when backing up', { reverse })}
    />
  );
}

/** How fast it may turn. */
export function LimitRow({ rider }: RiderProps) {
  const patch = useHeading(rider);
  return (
    <NumberRow
      of="heading.limit"
      name="Turn rate, at most"
      value={rider.heading.limit ?? 0}
      unit="°/s"
      units={DEGREES}
      digits={1}
      min={0.1}
      max={1e6}
      onCommit={(limit) => patch('Change turn rate', { limit })}
    />
  );
}
