import { useState, type ComponentProps, type ReactNode } from 'react';
import { keyValueAt, localAt, riderById, type Key, type KeyChannel, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { DEGREES, NumberField, PERCENT, PX, type Units } from '../../../fields/index.ts';
import { useFigure } from '../../../scene/context.ts';
import { CHANNEL_NAMES } from '../../../words/channels.ts';
import { dropKeyHere, keyNear, setKeyHere } from '../../actions/keys.ts';
import { useDesk } from '../../context.ts';
import { useLive } from '../../live.tsx';
import { Row } from '../Card.tsx';

/** One number of a key's value, as a field shows it. */
interface KeyField {
  readonly name: string;
  readonly unit: string;
  readonly units: Units;
  readonly digits: number;
  /** From the file's number to the shown one. */
  readonly factor: number;
  readonly min?: number;
  readonly max?: number;
}

const percent = (name: string, min: number, max: number): KeyField => ({
  ...{ name, unit: '%', units: PERCENT, digits: 1, factor: 100 },
  min,
  max,
});
const degrees = (name: string): KeyField => ({ name, unit: '°', units: DEGREES, digits: 1, factor: 1 });
const px = (name: string): KeyField => ({ name, unit: 'px', units: PX, digits: 1, factor: 1 });

/** The fields of each channel's values, in their order. */
export const KEY_FIELDS: Readonly<Record<KeyChannel, readonly KeyField[]>> = {
  turn: [degrees('Turn key')],
  scale: [percent('Scale key across', -100_000, 100_000), percent('Scale key over', -100_000, 100_000)],
  opacity: [percent('Opacity key', 0, 100)],
  lift: [px('Lift key')],
  lead: [px('Lead key')],
  squash: [percent('Stretch key', 5, 2000)],
  axis: [degrees('Squash axis key')],
};

interface KeyRowProps {
  readonly rider: Rider;
  readonly channel: KeyChannel;
  /** How many of its fields are shown. */
  readonly fields?: number;
}

/** A channel's value at the playhead, on top of the rest: what is typed is kept as a key there. */
export function KeyRow({ rider, channel, fields = KEY_FIELDS[channel].length }: KeyRowProps): ReactNode {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const [time, setTime] = useState(() => desk.playback.time);
  const isKeyed = rider.keys[channel].length > 0;
  const keyAt = (at: number) => keyNear(rider, channel, localAt(scene, rider, at), scene.clock.fps);
  const there = keyAt(time);
  // Only whether there is a key is rendered; the value itself follows by `live`.
  useFigure(({ time: now }) => {
    if (isKeyed && keyAt(now) !== there) setTime(now);
  });
  const value = (): Key['value'] => {
    const now = desk.playback.time;
    return keyAt(now)?.value ?? keyValueAt(rider.keys, channel, localAt(scene, rider, now));
  };
  const commit = (index: number, next: number): void => {
    const numbers = numbersOf(value());
    // Scales that are alike stay so when the first is set; the second is set alone.
    const isAlike = channel === 'scale' && index === 0 && numbers[0] === numbers[1];
    const all = numbers.map((one, i) => (i === index || isAlike ? next : one));
    setKeyHere(desk, rider.id, channel, (all.length === 1 ? all[0] : all) as Key['value']);
  };
  const name = CHANNEL_NAMES[channel];
  return (
    <Row label={`Key: ${name}`}>
      {KEY_FIELDS[channel].slice(0, fields).map((field, i) => (
        <KeyNumber
          key={field.name}
          rider={rider.id}
          channel={channel}
          index={i}
          factor={field.factor}
          label={field.name}
          value={(numbersOf(value())[i] ?? 0) * field.factor}
          unit={field.unit}
          units={field.units}
          digits={field.digits}
          takesSame={() => keyAt(desk.playback.time) === undefined}
          {...(field.min === undefined ? {} : { min: field.min })}
          {...(field.max === undefined ? {} : { max: field.max })}
          onCommit={(next) => commit(i, next / field.factor)}
        />
      ))}
      <button
        type="button"
        className="small-button"
        aria-label={
          there
            ? `Delete the ${name} key at the playhead`
            : `Set ${/^[aeiou]/.test(name) ? 'an' : 'a'} ${name} key at the playhead`
        }
        title={
          there
            ? 'Takes the key at the playhead away'
            : `Keeps the value at the playhead as a key${isKeyed ? '' : '; on top of what it is without keys'}`
        }
        onClick={() => (there ? dropKeyHere(desk, rider.id, channel) : setKeyHere(desk, rider.id, channel, value()))}
      >
        {there ? 'drop' : 'key'}
      </button>
    </Row>
  );
}

const numbersOf = (value: Key['value']): readonly number[] => [value].flat();

interface KeyNumberProps extends ComponentProps<typeof NumberField> {
  readonly rider: string;
  readonly channel: KeyChannel;
  /** Which number of the value it is, and what the shown one is for each of the file's. */
  readonly index: number;
  readonly factor: number;
}

/** One number of a channel's value at the playhead, wherever that is and whatever a hand makes of it. */
function KeyNumber({ rider: id, channel, index, factor, ...field }: KeyNumberProps) {
  const live = useLive(({ scene, time }) => {
    const rider = riderById(scene, id);
    const value = rider && keyValueAt(rider.keys, channel, localAt(scene, rider, time));
    return value === undefined ? undefined : (numbersOf(value)[index] ?? 0) * factor;
  });
  return <NumberField {...field} live={live} />;
}
