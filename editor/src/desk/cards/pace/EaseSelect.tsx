import { ChoiceField } from '../../../fields/index.ts';
import { EASE_OFFERS, offerOfEase, setEase, wordsOfEase, type Ease, type Mark, type Rider } from '@pace-line/core';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';

/** The value of an ease that no list offers: it is shown, and cannot be chosen again. */
const OWN = '·own';

/** What every kind of ease offers, under its headings. */
const GROUPS = [...new Set(EASE_OFFERS.map((offer) => offer.group))].map((group) => ({
  group,
  items: EASE_OFFERS.filter((offer) => offer.group === group).map(({ id, name }) => ({ value: id, label: name })),
}));

interface EaseFieldProps {
  readonly label: string;
  readonly ease: Ease;
  readonly onChange: (ease: Ease) => void;
}

/** An ease from a list that can be searched by typing. */
export function EaseField({ label, ease, onChange }: EaseFieldProps) {
  const isPart = 'part' in ease && ease.part !== undefined;
  const offer = isPart ? undefined : offerOfEase(ease);
  const own = offer ? [] : [{ group: 'As it is', items: [{ value: OWN, label: wordsOfEase(ease) }] }];
  return (
    <ChoiceField
      label={label}
      value={offer?.id ?? OWN}
      data={[...own, ...GROUPS]}
      searchable
      onChange={(id) => {
        const chosen = EASE_OFFERS.find((one) => one.id === id);
        if (chosen && chosen !== offer) onChange(chosen.ease);
      }}
    />
  );
}

interface EaseSelectProps {
  readonly rider: Rider;
  readonly mark: Mark;
  /** Marks whose legs get the ease that is chosen. */
  readonly marks: readonly string[];
}

/** The ease of the leg that follows a mark. */
export function EaseSelect({ rider, mark, marks }: EaseSelectProps) {
  const desk = useDesk();
  return (
    <EaseField
      label="Ease of the leg that follows"
      ease={mark.ease}
      onChange={(ease) => perform(desk, 'Change ease', setEase, { rider: rider.id, marks, ease })}
    />
  );
}
