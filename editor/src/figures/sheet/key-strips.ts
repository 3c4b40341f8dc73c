import {
  copiesInView,
  foldingOf,
  foldTime,
  keyValueAt,
  riderById,
  thinned,
  timeAtX,
  type Axes,
  type Key,
  type KeyChannel,
  type Rider,
  type Scene,
  type Shown,
} from '@pace-line/core';
import { CHANNELS, wordsOfKeyValue } from '../../words/channels.ts';
import { seconds } from '../../words/labels.ts';
import type { Figure } from '../figure.ts';
import { group, shape, type Attributes, type Part } from '../shapes.ts';
import { isTabStop } from '../tab-stop.ts';

/** Height of one channel's strip, px. */
export const KEY_STRIP = 40;

/** px between two looks at a channel’s line. */
const EVERY = 2;

export interface KeysNow {
  readonly scene: Scene;
  readonly rider: string;
  readonly channels: readonly KeyChannel[];
  readonly axes: Axes;
  /** The loop’s length, s. */
  readonly length: number;
  /** Ids of the keys that are chosen. */
  readonly chosen: readonly string[];
}

/** The keys of a rider, a strip for each channel that has any, on the sheet's time. */
export const keyStrips: Figure<KeysNow> = {
  id: 'key-strips',
  of: ({ scene, rider, channels, axes, length, chosen }) => [
    ...[riderById(scene, rider), scene.clock, channels, axes, length, chosen],
  ],
  draw(now) {
    const rider = riderById(now.scene, now.rider);
    return rider ? { parts: now.channels.map((channel, i) => strip(now, rider, channel, i * KEY_STRIP)) } : null;
  },
};

/** The first number of a key's value: what its strip draws. */
const levelOf = (value: Key['value']): number => (typeof value === 'number' ? value : value[0]);

function strip(now: KeysNow, rider: Rider, channel: KeyChannel, top: number): Part {
  const { scene, axes, length } = now;
  const folding = foldingOf(rider, scene.clock);
  const keys = rider.keys[channel] as readonly Key[];
  const levels = keys.map(({ value }) => levelOf(value));
  const [low, high] = [Math.min(...levels), Math.max(...levels)];
  const y = (level: number): number =>
    top + (high > low ? KEY_STRIP - 10 - ((level - low) / (high - low)) * (KEY_STRIP - 20) : KEY_STRIP / 2);
  const points: [number, number][] = [];
  for (let x = axes.left; x <= axes.right; x += EVERY)
    points.push([x, y(levelOf(keyValueAt(rider.keys, channel, foldTime(timeAtX(axes, x), folding).local)))]);
  const path = thinned(points)
    .map(([x, at]) => `${Math.round(x * 10) / 10} ${Math.round(at * 10) / 10}`)
    .join('L');
  const name = (className: string, at: number, text: string): Part =>
    shape('text', { class: `place-name ${className}`, x: axes.left - 8, y: at }, text);
  return group({ key: channel, class: 'key-strip' }, [
    shape('line', { class: 'place-rule', x1: axes.left, x2: axes.right, y1: top + 0.5, y2: top + 0.5 }),
    name('ribbon-name', top + 16, CHANNELS[channel].name),
    name('muted', top + 30, rangeWords(channel, keys)),
    shape('path', { class: 'key-line', d: `M${path}` }),
    ...keys.flatMap((key, i) =>
      copiesInView(axes, folding, key.time, length).map(({ shown, x, isFirst }, copy) =>
        tick(now, rider, channel, key, { shown, x, y: y(levelOf(key.value)), copy, isFirst, index: i }),
      ),
    ),
  ]);
}

interface Copy {
  readonly shown: Shown;
  readonly x: number;
  readonly y: number;
  readonly copy: number;
  /** The copy that is reached by keyboard. */
  readonly isFirst: boolean;
  readonly index: number;
}

/** A key: an upright tick with a bar where its value is. */
function tick({ chosen }: KeysNow, rider: Rider, channel: KeyChannel, key: Key, at: Copy): Part {
  const isChosen = chosen.includes(key.id);
  const reached: Attributes = {
    'data-part': key.id,
    'data-rider': rider.id,
    tabindex: isTabStop(chosen, key.id, at.index) ? 0 : -1,
    role: 'button',
    'aria-pressed': String(isChosen),
    'aria-label': `${CHANNELS[channel].name} key of ${rider.name}, ${wordsOfKeyValue(channel, key.value)} at ${seconds(key.time)}`,
  };
  return group(
    {
      key: `${key.id} ${at.copy}`,
      class: `key ${isChosen ? 'selected' : ''}`,
      'data-key': key.id,
      transform: `translate(${at.x} ${at.y})`,
      ...(at.isFirst && reached),
    },
    [shape('path', { class: 'key-tick', d: 'M0 -7V7M-4 0H4' })],
  );
}

function rangeWords(channel: KeyChannel, keys: readonly Key[]): string {
  const sorted = [...keys].sort((a, b) => levelOf(a.value) - levelOf(b.value));
  const [low, high] = [sorted[0], sorted.at(-1)];
  if (!low || !high) return '';
  const [from, to] = [wordsOfKeyValue(channel, low.value), wordsOfKeyValue(channel, high.value)];
  return from === to ? from : `${from}…${to}`;
}
