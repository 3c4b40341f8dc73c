import { Slider } from '@mantine/core';
import { EASE_OFFERS, offerOfEase, shapedFrom, strengthOfEase, wordsOfLeg, type Ease } from '@pace-line/core';
import { NumberField, PERCENT, secondsAt } from '../../fields/index.ts';
import { change } from '../actions/change.ts';
import { PlainRow } from '../cards/Card.tsx';
import { useDesk } from '../context.ts';
import { useTrial } from '../use-trial.ts';
import { CssRow } from './CssRow.tsx';
import { EaseCurve } from './EaseCurve.tsx';
import type { EaseEdit } from './ease-edit.ts';
import { KeptRow } from './KeptRow.tsx';
import { ShapingRows } from './ShapingRows.tsx';

const hasStrength = (ease: Ease): boolean => ease.kind !== 'steady' && ease.kind !== 'hold';

/** Another ease with the strength of this one, so that several are compared at one strength. */
function asStrong(next: Ease, now: Ease): Ease {
  const strength = 'strength' in now ? now.strength : undefined;
  return strength === undefined || !hasStrength(next) ? next : ({ ...next, strength } as Ease);
}

/** All that an ease can be: a gallery of curves, how strong it is, what its kind asks, its points, and its text. */
export function EaseShaper(props: EaseEdit) {
  const { ease, edit } = props;
  const desk = useDesk();
  const offer = offerOfEase(ease);
  return (
    <>
      <div className="ease-head">
        <EaseCurve ease={ease} width={96} height={56} />
        <p className="ease-words">{wordsOfLeg(ease)}</p>
      </div>
      <div className="ease-gallery" role="group" aria-label="Gallery of easings">
        {EASE_OFFERS.map((one) => (
          <button
            key={one.id}
            type="button"
            aria-pressed={one === offer}
            aria-label={one.name}
            title={one.name}
            onClick={() => change(desk, 'Change easing', (scene) => edit(scene, asStrong(one.ease, ease)))}
          >
            <EaseCurve ease={one.ease} width={36} height={24} />
          </button>
        ))}
      </div>
      <KeptRow {...props} />
      <StrengthRow {...props} />
      {ease.kind === 'spring' && <SpringRows {...props} ease={ease} />}
      {ease.kind === 'shaped' ? (
        <ShapingRows {...props} ease={ease} />
      ) : (
        ease.kind !== 'hold' && (
          <PlainRow label="By hand">
            <button
              type="button"
              className="small-button"
              onClick={() => change(desk, 'Bend leg', (scene) => edit(scene, shapedFrom(ease, props.as)))}
            >
              Bend by points
            </button>
          </PlainRow>
        )
      )}
      <CssRow {...props} />
    </>
  );
}

function StrengthRow({ ease, edit }: EaseEdit) {
  const trial = useTrial();
  if (!hasStrength(ease)) return null;
  const now = strengthOfEase(ease);
  const withStrength = (percent: number): Ease => {
    const { strength: _old, even: _even, ...bare } = ease as Ease & { strength?: number; even?: number };
    return percent === 100 ? bare : ({ ...bare, strength: percent / 100 } as Ease);
  };
  const show = (percent: number): void => trial.show('Change strength', (scene) => edit(scene, withStrength(percent)));
  return (
    <PlainRow label="Strength">
      <Slider
        className="ease-strength"
        size="xs"
        min={0}
        max={200}
        step={5}
        value={Math.round(now * 100)}
        label={null}
        thumbLabel="Strength of the ease, %"
        marks={[{ value: 100 }]}
        onChange={show}
        onChangeEnd={() => trial.rest()}
      />
      <NumberField
        label="Strength of the ease in %"
        value={now * 100}
        unit="%"
        units={PERCENT}
        digits={0}
        min={0}
        max={200}
        onCommit={(percent) => {
          show(percent);
          trial.rest();
        }}
      />
    </PlainRow>
  );
}

function SpringRows({ ease, lasts, edit }: EaseEdit & { readonly ease: Extract<Ease, { kind: 'spring' }> }) {
  const desk = useDesk();
  const set = (patch: Partial<typeof ease>): void =>
    change(desk, 'Change spring', (scene) => edit(scene, { ...ease, ...patch }));
  return (
    <PlainRow label="Shoots past by, settles in">
      <NumberField
        label="Overshoot"
        value={ease.overshoot}
        unit="%"
        units={PERCENT}
        digits={1}
        min={0}
        max={90}
        onCommit={(overshoot) => set({ overshoot })}
      />
      <NumberField
        label="Settles within"
        value={ease.settle * lasts}
        unit="s"
        units={secondsAt(60)}
        digits={2}
        min={0.05 * lasts}
        max={lasts}
        onCommit={(time) => set({ settle: Math.min(1, Math.max(0.05, time / lasts)) })}
      />
    </PlainRow>
  );
}
