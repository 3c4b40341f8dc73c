import { useState } from 'react';
import {
  cycleOf,
  leadInOf,
  loopLength,
  setCycleRoom,
  setPace,
  slowRider,
  type Repeat,
  type Rider,
} from '@pace-line/core';
import { useCalmState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt, type Units } from '../../../fields/index.ts';
import { change, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow } from '../rows.tsx';

/** A rider's own repeat, told apart from the scene's by what its cycle does. */
const OWN_REPEATS: readonly { readonly value: Repeat; readonly label: string }[] = [
  { value: 'loop', label: 'its cycle loops' },
  { value: 'there-and-back', label: 'there and back' },
  { value: 'once', label: 'once, then holds' },
];
/** How many frames a pose stays, in the trade's words. */
const holdOf = (on: number): { value: string; label: string } => ({
  value: String(on),
  label: on === 1 ? 'on every frame' : `on ${['', '', 'twos', 'threes', 'fours'][on] ?? `${on} frames`}`,
});
const HOLDS = [1, 2, 3, 4, 6].map(holdOf);

const TIMES: Units = { '': 1, '×': 1, x: 1 };
const PLAIN: Units = { '': 1 };
const AS_SCENE = '·scene';

/** The rider's own time: when it starts, how long its cycle is, how it repeats. */
export function CycleRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const clock = useCalmState((state) => state.shown.clock);
  const units = secondsAt(clock.fps);
  const [how, setHow] = useState<'stretch' | 'room'>('stretch');
  const isTimed = rider.pace.marks.length > 0 || Object.values(rider.keys).some((keys) => keys.length > 0);
  const patch = (label: string, next: Parameters<typeof setPace>[1]['patch']): void =>
    change(desk, label, (scene) => setPace(scene, { rider: rider.id, patch: next }));
  return (
    <>
      <Row label="Starts after">
        <NumberField
          label="Starts after"
          value={rider.pace.delay}
          unit="s"
          units={units}
          digits={3}
          step={1 / clock.fps}
          onCommit={(delay) => patch('Change delay', { delay })}
        />
      </Row>
      <FirstRows rider={rider} />
      <Row label="Cycle">
        <NumberField
          label="Own cycle"
          value={cycleOf(rider, clock)}
          unit="s"
          units={units}
          digits={3}
          min={0.01}
          max={3600}
          onCommit={(cycle) =>
            how === 'room'
              ? perform(desk, 'Add room to the cycle', setCycleRoom, { rider: rider.id, cycle })
              : patch('Change cycle', { cycle: Math.abs(cycle - clock.duration) < 1e-9 ? null : cycle })
          }
        />
      </Row>
      {isTimed && (
        <ChoiceRow
          label="A new cycle"
          value={how}
          options={[
            ['stretch', 'stretches'],
            ['room', 'adds room'],
          ]}
          title="Stretches the rider’s marks and keys with it, or leaves them where they are and adds room at the end."
          onChange={setHow}
        />
      )}
      <SlowerRow rider={rider.id} />
      <Row label="Poses">
        <ChoiceField
          label="Poses stay on"
          value={String(rider.pace.on)}
          data={HOLDS.some(({ value }) => value === String(rider.pace.on)) ? HOLDS : [...HOLDS, holdOf(rider.pace.on)]}
          onChange={(on) => patch('Change frames of a pose', { on: Number(on) })}
        />
      </Row>
      <RepeatRows rider={rider} />
    </>
  );
}

const FIRSTS = [
  { value: 'always', label: 'as always' },
  { value: 'hidden', label: 'hidden until it starts' },
  { value: 'only', label: 'plays only then' },
  { value: 'only-hidden', label: 'hidden, only then' },
] as const;

const BEFORE = [
  { value: 'auto', label: 'as the scene needs' },
  { value: 'runs', label: 'runs' },
  { value: 'stands', label: 'stands at its start' },
] as const;

/** What is otherwise the first time: before the loop, in the lead-in. */
function FirstRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const scene = useCalmState((state) => state.shown);
  const { only, hidden, leadIn, delay } = rider.pace;
  const patch = (label: string, next: Parameters<typeof setPace>[1]['patch']): void =>
    change(desk, label, (base) => setPace(base, { rider: rider.id, patch: next }));
  const long = leadInOf(scene);
  const rounds = long / loopLength(scene.clock);
  const loops =
    Math.abs(rounds - Math.round(rounds)) < 1e-6
      ? ` (${Math.round(rounds)} ${Math.round(rounds) === 1 ? 'loop' : 'loops'})`
      : '';
  return (
    <>
      <Row
        label="The first time"
        title="Before the loop goes on for ever: not seen until its delay is over, or played through then alone, to stay where it ends."
      >
        <ChoiceField
          label="The first time"
          value={only ? (hidden ? 'only-hidden' : 'only') : hidden ? 'hidden' : 'always'}
          data={[...FIRSTS]}
          onChange={(value) =>
            patch('Change the first time', {
              only: value?.startsWith('only') === true,
              hidden: value?.endsWith('hidden') === true,
            })
          }
        />
      </Row>
      {hidden && delay <= 0 && <p className="card-note">It starts at once: there is nothing to hide.</p>}
      {long > 0 && !only && (
        <Row label="… in the lead-in" title="What this rider does while others enter or come for the first time.">
          <ChoiceField
            label="In the lead-in"
            value={leadIn ?? 'auto'}
            data={[...BEFORE]}
            onChange={(value) =>
              patch('Change the lead-in', { leadIn: value === 'runs' || value === 'stands' ? value : null })
            }
          />
        </Row>
      )}
      {long > 0 && (only || (hidden && delay > 0)) && (
        <p className="card-note">
          The lead-in takes {Number(long.toFixed(3))} s{loops}. The arrow beside Play shows it
          {only && '; the sheet shows this pace from the loop’s start'}.
        </p>
      )}
    </>
  );
}

/** How a rider repeats, told apart from the scene; and how many rounds it has. */
function RepeatRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const clock = useCalmState((state) => state.shown.clock);
  const patch = (label: string, next: Parameters<typeof setPace>[1]['patch']): void =>
    change(desk, label, (scene) => setPace(scene, { rider: rider.id, patch: next }));
  return (
    <>
      <Row label="This rider">
        <ChoiceField
          label="Rider repeats"
          value={rider.pace.repeat ?? AS_SCENE}
          data={[{ value: AS_SCENE, label: 'as the scene' }, ...OWN_REPEATS]}
          onChange={(value) =>
            patch('Change repeat', { repeat: OWN_REPEATS.find((one) => one.value === value)?.value ?? null })
          }
        />
      </Row>
      {(rider.pace.repeat ?? clock.repeat) !== 'once' && (
        <Row
          label="Rounds"
          title="How many rounds it makes from its delay on, then it holds where the last one ends; it begins anew with the scene’s loop. 0: without end."
        >
          <NumberField
            label="Rounds of this rider, 0 without end"
            value={rider.pace.times ?? 0}
            unit=""
            units={PLAIN}
            digits={0}
            min={0}
            max={10_000}
            onCommit={(times) => patch('Change rounds', { times: times < 1 ? null : Math.round(times) })}
          />
          <span className="card-note">
            {rider.pace.times !== null ? 'then holds' : rider.pace.only ? 'one' : 'without end'}
          </span>
        </Row>
      )}
      {!rider.pace.only && clock.repeat !== 'once' && (rider.pace.repeat === 'once' || rider.pace.times !== null) && (
        <p className="card-note">It begins anew with each loop of the scene.</p>
      )}
    </>
  );
}

/** Makes one rider slower, its marks and keys with it. */
function SlowerRow({ rider }: { rider: string }) {
  const desk = useDesk();
  return (
    <Row label="Slower, times">
      <NumberField
        label="This rider slower, times"
        value={1}
        unit="×"
        units={TIMES}
        digits={3}
        min={0.001}
        max={1000}
        onCommit={(factor) => perform(desk, 'Slow one rider', slowRider, { rider, factor })}
      />
    </Row>
  );
}
