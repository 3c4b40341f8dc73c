import { cycleOf, freshIds, KEY_CHANNELS, type Rider } from '../../scene/index.ts';
import { command, missingRider, refusal, replaceRider, riderOf } from '../command.ts';
import { renamedKeys } from '../key/key-maps.ts';

/** What makes up a rider's movement: it can be taken over in all or in part. */
export const MOVEMENT_PARTS = ['guide', 'pace', 'heading', 'keys'] as const;
export type MovementPart = (typeof MOVEMENT_PARTS)[number];

/**
 * Gives a rider the movement of another, all of it or some parts: its guide with lift, lead, roll and carrier; its pace line; its heading; its keys with squash. Its art, name,
 * scale and opacity stay. A pace line goes to a rider of another guide only with its guide.
 */
export const takeMovement = command<{ from: string; to: string; parts: readonly MovementPart[] }>(
  (scene, { from, to, parts }) => {
    const missing = missingRider(scene, from) ?? missingRider(scene, to);
    if (missing) return missing;
    if (from === to || parts.length === 0) return refusal('nothing-copied');
    const [source, target] = [riderOf(scene, from), riderOf(scene, to)];
    // Places are on the guide that they were set on.
    if (parts.includes('pace') && !parts.includes('guide') && source.guide !== target.guide)
      return refusal('pace-needs-guide', { name: target.name });
    // Keys lie within the cycle of who has them.
    const cycle = cycleOf(takesPace(source, target, parts) ? source : target, scene.clock);
    const isPast = KEY_CHANNELS.some((channel) => source.keys[channel].some(({ time }) => time > cycle + 1e-9));
    return parts.includes('keys') && isPast ? refusal('marks-do-not-fit') : undefined;
  },
  (scene, { from, to, parts }) => {
    const [source, target] = [riderOf(scene, from), riderOf(scene, to)];
    const fresh = freshIds(scene);
    const takes = (part: MovementPart): boolean => parts.includes(part);
    const withPace = takesPace(source, target, parts);
    const names = new Map<string, string>();
    const marks = source.pace.marks.map((mark) => {
      const id = fresh(`${to}-m`);
      names.set(mark.id, id);
      return { ...mark, id };
    });
    const next: Rider = {
      ...target,
      ...(takes('guide') ? placeOf(source, to) : {}),
      ...(withPace ? { pace: { ...source.pace, marks } } : {}),
      ...(takes('heading') ? { heading: source.heading } : {}),
      ...(takes('keys')
        ? {
            keys: renamedKeys(source.keys, fresh, (mark) =>
              names.get(mark) && !withPace ? null : (names.get(mark) ?? mark),
            ),
            squash: source.squash,
          }
        : {}),
    };
    return replaceRider(scene, next);
  },
);

/** A pace line is taken over where it is asked for, and where another guide, or none, is: its places are there. */
const takesPace = (source: Rider, target: Rider, parts: readonly MovementPart[]): boolean =>
  parts.includes('pace') || (parts.includes('guide') && target.guide !== source.guide);

/** Where a rider is placed. Who would carry itself is carried by nobody. */
function placeOf(
  { guide, at, stand, lift, lead, liftBy, rounding, shift, raise, roll, carrier, strung, behind }: Rider,
  to: string,
): Partial<Rider> {
  return {
    ...{ guide, at, stand, lift, lead, liftBy, rounding, shift, raise, roll, strung },
    carrier: carrier?.rider === to ? null : carrier,
    behind: behind.filter((one) => one.by === 'places' && one.rider !== to),
  };
}
