import { useState, type ComponentProps, type ReactNode } from 'react';
import { keyValueAt, localAt, riderById, type Key, type KeyChannel, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { DEGREES, NumberField, PERCENT, PX, type Units } from '../../../fields/index.ts';
import { useFigure } from '../../../scene/context.ts';
import { CHANNELS, type ChannelNumber } from '../../../words/channels.ts';
import { dropKeyHere, keyNear, setKeyHere } from '../../actions/keys.ts';
import { useDesk } from '../../context.ts';
import { useLive } from '../../live.tsx';
import { Row } from '../Card.tsx';

const UNITS: Readonly<Record<ChannelNumber['unit'], Units>> = { '°': DEGREES, '%': PERCENT, px: PX };

interface KeyRowProps {
  readonly rider: Rider;
  readonly channel: KeyChannel;
  /** How many of its fields are shown. */
  readonly fields?: number;
}

/** A channel's value at the playhead, on top of the rest: what is typed is kept as a key there. */
export function KeyRow({ rider, channel, fields = CHANNELS[channel].numbers.length }: KeyRowProps): ReactNode {
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
  const name = CHANNELS[channel].name;
  return (
    <Row label={`Key: ${name}`}>
      {CHANNELS[channel].numbers.slice(0, fields).map(({ field, unit, factor, min, max }, i) => (
        <KeyNumber
          key={field}
          rider={rider.id}
          channel={channel}
          index={i}
          factor={factor}
          label={field}
          value={(numbersOf(value())[i] ?? 0) * factor}
          unit={unit}
          units={UNITS[unit]}
          digits={1}
          takesSame={() => keyAt(desk.playback.time) === undefined}
          {...(min === undefined ? {} : { min })}
          {...(max === undefined ? {} : { max })}
          onCommit={(next) => commit(i, next / factor)}
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
