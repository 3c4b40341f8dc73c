import { cycleOf, setPace, type Repeat, type Rider } from '@pace-line/core';
import { useCalmState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';

/** A rider's own repeat, told apart from the scene's by what its cycle does. */
const OWN_REPEATS: readonly { readonly value: Repeat; readonly label: string }[] = [
  { value: 'loop', label: 'its cycle loops' },
  { value: 'there-and-back', label: 'there and back' },
  { value: 'once', label: 'once, then stays' },
];
const AS_SCENE = '·scene';

/** The rider's own time: when it starts, how long its cycle is, how it repeats. */
export function CycleRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const clock = useCalmState((state) => state.shown.clock);
  const units = secondsAt(clock.fps);
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
      <Row label="Cycle">
        <NumberField
          label="Own cycle"
          value={cycleOf(rider, clock)}
          unit="s"
          units={units}
          digits={3}
          min={0.01}
          max={3600}
          onCommit={(cycle) => patch('Change cycle', { cycle: Math.abs(cycle - clock.duration) < 1e-9 ? null : cycle })}
        />
      </Row>
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
    </>
  );
}
