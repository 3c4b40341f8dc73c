import { artById, riderById, setArt, setHeading, type Art, type Rider, type Scene } from '@pace-line/core';
import { useState } from 'react';
import { useCalmState } from '../../document/index.ts';
import { DEGREES, NumberField } from '../../fields/index.ts';
import { useDesk } from '../context.ts';
import { Card, Row, Segments } from './Card.tsx';
import { change } from '../actions/change.ts';

type Turning = 'nose' | 'keep';

/** Card 3: which way the selected rider faces. */
export function HeadingCard() {
  const scene = useCalmState((state) => state.shown);
  const selection = useCalmState((state) => state.selection);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const art = rider && artById(scene, rider.art);
  if (!rider || !art)
    return (
      <Card name="heading" number={3} title="Heading" summary="">
        <p className="card-empty">
          Select a rider to say which way it faces: level as it was drawn, or along its guide.
        </p>
      </Card>
    );
  return (
    <Card
      name="heading"
      number={3}
      title="Heading"
      summary={rider.heading.mode === 'along' ? 'along the guide' : 'level'}
    >
      <HeadingRows rider={rider} art={art} />
    </Card>
  );
}

interface RowsProps {
  readonly rider: Rider;
  readonly art: Art;
}

const level = { mode: 'level', offset: 0 } as const;

/** The rider faces along its guide: its nose first, or standing at a time as it does when level, and turned from there. */
function facingAlong(scene: Scene, rider: string, turning: Turning, time: number): Scene {
  const along = { mode: 'along', offset: 0 } as const;
  return turning === 'nose'
    ? setHeading(scene, { rider, heading: along, keepAngle: null })
    : setHeading(setHeading(scene, { rider, heading: level, keepAngle: null }), {
        rider,
        heading: along,
        keepAngle: time,
      });
}

function HeadingRows({ rider, art }: RowsProps) {
  return (
    <>
      <FacingRows rider={rider} />
      <TurnRows rider={rider} art={art} />
      <p className="card-note">0° is drawn facing right, 90° facing down.</p>
    </>
  );
}

function FacingRows({ rider: { id, heading } }: Pick<RowsProps, 'rider'>) {
  const desk = useDesk();
  const { playback } = desk;
  const [turning, setTurning] = useState<Turning>('nose');
  const face = (mode: 'level' | 'along'): void =>
    change(desk, mode === 'along' ? 'Face along' : 'Face level', (scene) =>
      mode === 'along' && turning === 'nose'
        ? facingAlong(scene, id, 'nose', playback.time)
        : setHeading(scene, {
            rider: id,
            heading: mode === 'along' ? { mode, offset: heading.offset } : level,
            keepAngle: mode === 'along' ? playback.time : null,
          }),
    );
  const turn = (next: Turning): void => {
    setTurning(next);
    if (heading.mode === 'along')
      change(desk, next === 'nose' ? 'Point the nose along' : 'Keep the drawn angle', (scene) =>
        facingAlong(scene, id, next, playback.time),
      );
  };
  return (
    <>
      <Row label="Faces">
        <Segments
          label="Faces"
          value={heading.mode}
          options={[
            ['level', 'level'],
            ['along', 'along guide'],
          ]}
          onChange={face}
        />
      </Row>
      <Row label="On the curve">
        <Segments
          label="How it starts along the guide"
          title="Nose leads: it is turned into the curve. Angle kept: it stands as it does now and turns from there."
          value={turning}
          options={[
            ['nose', 'nose leads'],
            ['keep', 'angle kept'],
          ]}
          onChange={turn}
        />
      </Row>
    </>
  );
}

function TurnRows({ rider, art }: RowsProps) {
  const desk = useDesk();
  const { mode, offset } = rider.heading;
  return (
    <>
      <Row label="Fine turn">
        <NumberField
          label="Fine turn"
          value={offset}
          unit="°"
          units={DEGREES}
          digits={1}
          onCommit={(value) =>
            change(desk, 'Turn', (scene) =>
              setHeading(scene, { rider: rider.id, heading: { mode, offset: value }, keepAngle: null }),
            )
          }
        />
      </Row>
      <Row label="Drawn facing">
        <NumberField
          label="Facing of the art"
          value={art.facing}
          unit="°"
          units={DEGREES}
          digits={1}
          onCommit={(facing) => change(desk, 'Set facing', (scene) => setArt(scene, { id: art.id, patch: { facing } }))}
        />
      </Row>
    </>
  );
}
