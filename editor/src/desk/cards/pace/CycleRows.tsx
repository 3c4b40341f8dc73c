import { useState } from 'react';
import { cycleOf, setCycleRoom, setPace, slowRider, type Repeat, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt, type Units } from '../../../fields/index.ts';
import { change, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow } from '../rows.tsx';
import { FirstRows } from './FirstRows.tsx';

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
  const clock = useDocumentState((state) => state.shown.clock);
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

/** How a rider repeats, told apart from the scene; and how many rounds it has. */
function RepeatRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const clock = useDocumentState((state) => state.shown.clock);
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
