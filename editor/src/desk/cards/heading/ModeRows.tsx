import { setArt, setHeading, type Art, type Heading, type Rider, type Scene } from '@pace-line/core';
import { useState } from 'react';
import { DEGREES } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { useHeading } from './use-heading.ts';

type Turning = 'nose' | 'keep';
type Mode = Heading['mode'];

const LABELS: Readonly<Record<Mode, string>> = {
  level: 'Face level',
  along: 'Face along',
  contacts: 'Stand on two contacts',
  toward: 'Face a target',
};

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
  const [turning, setTurning] = useState<Turning>('nose');
  const patch = useHeading(rider);
  const face = (mode: Mode, how: Turning): void =>
    change(desk, LABELS[mode], (scene) => facing(scene, rider, mode, how, desk.playback.time));
  const turn = (next: Turning): void => {
    setTurning(next);
    if (heading.mode !== 'level') face(heading.mode, next);
  };
  return (
    <>
      <ChoiceRow
        label="Faces"
        value={heading.mode}
        options={[
          ['level', 'level'],
          ['along', 'along'],
          ['contacts', 'contacts'],
          ['toward', 'toward'],
        ]}
        onChange={(mode) => face(mode, turning)}
      />
      {rider.roll && rider.guide !== null && (
        <p className="card-note">It rolls: its turns come from the way it covers (card 2), not from here.</p>
      )}
      <ChoiceRow
        label="On the curve"
        title="Nose leads: it is turned into the curve. Angle kept: it stands as it does now and turns from there."
        value={turning}
        options={[
          ['nose', 'nose leads'],
          ['keep', 'angle kept'],
        ]}
        onChange={turn}
      />
      <NumberRow
        label="Fine turn"
        value={heading.offset}
        unit="°"
        units={DEGREES}
        digits={1}
        onCommit={(offset) => patch('Turn', { offset })}
      />
      <NumberRow
        label="Drawn facing"
        name="Facing of the art"
        value={art.facing}
        unit="°"
        units={DEGREES}
        digits={1}
        onCommit={(value) =>
          change(desk, 'Set facing', (scene) => setArt(scene, { id: art.id, patch: { facing: value } }))
        }
      />
    </>
  );
}
