import { z } from '../../zod.ts';
import { easeSchema } from '../../pace/index.ts';
import { degrees, id, px, seconds } from './ids.ts';

/** Keys of one channel at most. */
export const MOST_KEYS = 10_000;

/** A factor by which something is drawn larger or smaller; negative: mirrored. */
export const factor = z.number().min(-1000).max(1000);

/** A value at a time of the rider's own cycle; `ease` leads to the next key. `mark`: the mark, of whichever rider, with which it is moved in time; `edge` "end": with the end of its rest. */
const keyOf = <V extends z.ZodType>(value: V) =>
  z.strictObject({
    id,
    time: seconds,
    value,
    ease: easeSchema.default({ kind: 'steady' }),
    mark: id.nullable().default(null),
    edge: z.literal('end').optional(),
  });

const channelOf = <V extends z.ZodType>(value: V) => z.array(keyOf(value)).max(MOST_KEYS).readonly().default([]);

/** A stretch along the squash's axis. Across it is one over the stretch: the area stays. */
export const stretch = z.number().min(0.05).max(20);

/** What changes over time on top of guide, pace and heading. */
export const keysSchema = z.strictObject({
  turn: channelOf(degrees),
  scale: channelOf(z.tuple([factor, factor]).readonly()),
  opacity: channelOf(z.number().min(0).max(1)),
  lift: channelOf(px),
  lead: channelOf(px),
  squash: channelOf(stretch),
  /** Degrees on top of the squash's own axis. */
  axis: channelOf(degrees),
});

/** Channels that have keys of their own: turn (rad), scale and stretch (factors), opacity (share), lift and lead (px), the axis of the stretch (rad). */
export const KEY_CHANNELS = ['turn', 'scale', 'opacity', 'lift', 'lead', 'squash', 'axis'] as const;
