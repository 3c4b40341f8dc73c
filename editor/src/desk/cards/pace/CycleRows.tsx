import { useState } from 'react';
import { cycleOf, setCycleRoom, setPace, slowRider, type Repeat, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt, type Units } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { changeEach, useChosen } from '../several.ts';

/** A rider's own repeat, told apart from the scene's by what its cycle does. */
const OWN_REPEATS: readonly { readonly value: Repeat; readonly label: string }[] = [
  { value: 'loop', label: 'loop' },
  { value: 'there-and-back', label: 'there and back' },
  { value: 'once', label: 'once, then hold' },
];
/** How many frames a position is held, in the trade's words. */
const holdOf = (on: number): { value: string; label: string } => ({
  value: String(on),
  label: on === 1 ? 'on every frame' : `on ${['', '', 'twos', 'threes', 'fours'][on] ?? `${on} frames`}`,
});
const HOLDS = [1, 2, 3, 4, 6].map(holdOf);

const TIMES: Units = { '': 1, '×': 1, x: 1 };
const PLAIN: Units = { '': 1 };
const AS_SCENE = '·scene';

interface RiderProps {
  readonly rider: Rider;
}

type Patch = (label: string, next: Parameters<typeof setPace>[1]['patch']) => void;

function usePacePatch(rider: Rider): Patch {
  const desk = useDesk();
  const chosen = useChosen(rider);
  return (label, patch) => changeEach(desk, label, chosen, (scene, { id }) => setPace(scene, { rider: id, patch }));
}

/** When it starts. */
export function DelayRow({ rider }: RiderProps) {
  const fps = useDocumentState((state) => state.shown.clock.fps);
  const patch = usePacePatch(rider);
  return (
    <NumberRow
      of="pace.delay"
      value={rider.pace.delay}
      unit="s"
      units={secondsAt(fps)}
      digits={3}
      step={1 / fps}
      onCommit={(delay) => patch('Change delay', { delay })}
    />
  );
}

/** How long its own cycle is. */
export function CycleRows({ rider }: RiderProps) {
  const desk = useDesk();
  const clock = useDocumentState((state) => state.shown.clock);
  const [how, setHow] = useState<'stretch' | 'room'>('stretch');
  const isTimed = rider.pace.marks.length > 0 || Object.values(rider.keys).some((keys) => keys.length > 0);
  const patch = usePacePatch(rider);
  return (
    <>
      <NumberRow
        of="pace.cycle"
        name="Own cycle"
        value={cycleOf(rider, clock)}
        unit="s"
        units={secondsAt(clock.fps)}
        digits={3}
        min={0.01}
        max={3600}
        onCommit={(cycle) =>
          how === 'room'
            ? perform(desk, 'Add room to the cycle', setCycleRoom, { rider: rider.id, cycle })
            : patch('Change cycle', { cycle: Math.abs(cycle - clock.duration) < 1e-9 ? null : cycle })
        }
      />
      {isTimed && (
        <ChoiceRow
          of="pace.cycle.how"
          value={how}
          options={[
            ['stretch', 'scale marks'],
            ['room', 'keep times'],
          ]}
          onChange={setHow}
        />
      )}
    </>
  );
}

/** How many frames a position is held. */
export function StepRow({ rider }: RiderProps) {
  const patch = usePacePatch(rider);
  return (
    <Row of="pace.on">
      <ChoiceField
        label="Step"
        value={String(rider.pace.on)}
        data={HOLDS.some(({ value }) => value === String(rider.pace.on)) ? HOLDS : [...HOLDS, holdOf(rider.pace.on)]}
        onChange={(on) => patch('Change the step', { on: Number(on) })}
      />
    </Row>
  );
}

/** How a rider repeats, told apart from the scene; and how many rounds it has. */
export function RepeatRows({ rider }: RiderProps) {
  const clock = useDocumentState((state) => state.shown.clock);
  const patch = usePacePatch(rider);
  return (
    <>
      <Row of="pace.repeat">
        <ChoiceField
          label="Rider’s repeat"
          value={rider.pace.repeat ?? AS_SCENE}
          data={[{ value: AS_SCENE, label: 'as the scene' }, ...OWN_REPEATS]}
          onChange={(value) =>
            patch('Change repeat', { repeat: OWN_REPEATS.find((one) => one.value === value)?.value ?? null })
          }
        />
      </Row>
      {(rider.pace.repeat ?? clock.repeat) !== 'once' && (
        <Row of="pace.rounds">
          <NumberField
            label="Rounds, 0 endlessly"
            value={rider.pace.times ?? 0}
            unit=""
            units={PLAIN}
            digits={0}
            min={0}
            max={10_000}
            onCommit={(times) => patch('Change rounds', { times: times < 1 ? null : Math.round(times) })}
          />
          <span className="card-note">
            {rider.pace.times !== null ? 'then holds' : rider.pace.only ? 'one' : 'endlessly'}
          </span>
        </Row>
      )}
      {!rider.pace.only && clock.repeat !== 'once' && (rider.pace.repeat === 'once' || rider.pace.times !== null) && (
        <p className="card-note">It begins anew with each loop of the scene.</p>
      )}
    </>
  );
}

/** Makes one rider faster or slower, its marks and keyframes with it. */
export function SpeedRow({ rider }: RiderProps) {
  const desk = useDesk();
  const chosen = useChosen(rider);
  return (
    <NumberRow
      of="pace.speed"
      name="Speed, times"
      value={1}
      unit="×"
      units={TIMES}
      digits={3}
      min={0.001}
      max={1000}
      onCommit={(times) => {
        if (chosen.length === 1) perform(desk, 'Change speed', slowRider, { rider: rider.id, factor: 1 / times });
        else
          changeEach(desk, 'Change speed', chosen, (scene, { id }) =>
            slowRider(scene, { rider: id, factor: 1 / times }),
          );
      }}
    />
  );
}
