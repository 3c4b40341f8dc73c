import { useState } from 'react';
import { isLinkedTo, MOVEMENT_PARTS, setPace, takeMovement, type MovementPart, type Rider } from '@pace-line/core';
import { toggled, useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { sayLost } from '../../actions/saying.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';

const NONE = '·none';

const PARTS: Readonly<Record<MovementPart, string>> = {
  guide: 'guide',
  pace: 'pace',
  heading: 'heading',
  keys: 'keyframes',
};

/** The motion of another rider, taken over in all or in part. */
export function MovementRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.shown.riders);
  const [parts, setParts] = useState<readonly string[]>(MOVEMENT_PARTS);
  const others = riders.filter((one) => one.id !== rider.id && !one.locked);
  return (
    <>
      <Row of="rider.copy.parts">
        <div className="segments" role="group" aria-label="Parts of the motion to take over">
          {MOVEMENT_PARTS.map((part) => (
            <button
              key={part}
              type="button"
              aria-pressed={parts.includes(part)}
              onClick={() => setParts((now) => toggled(now, part))}
            >
              {PARTS[part]}
            </button>
          ))}
        </div>
      </Row>
      <Row of="rider.copy">
        <ChoiceField
          label="Copy motion from"
          searchable
          value={NONE}
          data={[
            { value: NONE, label: 'choose a rider' },
            ...others.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(from) => {
            if (from === NONE) return;
            const chosen = MOVEMENT_PARTS.filter((part) => parts.includes(part));
            const had = rider.guide !== null || Object.values(rider.keys).some((keys) => keys.length > 0);
            if (
              perform(desk, `Copy motion to ${rider.name}`, takeMovement, { from, to: rider.id, parts: chosen }) &&
              had
            )
              sayLost(desk, `The ${chosen.map((part) => PARTS[part]).join(', ')} of “${rider.name}” were replaced`);
          }}
        />
      </Row>
    </>
  );
}

/** How many share its marks, and the way out. */
export function LinkedRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const count = useDocumentState(({ shown }) => shown.riders.filter((one) => isLinkedTo(one, rider)).length);
  return (
    <p className="card-note">
      {count} riders share these marks.{' '}
      <button
        type="button"
        className="small-button"
        onClick={() => perform(desk, 'Unlink marks', setPace, { rider: rider.id, patch: { link: null } })}
      >
        Give it its own marks
      </button>
    </p>
  );
}
