import { useState, type ReactNode } from 'react';
import { keyValueAt, localAt, riderById, type Key, type KeyChannel, type Rider, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { DEGREES, NumberField, PERCENT, PX, type Units } from '../../../fields/index.ts';
import { useFigure } from '../../../scene/context.ts';
import { CHANNELS, type ChannelNumber } from '../../../words/channels.ts';
import { rowWords, type RowName } from '../../../words/rows.ts';
import { change } from '../../actions/change.ts';
import { dropKeyHere, keyNear, setKeyHere, withOpacityInKeys } from '../../actions/keys.ts';
import { useDesk } from '../../context.ts';
import { useLive } from '../../live.tsx';
import { sceneOf } from '../../desk.ts';
import { useChosen } from '../several.ts';
import { Row } from '../Card.tsx';
import { BASES, keyFor, whole } from './bases.ts';
import { KeyButton } from './KeyButton.tsx';

const UNITS: Readonly<Record<ChannelNumber['unit'], Units>> = { '°': DEGREES, '%': PERCENT, px: PX };

interface KeyedRowProps {
  readonly of: RowName;
  readonly rider: Rider;
  readonly channel: KeyChannel;
  /** Sizes: they have no sign in the fields; what is mirrored stays so. */
  readonly isSize?: boolean;
  /** Both numbers are changed in the same ratio. */
  readonly isTogether?: boolean;
  /** Stands between the fields and the keyframe button. */
  readonly children?: ReactNode;
}

const numbersOf = (value: Key['value']): readonly number[] => [value].flat();

/** The values of a rider's channel in its own time: its constant, with what its keyframes make of it. */
function valuesAt(scene: Scene, rider: Rider, channel: KeyChannel, time: number): readonly number[] {
  const base = BASES[channel];
  const constant = base?.of(rider) ?? [];
  if (base && rider.keys[channel].length === 0) return constant;
  return whole(base, constant, numbersOf(keyValueAt(rider.keys, channel, localAt(scene, rider, time))));
}

/** A value and its keyframes in one row: without keyframes the constant is typed, with them what it is at the playhead. */
export function KeyedRow({ of, rider, channel, isSize = false, isTogether = false, children }: KeyedRowProps) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const [time, setTime] = useState(() => desk.playback.time);
  const chosen = useChosen(rider);
  const base = BASES[channel];
  const isKeyed = rider.keys[channel].length > 0;
  const keyAt = (at: number) => keyNear(rider, channel, localAt(scene, rider, at), scene.clock.fps);
  const there = keyAt(time);
  // Only whether there is a keyframe is rendered; the value itself follows by `live`.
  useFigure(({ time: now }) => {
    if (isKeyed && keyAt(now) !== there) setTime(now);
  });
  const values = (): readonly number[] => valuesAt(scene, rider, channel, desk.playback.time);
  /** The riders that it is for: all that are selected, and one step of undo for all of them. */
  const each = (act: (one: Rider) => void): void => {
    const now = sceneOf(desk);
    const { selection } = desk.doc.state;
    desk.doc.inRun(`${of} of several ${Date.now()}`, () => {
      for (const id of chosen) {
        const one = riderById(now, id);
        if (one) act(one);
      }
    });
    if (chosen.length > 1) desk.doc.select(selection);
  };
  const keyHere = (one: Rider, wanted: readonly number[]): void => {
    const isFolded = channel === 'opacity' && one.opacity !== 1;
    const key = isFolded ? wanted : keyFor(base, base?.of(one) ?? [], wanted);
    const value = (key.length === 1 ? key[0] : key) as Key['value'];
    setKeyHere(desk, one.id, channel, value, isFolded ? withOpacityInKeys(one.id) : undefined);
  };
  const commit = (index: number, typed: number): void =>
    each((one) => {
      const now = valuesAt(sceneOf(desk), one, channel, desk.playback.time);
      const before = now[index] ?? 0;
      const next = isSize && before < 0 ? -typed : typed;
      // From nothing both grow evenly.
      const factor = before === 0 ? undefined : next / before;
      const all = now.map((value, i) =>
        i === index ? next : isTogether ? (factor === undefined ? next : value * factor) : value,
      );
      if (base && one.keys[channel].length === 0) change(desk, base.undo, (edited) => base.put(edited, one, all));
      else keyHere(one, all);
    });
  const toggleKey = (): void =>
    each((one) =>
      there
        ? dropKeyHere(desk, one.id, channel)
        : keyHere(one, valuesAt(sceneOf(desk), one, channel, desk.playback.time)),
    );
  // What is the same both ways, and is to stay so, is one number.
  const isOne = isTogether && new Set(values().map((one) => Math.abs(one).toFixed(6))).size === 1;
  const numbers = CHANNELS[channel].numbers.slice(0, isOne ? 1 : undefined);
  return (
    <Row of={of}>
      {numbers.map((number, index) => (
        <Value
          key={number.field}
          {...{ rider: rider.id, channel, index, isSize, number }}
          label={numbers.length === 1 ? rowWords(of).label : number.field}
          value={values()[index] ?? 0}
          // With keyframes elsewhere, the same value once more is a keyframe here.
          takesSame={() => isKeyed && keyAt(desk.playback.time) === undefined}
          onCommit={(next) => commit(index, next)}
        />
      ))}
      {children}
      <KeyButton
        name={CHANNELS[channel].name}
        state={there ? 'here' : isKeyed ? 'elsewhere' : 'none'}
        onClick={toggleKey}
      />
    </Row>
  );
}

interface ValueProps {
  readonly rider: string;
  readonly channel: KeyChannel;
  readonly index: number;
  readonly isSize: boolean;
  readonly number: ChannelNumber;
  readonly label: string;
  readonly value: number;
  readonly takesSame: () => boolean;
  readonly onCommit: (value: number) => void;
}

/** One number of a channel's value at the playhead, wherever that is and whatever a hand makes of it. */
function Value({ rider: id, channel, index, isSize, number, label, value, takesSame, onCommit }: ValueProps) {
  const { unit, factor, min, max } = number;
  const shown = (one: number): number => (isSize ? Math.abs(one) : one) * factor;
  const live = useLive(({ scene, time }) => {
    const rider = riderById(scene, id);
    const now = rider && valuesAt(scene, rider, channel, time)[index];
    return now === undefined ? undefined : shown(now);
  });
  return (
    <NumberField
      label={label}
      value={shown(value)}
      live={live}
      unit={unit}
      units={UNITS[unit]}
      digits={1}
      takesSame={takesSame}
      {...(isSize ? { min: 0 } : min === undefined ? {} : { min })}
      {...(max === undefined ? {} : { max })}
      onCommit={(next) => onCommit(next / factor)}
    />
  );
}
