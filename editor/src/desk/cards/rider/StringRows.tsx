import { stringRider, type Rider, type Strung } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { YesRow } from '../rows.tsx';

const NOT = '·not';

/** Hung between two riders: from which, to which, and whether it is stretched. */
export function StringRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.shown.riders);
  const { strung } = rider;
  const others = riders.filter((one) => one.id !== rider.id).map(({ id, name }) => ({ value: id, label: name }));
  const hang = (label: string, next: Strung | null): void =>
    void perform(desk, label, stringRider, { rider: rider.id, strung: next, time: desk.playback.time });
  const second = others.find(({ value }) => value !== strung?.from)?.value;
  return (
    <>
      <Row of="rider.strung.from">
        <ChoiceField
          label="Hangs from"
          searchable
          value={strung?.from ?? NOT}
          data={[{ value: NOT, label: 'choose a rider' }, ...others]}
          onChange={(from) => {
            if (from === NOT) hang('Remove from between two riders', null);
            else if (strung) hang('String from another', { ...strung, from, fromAt: null });
            else
              hang('String between riders', {
                ...{ from, fromAt: null, toAt: null, stretch: false },
                to: others.find(({ value }) => value !== from)?.value ?? second ?? from,
              });
          }}
        />
      </Row>
      {strung && (
        <>
          <Row of="rider.strung.to">
            <ChoiceField
              label="Hangs to"
              searchable
              value={strung.to}
              data={others}
              onChange={(to) => hang('String to another', { ...strung, to, toAt: null })}
            />
          </Row>
          <YesRow
            of="rider.strung.stretch"
            value={strung.stretch}
            onChange={(stretch) =>
              hang(stretch ? 'Stretch from end to end' : 'Keep its length', { ...strung, stretch })
            }
          />
        </>
      )}
    </>
  );
}
