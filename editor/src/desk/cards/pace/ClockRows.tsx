import { loopLength, setClock, type Repeat } from '@pace-line/core';
import { useState } from 'react';
import { useCalmState } from '../../../document/index.ts';
import { NumberField, secondsAt } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../labels.ts';
import { Row, Segments } from '../Card.tsx';

const REPEATS: readonly (readonly [Repeat, string])[] = [
  ['loop', 'loops'],
  ['there-and-back', 'there and back'],
  ['once', 'once'],
];

/** The scene's clock: how long the loop lasts, in how many frames, and how it repeats. */
export function ClockRows() {
  const desk = useDesk();
  const clock = useCalmState((state) => state.shown.clock);
  const hasOwn = useCalmState(({ shown }) => shown.riders.some(({ pace }) => pace.cycle !== null || pace.delay !== 0));
  const [along, setAlong] = useState(false);
  const isBack = clock.repeat === 'there-and-back';
  return (
    <>
      <Row label={isBack ? 'One way lasts' : 'Loop lasts'}>
        <NumberField
          label={isBack ? 'One way lasts' : 'Loop lasts'}
          value={clock.duration}
          unit="s"
          units={secondsAt(clock.fps)}
          digits={3}
          min={0.01}
          max={3600}
          onCommit={(duration) => change(desk, 'Change duration', (scene) => setClock(scene, { duration, along }))}
        />
        <NumberField
          label="Frames a second"
          value={clock.fps}
          unit="fps"
          units={{ fps: 1 }}
          digits={2}
          min={1}
          max={240}
          onCommit={(fps) => change(desk, 'Change frame rate', (scene) => setClock(scene, { fps }))}
        />
      </Row>
      {hasOwn && (
        <Row label="Own times then">
          <Segments
            label="When the length changes, delays and own cycles"
            title="Riders that start later or have a cycle of their own: whether a new length stretches these times too."
            value={along ? 'along' : 'stay'}
            options={[
              ['stay', 'stay'],
              ['along', 'stretch too'],
            ]}
            onChange={(value) => setAlong(value === 'along')}
          />
        </Row>
      )}
      <Row label="Scene">
        <Segments
          label="Scene repeats"
          value={clock.repeat}
          options={REPEATS}
          onChange={(repeat) => change(desk, 'Change repeat', (scene) => setClock(scene, { repeat }))}
        />
      </Row>
      {isBack && (
        <p className="card-note">
          Plays {seconds(loopLength(clock))}: {seconds(clock.duration)} there and as long back.
        </p>
      )}
    </>
  );
}
