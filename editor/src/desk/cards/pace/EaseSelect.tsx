import { ChoiceField } from '../../../fields/index.ts';
import { EASE_OFFERS, offerOfEase, setEase, wordsOfEase, type Mark, type Rider } from '@pace-line/core';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';

/** The value of an ease that no list offers: it is shown, and cannot be chosen again. */
const OWN = '·own';

/** What every kind of ease offers, under its headings. */
const GROUPS = [...new Set(EASE_OFFERS.map((offer) => offer.group))].map((group) => ({
  group,
  items: EASE_OFFERS.filter((offer) => offer.group === group).map(({ id, name }) => ({ value: id, label: name })),
}));

interface EaseSelectProps {
  readonly rider: Rider;
  readonly mark: Mark;
  /** Marks whose legs get the ease that is chosen. */
  readonly marks: readonly string[];
}

/** The ease of the leg that follows a mark, from a list that can be searched by typing. */
export function EaseSelect({ rider, mark, marks }: EaseSelectProps) {
  const desk = useDesk();
  const isPart = 'part' in mark.ease && mark.ease.part !== undefined;
  const offer = isPart ? undefined : offerOfEase(mark.ease);
  const own = offer ? [] : [{ group: 'As it is', items: [{ value: OWN, label: wordsOfEase(mark.ease) }] }];
  return (
    <ChoiceField
      label="Ease of the leg that follows"
      value={offer?.id ?? OWN}
      data={[...own, ...GROUPS]}
      searchable
      onChange={(id) => {
        const chosen = EASE_OFFERS.find((one) => one.id === id);
        if (chosen && chosen !== offer)
          perform(desk, 'Change ease', setEase, { rider: rider.id, marks, ease: chosen.ease });
      }}
    />
  );
}
