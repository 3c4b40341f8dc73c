import { prepare } from '../../motion/index.ts';
import type { Ease } from '../../pace/index.ts';
import {
  artById,
  cycleOf,
  foldingOf,
  freshIds,
  markById,
  type Key,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { command, refusal, replaceRider, riderOf, type Refusal } from '../command.ts';
import { onGuide } from './marks.ts';

/** Direction in which a contact presses, degrees: down the canvas. */
const DOWN = 90;

/** A contact with its keys: a time of the cycle, s; the mark that they go with; and how long there is before and after it until the next one. */
interface Contact {
  readonly time: number;
  readonly mark: string;
  readonly before: number;
  readonly after: number;
  /** px/s with which it is reached. */
  readonly speed: number;
}

/** s. Times nearer than this are the same. */
const SAME_TIME = 1e-6;

/** s from the contact to the stretched keys before and after it, at most; the neutral ones stand at three and at two and a half times that. */
const [STRETCHED_BEFORE, STRETCHED_AFTER] = [0.06, 0.09];
const [NEUTRAL_BEFORE, NEUTRAL_AFTER] = [3, 2.5];

const quad = (mode: 'in' | 'out'): Ease => ({ kind: 'family', family: 'quad', mode });

/** A key without its id. */
type Made = Omit<Key<'squash'>, 'id'>;

/** The five keys of a contact: neutral, stretched, pressed, stretched, neutral. They take at most half the time to the contacts beside it, which leave it the other half. */
function keysOf({ time, mark, before, after }: Contact, share: number): readonly Made[] {
  const lead = Math.min(STRETCHED_BEFORE, before / (2 * NEUTRAL_BEFORE));
  const follow = Math.min(STRETCHED_AFTER, after / (2 * NEUTRAL_AFTER));
  const stretched = 1 + share / 2;
  const key = (by: number, value: number, ease: Ease): Made => ({ time: time + by, value, ease, mark });
  return [
    ...(lead > SAME_TIME ? [key(-NEUTRAL_BEFORE * lead, 1, quad('in')), key(-lead, stretched, quad('in'))] : []),
    key(0, 1 - share, quad('out')),
    ...(follow > SAME_TIME
      ? [
          key(follow, stretched, { kind: 'family', family: 'sine', mode: 'in-out' }),
          key(NEUTRAL_AFTER * follow, 1, { kind: 'steady' }),
        ]
      : []),
  ];
}

/** The contacts at some of a rider's marks. In a loop whose first and last mark stand at its ends these are one contact, with keys at both. */
function contactsOf(scene: Scene, rider: Rider, marks: ReadonlySet<string>): readonly Contact[] {
  const line = prepare(scene).rider(rider.id)?.line;
  if (!line) return [];
  const cycle = cycleOf(rider, scene.clock);
  const all = rider.pace.marks;
  const [first, last] = [all[0], all[all.length - 1]];
  const loops = foldingOf(rider, scene.clock).repeat === 'loop' && all.length > 1;
  const closes = loops && first && last && first.time < SAME_TIME && last.time > cycle - SAME_TIME ? last : undefined;
  const leaves = (i: number): number => (all[i]?.time ?? 0) + (all[i]?.dwell ?? 0);
  const seam = closes && first ? [first.id, closes.id] : [];
  const isSeamMeant = seam.some((id) => marks.has(id));
  return all.flatMap((mark, i): Contact[] => {
    const isAtSeam = seam.includes(mark.id);
    if (isAtSeam ? !isSeamMeant : !marks.has(mark.id)) return [];
    const speed = Math.abs(line.speedAt(isAtSeam && closes ? closes.time : mark.time, -1));
    const before = i === 0 ? mark.time : mark.time - leaves(i - 1);
    const after = (all[i + 1]?.time ?? cycle) - mark.time;
    return [{ time: mark.time, mark: mark.id, before, after, speed }];
  });
}

/** The rider with keys in place of those that went with the same marks or stand among them; squash by keys begins with them, on the foot of its box. */
function pressed(scene: Scene, rider: Rider, made: readonly Made[], marks: ReadonlySet<string>): Scene {
  const cycle = cycleOf(rider, scene.clock);
  const art = artById(scene, rider.art);
  const foot = art ? ([art.width / 2, art.height] as const) : null;
  const fresh = freshIds(scene);
  const spans = [...marks].flatMap((mark) => {
    const times = made.filter((key) => key.mark === mark).map(({ time }) => time);
    return times.length > 0 ? [[Math.min(...times), Math.max(...times)] as const] : [];
  });
  const isFree = ({ time, mark }: Key<'squash'>): boolean =>
    !(mark !== null && marks.has(mark)) &&
    !spans.some(([from, to]) => time > from - SAME_TIME && time < to + SAME_TIME);
  const squash = rider.squash ?? { by: 'keys', axis: 'fixed', angle: DOWN, about: foot, strength: 1, limit: 1.5 };
  const keys = made.map((key) => ({
    ...key,
    id: fresh(`${rider.id}-squash`),
    time: Math.min(cycle, Math.max(0, key.time)),
  }));
  const all = [...rider.keys.squash.filter(isFree), ...keys].sort((a, b) => a.time - b.time);
  return replaceRider(scene, {
    ...rider,
    squash: keys.length > 0 ? { ...squash, by: 'keys' } : rider.squash,
    keys: { ...rider.keys, squash: all },
  });
}

/**
 * Squashes a rider where it lands: at each mark but the first, by a share of its height (0 to 0.8) where it lands fastest and by less where it is slower, standing on the foot of
 * its box; stretched a little just before and after. The keys go with their marks; those that went with them before are gone.
 */
export const squashLandings = command<{ rider: string; strength: number }>(
  (scene, { rider }) =>
    onGuide(scene, rider) ?? (riderOf(scene, rider).pace.marks.length < 2 ? refusal('recipe-needs-two') : undefined),
  (scene, { rider: id, strength: wanted }) => {
    const strength = Math.min(0.8, Math.max(0, wanted));
    const rider = riderOf(scene, id);
    const all = rider.pace.marks.map((mark) => mark.id);
    const landings = contactsOf(scene, rider, new Set(all.slice(1)));
    const fastest = landings.reduce((most, { speed }) => Math.max(most, speed), 0);
    const made = landings.flatMap((contact) => {
      const share = fastest > 0 ? (strength * contact.speed) / fastest : 0;
      return share < 0.01 ? [] : keysOf(contact, share);
    });
    return pressed(scene, rider, made, new Set(all));
  },
);

function missingMark(scene: Scene, id: string, mark: string): Refusal | undefined {
  const rider = riderOf(scene, id);
  return markById(rider, mark) ? undefined : refusal('no-mark', { name: rider.name, id: mark });
}

/** px/s of a landing that presses to half the height; least and greatest share that one press gives. */
const HALF_AT = 2400;
const [LEAST, MOST] = [0.12, 0.5];

/**
 * Squashes a rider at one of its marks: neutral, stretched, pressed at the contact, stretched, neutral, as far apart as the marks beside it leave room, and by how fast it lands
 * (a share of v / 4,800 px/s of its height, 12 to 50 %). The keys go with the mark; other keys of squash among them are gone. At a loop's ends both get theirs.
 */
export const squashAtMark = command<{ rider: string; mark: string }>(
  (scene, { rider, mark }) => onGuide(scene, rider) ?? missingMark(scene, rider, mark),
  (scene, { rider: id, mark }) => {
    const rider = riderOf(scene, id);
    const contacts = contactsOf(scene, rider, new Set([mark]));
    const made = contacts.flatMap((contact) =>
      keysOf(contact, Math.min(MOST, Math.max(LEAST, contact.speed / (2 * HALF_AT)))),
    );
    return pressed(scene, rider, made, new Set(contacts.map((contact) => contact.mark)));
  },
);
