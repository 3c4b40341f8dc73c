import { replaceEntrance, type Entrance, type Rider, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { DEGREES, PERCENT, secondsAt } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { EaseField } from '../../ease/EaseField.tsx';
import { Row } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';
import { NumberRow } from '../rows.tsx';

/** s at most. */
const LONGEST = 600;

/** How a rider enters in the lead-in, which is played once before the loop. */
export function EntranceRows({ rider, entrance }: { rider: Rider; entrance: Entrance }) {
  const desk = useDesk();
  const fps = useDocumentState((state) => state.shown.clock.fps);
  const { start, seconds, from, turn, scale, opacity, ease } = entrance;
  const edited = (scene: Scene, patch: Partial<Entrance>): Scene =>
    replaceEntrance(scene, { rider: rider.id, entrance: patch });
  const set = (label: string, patch: Partial<Entrance>): void => change(desk, label, (scene) => edited(scene, patch));
  const time = { unit: 's', units: secondsAt(fps), digits: 3, max: LONGEST } as const;
  return (
    <>
      <NumberRow
        {...time}
        of="rider.entrance.start"
        name="Entrance delay"
        value={start}
        min={0}
        onCommit={(next) => set('Change entrance delay', { start: next })}
      />
      <NumberRow
        {...time}
        of="rider.entrance.seconds"
        name="Entrance duration"
        value={seconds}
        min={0.01}
        onCommit={(next) => set('Change entrance duration', { seconds: next })}
      />
      <Row of="rider.entrance.from">
        <PointFields
          label="Start offset"
          point={from}
          onCommit={(next) => set('Change start offset', { from: next })}
        />
      </Row>
      <NumberRow
        of="rider.entrance.turn"
        value={turn}
        unit="°"
        units={DEGREES}
        onCommit={(next) => set('Change start rotation', { turn: next })}
      />
      <NumberRow
        of="rider.entrance.scale"
        value={scale * 100}
        unit="%"
        units={PERCENT}
        onCommit={(next) => set('Change start scale', { scale: next / 100 })}
      />
      <NumberRow
        of="rider.entrance.opacity"
        value={opacity * 100}
        unit="%"
        units={PERCENT}
        min={0}
        max={100}
        onCommit={(next) => set('Change start opacity', { opacity: next / 100 })}
      />
      <Row of="rider.entrance.ease">
        <EaseField
          label="Entrance easing"
          ease={ease}
          lasts={seconds}
          edit={(scene, next) => edited(scene, { ease: next })}
        />
      </Row>
    </>
  );
}
