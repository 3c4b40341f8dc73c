import { setRider, type Art, type Rider, type Squash } from '@pace-line/core';
import { DEGREES, NumberField, PERCENT } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { KeyRow } from '../keys/KeyRows.tsx';
import { PointFields } from '../PointFields.tsx';
import { ChoiceRow } from '../rows.tsx';

const FIRST: Squash = { by: 'keys', axis: 'heading', angle: 90, about: null, strength: 0.5, limit: 2 };

/** Squash and stretch: by keys or by speed, along what, and about which point. The area stays. */
export function SquashRows({ rider, art }: { rider: Rider; art: Art }) {
  const desk = useDesk();
  const { squash } = rider;
  const set = (label: string, next: Squash | null): void =>
    change(desk, label, (base) => setRider(base, { id: rider.id, patch: { squash: next } }));
  return (
    <>
      <ChoiceRow
        label="Squash and stretch"
        value={squash?.by ?? 'no'}
        options={[
          ['no', 'off'],
          ['keys', 'keyframes'],
          ['speed', 'speed'],
        ]}
        onChange={(by) =>
          by === 'no' ? set('Squash and stretch: off', null) : set('Squash and stretch', { ...(squash ?? FIRST), by })
        }
      />
      {squash && <SquashDetails rider={rider} art={art} squash={squash} set={set} />}
    </>
  );
}

interface DetailsProps {
  readonly rider: Rider;
  readonly art: Art;
  readonly squash: Squash;
  readonly set: (label: string, next: Squash) => void;
}

function SquashDetails({ rider, art, squash, set }: DetailsProps) {
  const floor = [art.width / 2, art.height] as const;
  return (
    <>
      {squash.by === 'keys' && <KeyRow rider={rider} channel="squash" />}
      {squash.by === 'speed' && <SpeedRow squash={squash} set={set} />}
      <ChoiceRow
        label="Squash axis"
        value={squash.axis}
        options={[
          ['heading', 'heading'],
          ['fixed', 'fixed'],
          ['own', 'the drawing’s'],
        ]}
        onChange={(axis) => set('Set squash axis', { ...squash, axis })}
      />
      {squash.axis !== 'heading' && (
        <Row
          label="Axis angle"
          title={
            squash.axis === 'fixed'
              ? 'The direction in which it stretches; 90° is up and down. It stays however the rider turns.'
              : 'The direction of the drawing in which it stretches; 90° is from its top to its bottom. It turns with the rider.'
          }
        >
          <NumberField
            label="Angle of the squash axis"
            value={squash.angle}
            unit="°"
            units={DEGREES}
            digits={1}
            onCommit={(angle) => set('Set squash axis', { ...squash, angle })}
          />
        </Row>
      )}
      {squash.axis !== 'heading' && rider.keys.axis.length > 0 && <KeyRow rider={rider} channel="axis" />}
      <Row label="Fixed point">
        <PointFields
          label="Fixed point"
          point={squash.about ?? art.pivot}
          onCommit={(about) => set('Set fixed point', { ...squash, about })}
        />
        <button
          type="button"
          className="small-button"
          onClick={() => set('Squash on the floor', { ...squash, about: floor })}
        >
          floor
        </button>
        <button
          type="button"
          className="small-button"
          onClick={() => set('Squash about the pivot', { ...squash, about: null })}
        >
          pivot
        </button>
      </Row>
    </>
  );
}

function SpeedRow({ squash, set }: Pick<DetailsProps, 'squash' | 'set'>) {
  return (
    <Row label="Strength, most">
      <NumberField
        label="Stretch for each 1,000 px/s"
        value={squash.strength * 100}
        unit="%"
        units={PERCENT}
        min={-2000}
        max={2000}
        onCommit={(value) => set('Set strength', { ...squash, strength: value / 100 })}
      />
      <NumberField
        label="Stretch at most"
        value={squash.limit * 100}
        unit="%"
        units={PERCENT}
        min={100}
        max={2000}
        onCommit={(value) => set('Limit stretch', { ...squash, limit: value / 100 })}
      />
    </Row>
  );
}
