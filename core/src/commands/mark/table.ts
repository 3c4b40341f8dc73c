import {
  countedIds,
  cycleOf,
  distanceOfPlace,
  newMark,
  pathOfGuide,
  placeAtDistance,
  placeFromText,
  type Guide,
  type Mark,
  type Place,
  type Scene,
} from '../../scene/index.ts';
import { command, guideOf, refusal, replaceRider, riderOf } from '../command.ts';
import { onGuide } from './marks.ts';

/** A time, s of the rider's cycle, a place, px along its guide or as it was written, and s of rest there. */
export interface MarkRow {
  readonly time: number;
  readonly distance: number;
  /** Where it was written as a share, in laps or by the name of a node. */
  readonly place?: Place;
  readonly rest: number;
}

/** What reading a list of marks gives. */
export type MarkRowsReading =
  { readonly ok: true; readonly rows: readonly MarkRow[] } | { readonly ok: false; readonly message: string };

/** Most marks of a rider. */
const MOST_ROWS = 10_000;

/** Between cells: what is a number with its unit stays one. */
const [BY_SIGN, BY_SIGN_OR_SPACE] = [/\s*[;\t]\s*/, /\s*,\s*|\s+(?!%|laps?\b|[-+]\s|\d+\s*px\b)/];

/**
 * Reads times and places, one of each a line, and the rest there where a third number stands, parted by a comma, a semicolon, a tab or spaces (with semicolons and tabs a comma may be the decimal sign). Places are px
 * along the guide; where that is given, shares (`20 %`), laps and names of nodes too. A first line of words is taken for a heading; lines without anything are passed over.
 */
export function marksFromText(text: string, guide?: Guide): MarkRowsReading {
  const path = guide && pathOfGuide(guide);
  const refuse = (message: string): MarkRowsReading => ({ ok: false, message });
  const lines = text.split(/\r?\n/).map((line) => line.trim());
  const rows: MarkRow[] = [];
  for (const [i, line] of lines.entries()) {
    if (line === '') continue;
    const isLocal = /[;\t]/.test(line);
    // Names have spaces of their own: they are parted by commas where there are any.
    const hasNames = guide !== undefined && line.includes(',') && /[a-z]/i.test(line);
    const cells = line
      .split(isLocal ? BY_SIGN : hasNames ? /\s*,\s*/ : BY_SIGN_OR_SPACE)
      .map((cell) => cell.trim().replace(/^"(.*)"$/, '$1'));
    const [time = NaN, plain = NaN, given = NaN] = cells.map((cell) =>
      Number((isLocal ? cell.replace(',', '.') : cell) || NaN),
    );
    const last = rows[rows.length - 1];
    const isWords = Number.isNaN(plain) && !Number.isNaN(time) && guide && path;
    const place = isWords ? placeFromText(guide, path, cells[1] ?? '', last?.distance) : undefined;
    const distance = place && guide && path ? distanceOfPlace(guide, path, place) : plain;
    if (Number.isNaN(time) || Number.isNaN(distance)) {
      if (rows.length === 0 && !/\d/.test(cells[0] ?? '')) continue;
      return refuse(
        guide && !Number.isNaN(time) && cells[1]
          ? `line ${i + 1}: “${cells[1]}” is no place of this guide; a distance, a share such as 20 %, or the name of a node is needed`
          : `line ${i + 1}: a time and a place are needed, as in “1.5, 320”`,
      );
    }
    if (time < 0) return refuse(`line ${i + 1}: a time is 0 or more`);
    if (last && time <= last.time) return refuse(`line ${i + 1}: each time must come after the one before`);
    const rest = Number.isNaN(given) ? 0 : given;
    if (rest < 0) return refuse(`line ${i + 1}: a rest is 0 or more`);
    if (last && time < last.time + last.rest) return refuse(`line ${i + 1}: the rest before it lasts longer than that`);
    rows.push({ time, distance, rest, ...(place && { place }) });
    if (rows.length > MOST_ROWS) return refuse(`these are more than ${MOST_ROWS} marks`);
  }
  return rows.length > 0 ? { ok: true, rows } : refuse('there is no time with a distance in it');
}

/** A rider's marks as text that is read again: time, distance, and the rest there. */
export function marksAsText(scene: Scene, id: string): string {
  const rider = riderOf(scene, id);
  const guide = guideOf(scene, rider.guide);
  const path = pathOfGuide(guide);
  const number = (value: number): string => String(Math.round(value * 1e6) / 1e6);
  const rows = rider.pace.marks.map(
    ({ time, place, dwell }) => `${number(time)},${number(distanceOfPlace(guide, path, place))},${number(dwell)}`,
  );
  return ['time,distance,rest', ...rows].join('\n');
}

/** Puts marks at given times and places instead of all that a rider has, flowing from one to the next; these make its pace from then on, no recipe. */
export const setMarks = command<{ rider: string; rows: readonly MarkRow[] }>(
  (scene, { rider, rows }) => {
    const refused = onGuide(scene, rider);
    if (refused) return refused;
    const cycle = cycleOf(riderOf(scene, rider), scene.clock);
    return rows.some(({ time, rest }) => time + rest > cycle + 1e-9) ? refusal('outside-cycle') : undefined;
  },
  (scene, { rider: id, rows }) => {
    const rider = riderOf(scene, id);
    const guide = guideOf(scene, rider.guide);
    const path = pathOfGuide(guide);
    const next = countedIds(scene, `${id}-m`);
    const reach = (distance: number): number =>
      path.isClosed ? distance : Math.min(path.length, Math.max(0, distance));
    const marks = rows.map(({ time, distance, place, rest }, i): Mark => ({
      ...newMark(rider.pace.marks[i]?.id ?? next(), time, place ?? placeAtDistance(guide, path, reach(distance))),
      dwell: rest,
      ease: { kind: 'flow' },
    }));
    return replaceRider(scene, { ...rider, pace: { ...rider.pace, marks, recipe: null } });
  },
);

/** px/s. */
const SLOWEST = 1e-3;

/** Gives the leg after a mark a mean speed, px/s: what comes after it moves in time. */
export const setLegSpeed = command<{ rider: string; mark: string; speed: number }>(
  (scene, { rider: id, mark, speed }) => {
    const refused = onGuide(scene, id);
    if (refused) return refused;
    if (riderOf(scene, id).pace.recipe !== null) return refusal('paced-by-recipe');
    const made = sped(scene, id, mark, speed);
    const last = made[made.length - 1];
    const cycle = cycleOf(riderOf(scene, id), scene.clock);
    const missing = last ? last.time + last.dwell - cycle : 0;
    return missing > 1e-9 ? refusal('cycle-too-short', { missing }) : undefined;
  },
  (scene, { rider: id, mark, speed }) => {
    const rider = riderOf(scene, id);
    return replaceRider(scene, { ...rider, pace: { ...rider.pace, marks: sped(scene, id, mark, speed) } });
  },
);

function sped(scene: Scene, id: string, markId: string, speed: number): readonly Mark[] {
  const rider = riderOf(scene, id);
  const { marks } = rider.pace;
  const guide = guideOf(scene, rider.guide);
  const path = pathOfGuide(guide);
  const at = marks.findIndex((mark) => mark.id === markId);
  const [from, to] = [marks[at], marks[at + 1]];
  if (!from || !to) return marks;
  const way = Math.abs(distanceOfPlace(guide, path, to.place) - distanceOfPlace(guide, path, from.place));
  const moved = from.time + from.dwell + way / Math.max(SLOWEST, speed) - to.time;
  return marks.map((mark, i) => (i > at ? { ...mark, time: mark.time + moved } : mark));
}
