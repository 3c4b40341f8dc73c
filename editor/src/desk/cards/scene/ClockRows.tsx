import { lastMoment, loopLength, setClock, setRoom, type Clock, type Repeat } from '@pace-line/core';
import { create } from 'zustand';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt, type Units } from '../../../fields/index.ts';
import { change, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../../words/labels.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';

const REPEATS: readonly { readonly value: Repeat; readonly label: string }[] = [
  { value: 'loop', label: 'loop' },
  { value: 'there-and-back', label: 'there and back' },
  { value: 'once', label: 'once' },
];

type Retime = 'stretch' | 'room';

const USUAL = { how: 'stretch', own: 'fit' } as const;

/** What a new duration does to what has times: chosen before it is given. */
const useRetime = create<{ how: Retime; own: 'fit' | 'stay' | 'along' }>()(() => USUAL);

/** Whether a new duration does something else than usual; and back to that. */
export const isRetimed = (): boolean =>
  useRetime.getState().how !== USUAL.how || useRetime.getState().own !== USUAL.own;
export const retimeAsUsual = (): void => useRetime.setState(USUAL);

/** The scene's clock: how long the loop lasts, in how many frames, and how it repeats. */
export function ClockRows() {
  const desk = useDesk();
  const clock = useDocumentState((state) => state.shown.clock);
  const isBack = clock.repeat === 'there-and-back';
  return (
    <>
      <Row of="scene.duration">
        <NumberField
          label="Duration"
          value={clock.duration}
          unit="s"
          units={secondsAt(clock.fps)}
          digits={3}
          min={0.01}
          max={3600}
          onCommit={(duration) => {
            const { how, own } = useRetime.getState();
            if (how === 'room') perform(desk, 'Add room', setRoom, { duration });
            else
              change(desk, 'Change duration', (scene) =>
                setClock(scene, { duration, along: own === 'along', fit: own === 'fit' }),
              );
          }}
        />
        {isBack && <span className="card-note">one way</span>}
      </Row>
      <Row of="scene.fps">
        <NumberField
          label="Frame rate"
          value={clock.fps}
          unit="fps"
          units={{ fps: 1 }}
          digits={2}
          min={1}
          max={240}
          onCommit={(fps) => change(desk, 'Change frame rate', (scene) => setClock(scene, { fps }))}
        />
      </Row>
      <Row of="scene.repeat">
        <ChoiceField
          label="Repeat"
          value={clock.repeat}
          data={REPEATS}
          onChange={(repeat: Repeat) => change(desk, 'Change repeat', (scene) => setClock(scene, { repeat }))}
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

/** What a new duration does: scales all, or leaves times as they are and adds room at the end. */
export function RetimeRows() {
  const desk = useDesk();
  const { how, own } = useRetime();
  const last = useDocumentState((state) => lastMoment(state.shown));
  const duration = useDocumentState((state) => state.shown.clock.duration);
  const hasOwn = useDocumentState(({ shown }) =>
    shown.riders.some(({ pace }) => pace.cycle !== null || pace.delay !== 0),
  );
  return (
    <>
      <ChoiceRow
        of="scene.retime"
        value={how}
        options={[
          ['stretch', 'scale marks'],
          ['room', 'keep times'],
        ]}
        onChange={(next) => useRetime.setState({ how: next })}
      />
      {hasOwn && how === 'stretch' && (
        <ChoiceRow
          of="scene.own"
          value={own}
          options={[
            ['fit', 'keep fitting'],
            ['stay', 'keep'],
            ['along', 'scale'],
          ]}
          onChange={(next) => useRetime.setState({ own: next })}
        />
      )}
      {last > 0.01 && last < duration - 1e-6 && (
        <div className="row-actions">
          <button
            type="button"
            className="small-button"
            title="The loop ends with the last mark or keyframe"
            onClick={() => perform(desk, 'End with the last mark', setRoom, { duration: last })}
          >
            End at {seconds(last)}, with the last mark
          </button>
        </div>
      )}
    </>
  );
}

const PLAIN: Units = { '': 1 };
const PER_MINUTE: Units = { '': 1, bpm: 1 };

/** The tempo with which a scene begins to have one. */
export const FIRST_TEMPO: NonNullable<Clock['tempo']> = { beats: 120, from: 0 };

/** Beats that marks keep to: how many a minute, and when one of them is. */
export function TempoRows({ tempo }: { tempo: NonNullable<Clock['tempo']> }) {
  const desk = useDesk();
  const fps = useDocumentState((state) => state.shown.clock.fps);
  const set = (next: Clock['tempo']): void => change(desk, 'Change tempo', (scene) => setClock(scene, { tempo: next }));
  return (
    <>
      <NumberRow
        of="scene.beats"
        label="Beats a minute"
        value={tempo.beats}
        unit=""
        units={PER_MINUTE}
        digits={2}
        min={1}
        max={1000}
        onCommit={(beats) => set({ ...tempo, beats })}
      />
      <NumberRow
        of="scene.beat"
        value={tempo.from}
        unit="s"
        units={secondsAt(fps)}
        digits={3}
        min={0}
        max={3600}
        onCommit={(from) => set({ ...tempo, from })}
      />
    </>
  );
}

/** How often it is played where it is sent. */
export function TimesRow({ times }: { times: number }) {
  const desk = useDesk();
  return (
    <NumberRow
      of="scene.times"
      value={times}
      unit=""
      units={PLAIN}
      digits={0}
      min={1}
      max={10_000}
      onCommit={(next) =>
        change(desk, 'Change number of repeats', (scene) => setClock(scene, { times: Math.round(next) }))
      }
    />
  );
}
