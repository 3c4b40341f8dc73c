import type { Art, Rider, Squash } from '@pace-line/core';
import { DEGREES, PERCENT } from '../../../fields/index.ts';
import { Row } from '../Card.tsx';
import { KeyedRow } from '../keys/KeyedRow.tsx';
import { PointFields } from '../PointFields.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { usePatchOf } from './use-patch.ts';

export const FIRST_SQUASH: Squash = { by: 'keys', axis: 'heading', angle: 90, about: null, strength: 0.5, limit: 2 };

/** Squash and stretch: by keyframes or by speed, along what, and about which point. The area stays. */
export function SquashRows({ rider, art, squash }: { rider: Rider; art: Art; squash: Squash }) {
  const set = usePatchOf(rider, 'squash');
  return (
    <>
      <ChoiceRow
        of="rider.squash.by"
        value={squash.by}
        options={[
          ['keys', 'keyframes'],
          ['speed', 'with speed'],
        ]}
        onChange={(by) => set('Squash and stretch', { by })}
      />
      <SquashDetails rider={rider} art={art} squash={squash} set={set} />
    </>
  );
}

interface DetailsProps {
  readonly rider: Rider;
  readonly art: Art;
  readonly squash: Squash;
  readonly set: (label: string, next: Partial<Squash>) => void;
}

function SquashDetails({ rider, art, squash, set }: DetailsProps) {
  const floor = [art.width / 2, art.height] as const;
  return (
    <>
      {squash.by === 'keys' && <KeyedRow of="rider.squash.key" rider={rider} channel="squash" />}
      {squash.by === 'speed' && <SpeedRow squash={squash} set={set} />}
      <ChoiceRow
        of="rider.squash.axis"
        name="Squash axis"
        value={squash.axis}
        options={[
          ['heading', 'heading'],
          ['fixed', 'fixed'],
          ['own', 'the drawing’s'],
        ]}
        onChange={(axis) => set('Set squash axis', { axis })}
      />
      {squash.axis !== 'heading' && rider.keys.axis.length === 0 && (
        <NumberRow
          of="rider.squash.angle"
          name="Angle of the squash axis"
          value={squash.angle}
          unit="°"
          units={DEGREES}
          digits={1}
          onCommit={(angle) => set('Set squash axis', { angle })}
        />
      )}
      {squash.axis !== 'heading' && rider.keys.axis.length > 0 && (
        <KeyedRow of="rider.squash.angle" rider={rider} channel="axis" />
      )}
      <Row of="rider.squash.about">
        <PointFields
          label="Fixed point"
          point={squash.about ?? art.pivot}
          onCommit={(about) => set('Set fixed point', { about })}
        />
        <button type="button" className="small-button" onClick={() => set('Squash on the floor', { about: floor })}>
          Floor
        </button>
        <button type="button" className="small-button" onClick={() => set('Squash about the pivot', { about: null })}>
          Pivot
        </button>
      </Row>
    </>
  );
}

function SpeedRow({ squash, set }: Pick<DetailsProps, 'squash' | 'set'>) {
  return (
    <>
      <NumberRow
        of="rider.squash.amount"
        name="Amount for each 1,000 px/s"
        value={squash.strength * 100}
        unit="%"
        units={PERCENT}
        min={-2000}
        max={2000}
        onCommit={(value) => set('Change amount', { strength: value / 100 })}
      />
      <NumberRow
        of="rider.squash.limit"
        name="Limit of the stretch"
        value={squash.limit * 100}
        unit="%"
        units={PERCENT}
        min={100}
        max={2000}
        onCommit={(value) => set('Change stretch limit', { limit: value / 100 })}
      />
    </>
  );
}
