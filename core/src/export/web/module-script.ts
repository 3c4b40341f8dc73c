import type { Curve, DrawnArt, Take } from '../../take/index.ts';
import { formatNumber, pageJson } from '../text.ts';
import { PERCENT_DIGITS } from './css.ts';
import { numberOf, type Track, type Tracked } from './tracks.ts';

/** Numbers of a track as they are written: [time, value] or [time, value, ease, ease] for each key; time as a share of the loop. */
const keysOf = (curve: Curve, length: number, property: Tracked): string =>
  `[${curve
    .map(({ time, value, ease }) => {
      const numbers = [formatNumber(time / length, PERCENT_DIGITS + 2), numberOf(property, value)];
      return `[${[...numbers, ...(ease ? ease.map((one) => formatNumber(one, 4)) : [])].join(',')}]`;
    })
    .join(',')}]`;

/** A place that goes both ways as its two channels and its turn, each by the name that its rider knows it by; others as they are. */
function apart(track: Track): Track[] {
  const { joint, name } = track;
  if (!joint) return [track];
  const stem = name.slice(0, -1);
  const one = (key: string, property: Tracked, curve: Curve): Track => ({
    ...track,
    name: stem + key,
    property,
    curve,
  });
  const place = [one('x', 'X', track.curve ?? []), one('y', 'i', joint.y)];
  return joint.turn.length > 1 ? [...place, one('t', 'T', joint.turn)] : place;
}

/** What moves, as data: name, property, keys, whether it changes at once, its keys in the lead-in where it is something else there, their times as shares of that, and whether its loop begins with it. */
export function tracksText(tracks: readonly Track[], { length, leadIn }: Take): string {
  const lines = tracks.flatMap(apart).map(({ name, property, curve, steps, runs, entering }) => {
    const keys = keysOf(curve ?? steps ?? [], length, property);
    const jumps = curve ? (entering || runs ? ', 0' : '') : ', 1';
    const before = entering ? `, ${keysOf(entering, leadIn, property)}${runs ? ', 1' : ''}` : runs ? ', 0, 1' : '';
    return `  [${JSON.stringify(name)}, ${JSON.stringify(property)}, ${keys}${jumps}${before}],`;
  });
  return `[\n${lines.join('\n')}\n]`;
}

const CHANNELS = [
  ['x', 'x'],
  ['y', 'y'],
  ['angle', 't'],
  ['skew', 'k'],
  ['scaleX', 'w'],
  ['scaleY', 'h'],
  ['opacity', 'o'],
] as const;

/** Where a rider's channels stand: those that move by the names of their tracks, the others as numbers. In pairs: one may be called as something that every object has. */
export function ridersText(take: Take, prefix: string): string {
  const seen = new Set<string>();
  const lines = take.drawing.flatMap((drawn, i) => {
    if (drawn.kind !== 'art' || seen.has(drawn.id)) return [];
    seen.add(drawn.id);
    return [
      `  [${JSON.stringify(drawn.code)}, {${channelsText(drawn, `${prefix}-${i + 1}`)}}, ${laidText(drawn, String(i + 1))}, ${pageJson(drawn.name)}],`,
    ];
  });
  return `[\n${lines.join('\n')}\n]`;
}

/** Where a rider's picture is, and what is asked of it where the drawing is laid between two elements (page/data.ts). */
function laidText({ root, turns, art }: DrawnArt, name: string): string {
  const { width, height, pivot } = art;
  const numbers = [Number(turns), width, height, ...pivot].map((one) => formatNumber(one, 3));
  return `["${name}i", ${JSON.stringify(root ?? '')}, ${numbers.join(', ')}]`;
}

function channelsText({ curves }: DrawnArt, name: string): string {
  return CHANNELS.map(([channel, key]) => {
    const curve = curves[channel];
    const value = curve.length > 1 ? JSON.stringify(`${name}${key}`) : numberOf(key, curve[0]?.value ?? 0);
    return `${channel}: ${value}`;
  }).join(', ');
}

/** When riders reach their marks (page/data.ts). */
export function marksText({ marks }: Take): string {
  const text = (times: readonly number[]): string => {
    const numbers = times.map((time) => formatNumber(time, 6));
    return numbers.length === 1 ? numbers.join('') : `[${numbers.join(',')}]`;
  };
  const lines = marks.map(({ code, times }) => `  [${JSON.stringify(code)}, [${times.map(text).join(',')}]],`);
  return `[\n${lines.join('\n')}\n]`;
}

/** The settings of a module's drawing. */
export const specText = ({ drive }: Take): string => JSON.stringify(drive);
