import type { Path } from '../geometry/index.ts';
import { distanceOfPlace, placeAtDistance } from './places.ts';
import { nameOfNodeAt } from './queries.ts';
import type { Guide, Place } from './schema/index.ts';

/** A number with what it counts: a share of the guide, or laps of it. */
const COUNTED = /^([-−+]?(?:\d+\.?\d*|\.\d+))\s*(%|laps?)$/i;

/** A node, and so many px after or before it. */
const BESIDE = /^(.+?)\s*([-−+])\s*((?:\d+\.?\d*|\.\d+))\s*(?:px)?$/;

const plain = (name: string): string => name.trim().toLowerCase();

/**
 * A place as people write it: `20 %` of the guide, `1.5 laps` of a closed one, the name of a node (`Pier`, `Pier + 30 px`). Shares and laps are kept as shares, so that they hold
 * when the guide is changed; a node on a closed guide is taken on the lap nearest to `near`, px. Undefined where it is none of these: a plain distance is a number and no words.
 */
export function placeFromText(guide: Guide, path: Path, text: string, near = 0): Place | undefined {
  const trimmed = text.trim();
  const counted = COUNTED.exec(trimmed);
  if (counted) {
    const [, number = '', unit = ''] = counted;
    const value = Number(number.replace('−', '-')) / (unit === '%' ? 100 : 1);
    return path.isClosed || (value >= 0 && value <= 1) ? { by: 'share', value } : undefined;
  }
  const own = nodeNamed(guide, trimmed);
  if (own !== undefined) return placeAtDistance(guide, path, onNearestLap(path, path.starts[own] ?? 0, near));
  const [, name = '', sign = '', px = ''] = BESIDE.exec(trimmed) ?? [];
  const index = nodeNamed(guide, name);
  if (index === undefined) return undefined;
  const distance = (path.starts[index] ?? 0) + (sign === '+' ? 1 : -1) * Number(px);
  if (!path.isClosed && (distance < 0 || distance > path.length)) return undefined;
  return placeAtDistance(guide, path, onNearestLap(path, distance, near));
}

function nodeNamed(guide: Guide, name: string): number | undefined {
  const wanted = plain(name);
  if (wanted === '') return undefined;
  const byName = guide.nodes.findIndex((node, i) => plain(nameOfNodeAt(node, i)) === wanted);
  const index = byName >= 0 ? byName : guide.nodes.findIndex(({ id }) => plain(id) === wanted);
  return index >= 0 ? index : undefined;
}

const onNearestLap = (path: Path, distance: number, near: number): number =>
  path.isClosed && path.length > 0 ? distance + Math.round((near - distance) / path.length) * path.length : distance;

/** A place in few signs: a share as `20 %`, anything else as its distance in px along the guide. */
export function textOfPlace(guide: Guide, path: Path, place: Place): string {
  const short = (value: number, digits: number): string => String(Number(value.toFixed(digits)));
  return place.by === 'share'
    ? `${short(place.value * 100, 3)} %`
    : `${short(distanceOfPlace(guide, path, place), 1)} px`;
}
