import { riderById, type Rider } from '@pace-line/core';
import { PERCENT, PX } from '../../../fields/index.ts';
import { Row } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { usePatch } from './use-patch.ts';

/** Where lift goes. */
export function LiftRows({ rider }: { rider: Rider }) {
  const patch = usePatch(rider);
  return (
    <>
      <ChoiceRow
        of="rider.liftBy"
        name="Offset direction"
        value={rider.liftBy}
        options={[
          ['normal', 'across'],
          ['up', 'up'],
          ['rounded', 'rounded'],
        ]}
        onChange={(liftBy) => patch('Set lift direction', { liftBy })}
      />
      {rider.liftBy === 'rounded' && (
        <NumberRow
          of="rider.rounding"
          value={rider.rounding}
          unit="px"
          units={PX}
          digits={0}
          min={0}
          max={100_000}
          onCommit={(rounding) => patch('Change rounding', { rounding })}
        />
      )}
    </>
  );
}

/** What does not turn with the guide. */
export function ShiftRow({ rider }: { rider: Rider }) {
  const patch = usePatch(rider);
  return (
    <Row of="rider.shift">
      <PointFields
        label="Fixed offset"
        point={rider.shift}
        live={({ scene }) => riderById(scene, rider.id)?.shift}
        onCommit={(shift) => patch('Set fixed offset', { shift })}
      />
    </Row>
  );
}

/** Lift as a share of the art's height: what stands on its feet goes on standing on them at any scale. */
export function RaiseRow({ rider }: { rider: Rider }) {
  const patch = usePatch(rider);
  return (
    <NumberRow
      of="rider.raise"
      label="Of its height"
      name="Raise, % of its height"
      value={rider.raise}
      unit="%"
      units={PERCENT}
      digits={1}
      min={-10_000}
      max={10_000}
      onCommit={(raise) => patch('Raise', { raise })}
    />
  );
}
