import type { Key, KeyChannel } from '@pace-line/core';

/** One number of a key's value, as it is shown. */
export interface ChannelNumber {
  /** What its field is called. */
  readonly field: string;
  readonly unit: '°' | '%' | 'px';
  /** What is shown for each of the file's. */
  readonly factor: number;
  /** Least and largest, as shown; absent: any. */
  readonly min?: number;
  readonly max?: number;
}

export interface ChannelWords {
  /** What the channel is called. */
  readonly name: string;
  readonly numbers: readonly [ChannelNumber, ...ChannelNumber[]];
}

const percent = (field: string, min: number, max: number): ChannelNumber => ({
  ...{ field, unit: '%', factor: 100 },
  min,
  max,
});
const degrees = (field: string): ChannelNumber => ({ field, unit: '°', factor: 1 });
const px = (field: string): ChannelNumber => ({ field, unit: 'px', factor: 1 });

/** All that is said of each channel of keys: on strips, in fields, to readers of the screen. */
export const CHANNELS: Readonly<Record<KeyChannel, ChannelWords>> = {
  turn: { name: 'rotation', numbers: [degrees('Rotation offset')] },
  scale: {
    name: 'scale',
    numbers: [percent('Scale across', -100_000, 100_000), percent('Scale down', -100_000, 100_000)],
  },
  opacity: { name: 'opacity', numbers: [percent('Opacity', 0, 100)] },
  lift: { name: 'lift', numbers: [px('Lift')] },
  lead: { name: 'lead', numbers: [px('Lead')] },
  squash: { name: 'stretch', numbers: [percent('Stretch', 5, 2000)] },
  axis: { name: 'squash axis', numbers: [degrees('Axis angle')] },
};

/** A key's value in a few letters: numbers that are alike once. */
export function wordsOfKeyValue(channel: KeyChannel, value: Key['value']): string {
  const numbers = [value].flat() as readonly number[];
  const words = CHANNELS[channel].numbers.map(({ unit, factor }, i) => {
    const shown = Math.round((numbers[i] ?? 0) * factor * 10) / 10;
    return `${shown}${unit === 'px' ? ' px' : unit}`;
  });
  return [...new Set(words)].join(' × ');
}
