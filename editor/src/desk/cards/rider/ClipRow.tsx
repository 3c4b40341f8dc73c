import { setRider, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';

const NONE = '·none';

/** The closed guide within which, or outside of which, it is seen. */
export function ClipRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const guides = useDocumentState((state) => state.shown.guides);
  const shapes = guides.filter((guide) => guide.closed);
  const value = rider.inside ? `${rider.inside.keep} ${rider.inside.guide}` : NONE;
  return (
    <Row of="rider.clip">
      <ChoiceField
        label="Clip to a guide"
        searchable
        value={value}
        data={[
          { value: NONE, label: 'everywhere' },
          ...shapes.flatMap(({ id, name }) => [
            { value: `inside ${id}`, label: `inside ${name}` },
            { value: `outside ${id}`, label: `outside ${name}` },
          ]),
        ]}
        onChange={(chosen) => {
          const [keep, guide] = chosen.split(' ');
          const inside = guide && (keep === 'inside' || keep === 'outside') ? { guide, keep } : null;
          change(desk, 'Change clip', (base) =>
            setRider(base, { id: rider.id, patch: { inside: inside as Rider['inside'] } }),
          );
        }}
      />
    </Row>
  );
}
