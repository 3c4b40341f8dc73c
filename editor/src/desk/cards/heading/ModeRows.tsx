import { setArt, setHeading, type Art, type Heading, type Rider, type Scene } from '@pace-line/core';
import { useState } from 'react';
import { ChoiceField, DEGREES } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { KeyedRow } from '../keys/KeyedRow.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { changeEach, useChosen } from '../several.ts';
import { AimRows } from './AimRows.tsx';
import { useHeading } from './use-heading.ts';

type Turning = 'nose' | 'keep';
type Mode = Heading['mode'];

const LABELS: Readonly<Record<Mode, string>> = {
  level: 'Orientation: level',
  along: 'Orientation: along',
  contacts: 'Orientation: two contacts',
  toward: 'Orientation: toward',
};

const MODES: readonly { readonly value: Mode; readonly label: string }[] = [
  { value: 'level', label: 'level' },
  { value: 'along', label: 'along' },
  { value: 'contacts', label: 'two contacts' },
  { value: 'toward', label: 'toward' },
];

/** The rider faces by a mode: its nose first, or standing at a time as it does when level, and turned from there. */
function facing(scene: Scene, { id, heading }: Rider, mode: Mode, turning: Turning, time: number): Scene {
  const level = { ...heading, mode: 'level' as const, offset: 0 };
  const plain = setHeading(scene, { rider: id, heading: level, keepAngle: null });
  if (mode === 'level') return plain;
  return setHeading(turning === 'keep' ? plain : scene, {
    rider: id,
    heading: { ...heading, mode, offset: 0 },
    keepAngle: turning === 'keep' ? time : null,
  });
}

/** How it faces, and how it is turned into that. */
export function ModeRows({ rider, art }: { rider: Rider; art: Art }) {
  const desk = useDesk();
  const { heading } = rider;
  const chosen = useChosen(rider);
  const [turning, setTurning] = useState<Turning>('nose');
  const face = (mode: Mode, how: Turning): void =>
    changeEach(desk, LABELS[mode], chosen, (scene, one) => facing(scene, one, mode, how, desk.playback.time));
  const turn = (next: Turning): void => {
    setTurning(next);
    if (heading.mode !== 'level') face(heading.mode, next);
  };
  return (
    <>
      <Row of="heading.mode">
        <ChoiceField label="Orientation" value={heading.mode} data={MODES} onChange={(mode) => face(mode, turning)} />
      </Row>
      <AimRows rider={rider} />
      {rider.roll && rider.guide !== null && (
        <p className="card-note">
          It rolls: its turns come from the distance it covers (group Roll of the Rider card), not from here.
        </p>
      )}
      <ChoiceRow
        of="heading.start"
        value={turning}
        options={[
          ['nose', 'nose first'],
          ['keep', 'angle kept'],
        ]}
        onChange={turn}
      />
      <NumberRow
        of="heading.facing"
        value={art.facing}
        unit="°"
        units={DEGREES}
        digits={1}
        onCommit={(value) =>
          change(desk, 'Change facing', (scene) => setArt(scene, { id: art.id, patch: { facing: value } }))
        }
      />
      <KeyedRow of="heading.offset" rider={rider} channel="turn" />
      <LeftRow rider={rider} art={art} />
    </>
  );
}

/** What it does where it would be upside down. */
function LeftRow({ rider, art }: { rider: Rider; art: Art }) {
  const { heading } = rider;
  const patch = useHeading(rider);
  const looksLeft = Math.cos((art.facing * Math.PI) / 180) < 0;
  return (
    <>
      <ChoiceRow
        of="heading.left"
        value={heading.left}
        options={[
          ['over', 'upside down'],
          ['mirror', 'mirror'],
        ]}
        onChange={(left) =>
          patch(left === 'mirror' ? 'Mirror when heading left' : 'Turn over when heading left', { left })
        }
      />
      {looksLeft && heading.left === 'over' && heading.mode === 'along' && (
        <p className="card-note">
          It is drawn facing left and flies upside down to the right.{' '}
          <button
            type="button"
            className="small-button"
            onClick={() => patch('Change when heading left', { left: 'mirror' })}
          >
            Mirror it instead
          </button>
        </p>
      )}
    </>
  );
}
