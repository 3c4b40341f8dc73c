import type { Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, PX } from '../../../fields/index.ts';
import { Row } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';
import { NumberRow } from '../rows.tsx';
import { useHeading } from './use-heading.ts';

const POINT = '·point';

/** What two contacts, and a target, are. */
export function AimRows({ rider }: { rider: Rider }) {
  const { heading } = rider;
  const patch = useHeading(rider);
  if (heading.mode === 'contacts')
    return (
      <NumberRow
        of="heading.contacts"
        value={heading.base}
        unit="px"
        units={PX}
        min={0.1}
        max={100_000}
        onCommit={(base) => patch('Change contact distance', { base })}
      />
    );
  return heading.mode === 'toward' ? <TargetRows rider={rider} /> : null;
}

function TargetRows({ rider }: { rider: Rider }) {
  const riders = useDocumentState((state) => state.shown.riders);
  const { target } = rider.heading;
  const patch = useHeading(rider);
  const others = riders.filter((one) => one.id !== rider.id && !one.locked);
  return (
    <>
      <Row of="heading.target">
        <ChoiceField
          label="Target"
          searchable
          value={target.kind === 'rider' ? target.rider : POINT}
          data={[{ value: POINT, label: 'a point' }, ...others.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={(value) =>
            patch('Change target', {
              target: value === POINT ? { kind: 'point', at: [0, 0] } : { kind: 'rider', rider: value },
            })
          }
        />
      </Row>
      {target.kind === 'point' && (
        <Row of="heading.point">
          <PointFields
            label="Point"
            point={target.at}
            onCommit={(at) => patch('Move target', { target: { kind: 'point', at } })}
          />
        </Row>
      )}
    </>
  );
}
