import { artById, riderById, setArt, setHeading, type Art, type Rider } from '@pace-line/core';
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

function HeadingRows({ rider, art }: { rider: Rider; art: Art }) {
  const desk = useDesk();
  const { playback } = desk;
  const [turning, setTurning] = useState<Turning>('nose');
  const { mode, offset } = rider.heading;
  const switchMode = (next: 'level' | 'along'): void => {
    const keepAngle = next === 'level' || turning === 'keep' ? playback.time : null;
    const heading = { mode: next, offset: next === 'along' && turning === 'nose' ? 0 : offset };
    change(desk, next === 'along' ? 'Face along' : 'Face level', (scene) =>
      setHeading(scene, {
        rider: rider.id,
        heading: next === 'level' ? { mode: 'level', offset: 0 } : heading,
        keepAngle: next === 'level' ? null : keepAngle,
      }),
    );
  };
  return (
    <>
      <Row label="Faces">
        <Segments
          label="Faces"
          value={mode}
          options={[
            ['level', 'level'],
            ['along', 'along guide'],
          ]}
          onChange={switchMode}
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
          onChange={(value) => {
            setTurning(value);
            if (mode === 'along')
              change(desk, value === 'nose' ? 'Point the nose along' : 'Keep the drawn angle', (scene) =>
                value === 'nose'
                  ? setHeading(scene, { rider: rider.id, heading: { mode: 'along', offset: 0 }, keepAngle: null })
                  : setHeading(
                      setHeading(scene, { rider: rider.id, heading: { mode: 'level', offset: 0 }, keepAngle: null }),
                      {
                        rider: rider.id,
                        heading: { mode: 'along', offset: 0 },
                        keepAngle: playback.time,
                      },
                    ),
              );
          }}
        />
      </Row>
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
      <p className="card-note">0° is drawn facing right, 90° facing down.</p>
    </>
  );
}
