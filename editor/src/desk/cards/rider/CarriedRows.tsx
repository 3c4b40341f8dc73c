import { carryRider, type Carrier, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';

const NOBODY = '·nobody';

const TAKEN = [
  ['turn', 'rotation'],
  ['scale', 'scale'],
  ['mirror', 'flip'],
] as const;

/** Who carries it, and what it takes over of that. Changing the carrier leaves it where it is. */
export function CarriedRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.shown.riders);
  const { carrier } = rider;
  const carry = (label: string, next: Carrier | null): void =>
    void perform(desk, label, carryRider, { rider: rider.id, carrier: next, time: desk.playback.time });
  const others = riders.filter((one) => one.id !== rider.id);
  return (
    <>
      {rider.guide === null && (
        <Row of="rider.carrier">
          <ChoiceField
            label="Carried by"
            searchable
            value={carrier?.rider ?? NOBODY}
            data={[{ value: NOBODY, label: 'none' }, ...others.map(({ id, name }) => ({ value: id, label: name }))]}
            onChange={(value) =>
              value === NOBODY
                ? carry('Remove carrier', null)
                : carry('Carry by another rider', {
                    ...(carrier ?? { turn: true, scale: true, mirror: true }),
                    rider: value,
                  })
            }
          />
        </Row>
      )}
      {carrier && (
        <Row of="rider.inherits">
          <div className="segments" role="group" aria-label="Inherits of its carrier">
            {TAKEN.map(([key, name]) => (
              <button
                key={key}
                type="button"
                aria-pressed={carrier[key]}
                onClick={() =>
                  carry(`${carrier[key] ? 'Leave' : 'Take over'} ${name}`, { ...carrier, [key]: !carrier[key] })
                }
              >
                {name}
              </button>
            ))}
          </div>
        </Row>
      )}
    </>
  );
}
