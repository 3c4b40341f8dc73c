import type { Key, KeyChannel } from '@pace-line/core';

/** What channels of keys are called. */
export const CHANNEL_NAMES: Readonly<Record<KeyChannel, string>> = {
  turn: 'turn',
  scale: 'scale',
  opacity: 'opacity',
  lift: 'lift',
  lead: 'lead',
  squash: 'stretch',
  axis: 'squash axis',
};

const percent = (value: number): string => `${Math.round(value * 1000) / 10}%`;
const px = (value: number): string => `${Math.round(value * 10) / 10} px`;

/** A key's value in a few letters. */
export function wordsOfKeyValue(channel: KeyChannel, value: Key['value']): string {
  const [first, second] = [value].flat() as readonly number[];
  switch (channel) {
    case 'turn':
    case 'axis':
      return `${Math.round((first ?? 0) * 10) / 10}°`;
    case 'scale':
      return first === second ? percent(first ?? 1) : `${percent(first ?? 1)} × ${percent(second ?? 1)}`;
    case 'opacity':
    case 'squash':
      return percent(first ?? 1);
    case 'lift':
    case 'lead':
      return px(first ?? 0);
  }
}
