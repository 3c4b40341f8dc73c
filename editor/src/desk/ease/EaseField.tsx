import { Popover } from '@mantine/core';
import { useState } from 'react';
import { EASE_OFFERS, offerOfEase, strengthOfEase, wordsOfEase, wordsOfLeg } from '@pace-line/core';
import { ChoiceField } from '../../fields/index.ts';
import { change } from '../actions/change.ts';
import { useDesk } from '../context.ts';
import { EaseCurve } from './EaseCurve.tsx';
import type { EaseEdit } from './ease-edit.ts';
import { EaseShaper } from './EaseShaper.tsx';
import './ease.css';

/** The value of an ease that no list offers: it is shown, and cannot be chosen again. */
const OWN = '·own';

/** What every kind of ease offers, under its headings. */
const GROUPS = [...new Set(EASE_OFFERS.map((offer) => offer.group))].map((group) => ({
  group,
  items: EASE_OFFERS.filter((offer) => offer.group === group).map(({ id, name }) => ({ value: id, label: name })),
}));

/** An ease: what it does as a small curve, which opens all that it can be, and its name in a list that can be searched by typing. */
export function EaseField(props: EaseEdit) {
  const { label, ease, edit } = props;
  const desk = useDesk();
  const isPart = 'part' in ease && ease.part !== undefined;
  // A part of one, or one softer or stronger, is not what the list offers: it stands there by its own name.
  const offer = isPart || strengthOfEase(ease) !== 1 ? undefined : offerOfEase(ease);
  const own = offer ? [] : [{ group: 'As it is', items: [{ value: OWN, label: wordsOfEase(ease) }] }];
  return (
    <>
      <ShaperButton {...props} />
      <ChoiceField
        label={label}
        value={offer?.id ?? OWN}
        data={[...own, ...GROUPS]}
        searchable
        onChange={(id) => {
          const chosen = EASE_OFFERS.find((one) => one.id === id);
          if (chosen && chosen !== offer) change(desk, 'Change easing', (scene) => edit(scene, chosen.ease));
        }}
      />
    </>
  );
}

function ShaperButton(props: EaseEdit) {
  const [open, setOpen] = useState(false);
  const words = wordsOfLeg(props.ease);
  return (
    <Popover opened={open} onChange={setOpen} position="left-end" width={404} trapFocus shadow="md" withinPortal>
      <Popover.Target>
        <button
          type="button"
          className="ease-button"
          aria-label={`Shape: ${props.label}, ${words}`}
          aria-expanded={open}
          title={words}
          onClick={() => setOpen(!open)}
        >
          <EaseCurve ease={props.ease} width={34} height={21} />
        </button>
      </Popover.Target>
      <Popover.Dropdown className="ease-shaper" aria-label={`Shape of: ${props.label}`}>
        <EaseShaper {...props} />
      </Popover.Dropdown>
    </Popover>
  );
}
