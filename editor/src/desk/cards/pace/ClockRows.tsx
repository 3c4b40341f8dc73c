import { lastMoment, loopLength, setClock, setRoom, type Clock, type Repeat } from '@pace-line/core';
import { useState } from 'react';
import { useDocumentState } from '../../../document/index.ts';
import { NumberField, secondsAt, type Units } from '../../../fields/index.ts';
import { change, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../../words/labels.ts';
import { Row, Segments } from '../Card.tsx';

const REPEATS: readonly (readonly [Repeat, string])[] = [
  ['loop', 'loops'],
  ['there-and-back', 'there and back'],
  ['once', 'once'],
];

/** The scene's clock: how long the loop lasts, in how many frames, and how it repeats. */
export function ClockRows() {
  const desk = useDesk();
  const clock = useDocumentState((state) => state.shown.clock);
  const hasOwn = useDocumentState(({ shown }) =>
    shown.riders.some(({ pace }) => pace.cycle !== null || pace.delay !== 0),
  );
  const [own, setOwn] = useState<'fit' | 'stay' | 'along'>('fit');
  const [how, setHow] = useState<'stretch' | 'room'>('stretch');
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
          onCommit={(duration) =>
            how === 'room'
              ? perform(desk, 'Add room', setRoom, { duration })
              : change(desk, 'Change duration', (scene) =>
                  setClock(scene, { duration, along: own === 'along', fit: own === 'fit' }),
                )
          }
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
      <NewLengthRow how={how} onChange={setHow} />
      {hasOwn && how === 'stretch' && (
        <Row label="Own times then">
          <Segments
            label="When the length changes, delays and own cycles"
            title="Riders that start later or have a cycle of their own. Keep fitting: cycles that go into the loop go on doing so, stretched where they have to be; other times stay. Stay: all of them do. Stretch too: all are stretched with the loop."
            value={own}
            options={[
              ['fit', 'keep fitting'],
              ['stay', 'stay'],
              ['along', 'stretch'],
            ]}
            onChange={setOwn}
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
      <TimesRow />
      <TempoRow />
      {isBack && (
        <p className="card-note">
          Plays {seconds(loopLength(clock))}: {seconds(clock.duration)} there and as long back.
        </p>
      )}
    </>
  );
}

interface NewLengthRowProps {
  readonly how: 'stretch' | 'room';
  readonly onChange: (how: 'stretch' | 'room') => void;
}

/** What a new length does: stretches all, or leaves speeds as they are and adds room at the end. */
function NewLengthRow({ how, onChange }: NewLengthRowProps) {
  const desk = useDesk();
  const last = useDocumentState((state) => lastMoment(state.shown));
  const duration = useDocumentState((state) => state.shown.clock.duration);
  return (
    <>
      <Row label="A new length">
        <Segments
          label="A new length"
          title="Stretches every mark and key with it, or leaves them where they are and adds room at the end."
          value={how}
          options={[
            ['stretch', 'stretches'],
            ['room', 'adds room'],
          ]}
          onChange={onChange}
        />
      </Row>
      {last > 0.01 && last < duration - 1e-6 && (
        <p className="card-note">
          <button
            type="button"
            className="small-button"
            title="The loop ends with the last mark or key"
            onClick={() => perform(desk, 'End with the last mark', setRoom, { duration: last })}
          >
            end at {seconds(last)}
          </button>
        </p>
      )}
    </>
  );
}

const PLAIN: Units = { '': 1 };
const PER_MINUTE: Units = { '': 1, bpm: 1 };

/** Beats that marks keep to: how many a minute, none where the field is 0, and when one of them is. */
function TempoRow() {
  const desk = useDesk();
  const { tempo, fps } = useDocumentState((state) => state.shown.clock);
  const set = (next: Clock['tempo']): void => change(desk, 'Change tempo', (scene) => setClock(scene, { tempo: next }));
  return (
    <Row label={tempo ? 'Beats a minute, from' : 'Beats a minute'}>
      <NumberField
        label="Beats a minute"
        value={tempo?.beats ?? 0}
        unit=""
        units={PER_MINUTE}
        digits={2}
        min={0}
        max={1000}
        onCommit={(beats) => set(beats < 1 ? null : { beats, from: tempo?.from ?? 0 })}
      />
      {tempo && (
        <NumberField
          label="A beat is at"
          value={tempo.from}
          unit="s"
          units={secondsAt(fps)}
          digits={3}
          min={0}
          max={3600}
          onCommit={(from) => set({ ...tempo, from })}
        />
      )}
    </Row>
  );
}

/** How often it is played where it is sent. */
function TimesRow() {
  const desk = useDesk();
  const clock = useDocumentState((state) => state.shown.clock);
  const setTimes = (times: number | null): void =>
    change(desk, 'Change how often it plays', (scene) => setClock(scene, { times }));
  if (clock.repeat === 'once') return null;
  return (
    <Row label={clock.times === null ? 'Sent, it plays' : 'Sent, it plays, times'}>
      <Segments
        label="How often it plays"
        title="In what is sent; here it goes on"
        value={clock.times === null ? 'ever' : 'times'}
        options={[
          ['ever', 'for ever'],
          ['times', 'so often'],
        ]}
        onChange={(value) => setTimes(value === 'ever' ? null : 3)}
      />
      {clock.times !== null && (
        <NumberField
          label="Times that it plays"
          value={clock.times}
          unit=""
          units={PLAIN}
          digits={0}
          min={1}
          max={10_000}
          onCommit={(times) => setTimes(Math.round(times))}
        />
      )}
    </Row>
  );
}
