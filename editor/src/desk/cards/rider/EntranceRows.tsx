import { replaceEntrance, type Entrance, type Rider, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { DEGREES, NumberField, PERCENT, secondsAt } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { EaseField } from '../../ease/EaseField.tsx';
import { Row } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';
import { NumberRow, YesRow } from '../rows.tsx';

/** s at most. */
const LONGEST = 600;

/** How a rider enters in the lead-in, which is played once before the loop. */
export function EntranceRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const { entrance } = rider;
  return (
    <>
      <YesRow
        label="Enters before it"
        title="Played once, before the loop: from out of sight to where the loop begins"
        value={entrance !== null}
        onChange={(enters) =>
          change(desk, enters ? 'Let it enter' : 'Let it be there', (scene) =>
            replaceEntrance(scene, { rider: rider.id, entrance: enters ? {} : null }),
          )
        }
      />
      {entrance && <EntranceDetails rider={rider} entrance={entrance} />}
    </>
  );
}

function EntranceDetails({ rider, entrance }: { rider: Rider; entrance: Entrance }) {
  const desk = useDesk();
  const fps = useDocumentState((state) => state.shown.clock.fps);
  const { start, seconds, from, turn, scale, opacity, ease } = entrance;
  const edited = (scene: Scene, patch: Partial<Entrance>): Scene =>
    replaceEntrance(scene, { rider: rider.id, entrance: patch });
  const set = (label: string, patch: Partial<Entrance>): void => change(desk, label, (scene) => edited(scene, patch));
  const time = { unit: 's', units: secondsAt(fps), digits: 3, max: LONGEST } as const;
  return (
    <>
      <Row label="… after, takes">
        <NumberField
          {...time}
          label="Enters after"
          value={start}
          min={0}
          onCommit={(next) => set('Enter later', { start: next })}
        />
        <NumberField
          {...time}
          label="Entering takes"
          value={seconds}
          min={0.01}
          onCommit={(next) => set('Enter in', { seconds: next })}
        />
      </Row>
      <Row label="… from">
        <PointFields label="Enters from" point={from} onCommit={(next) => set('Enter from', { from: next })} />
      </Row>
      <Row label="… as large, seen">
        <NumberField
          label="Size as it enters"
          value={scale * 100}
          unit="%"
          units={PERCENT}
          onCommit={(next) => set('Enter as large', { scale: next / 100 })}
        />
        <NumberField
          label="Opacity as it enters"
          value={opacity * 100}
          unit="%"
          units={PERCENT}
          min={0}
          max={100}
          onCommit={(next) => set('Enter as opaque', { opacity: next / 100 })}
        />
      </Row>
      <NumberRow
        label="… turned"
        name="Turned as it enters"
        value={turn}
        unit="°"
        units={DEGREES}
        onCommit={(next) => set('Enter turned', { turn: next })}
      />
      <Row label="… by">
        <EaseField
          label="Ease of entering"
          ease={ease}
          lasts={seconds}
          edit={(scene, next) => edited(scene, { ease: next })}
        />
      </Row>
    </>
  );
}
