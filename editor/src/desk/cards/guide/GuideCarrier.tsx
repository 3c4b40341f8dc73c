import { carryGuide, centreGuide, type Guide } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';

const NOBODY = '·nobody';

/** The rider with which a guide moves. It stays where it is at the playhead, and so does what rides it. */
export function GuideCarrier({ guide }: { guide: Guide }) {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.shown.riders);
  const others = riders.filter((one) => one.guide !== guide.id && (!one.locked || one.id === guide.carrier));
  const centre = (on: 'art' | 'pivot'): void =>
    void perform(desk, 'Centre the guide on its carrier', centreGuide, { guide: guide.id, on });
  return (
    <>
      <Row of="guide.carrier">
        <ChoiceField
          label="Rider that carries the guide"
          searchable
          value={guide.carrier ?? NOBODY}
          data={[{ value: NOBODY, label: 'none' }, ...others.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={(value) =>
            perform(desk, value === NOBODY ? 'Remove the guide’s carrier' : 'Carry the guide', carryGuide, {
              guide: guide.id,
              carrier: value === NOBODY ? null : value,
              time: desk.playback.time,
            })
          }
        />
      </Row>
      {guide.carrier !== null && !guide.locked && (
        <Row of="guide.centre">
          <button
            type="button"
            className="small-button"
            title="Its middle lies in the middle of the carrier’s art"
            onClick={() => centre('art')}
          >
            Its art
          </button>
          <button
            type="button"
            className="small-button"
            title="Its middle lies at the carrier’s pivot"
            onClick={() => centre('pivot')}
          >
            Its pivot
          </button>
        </Row>
      )}
    </>
  );
}
