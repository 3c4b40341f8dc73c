import { z } from '../../zod.ts';
import { REPEATS } from '../../time/index.ts';
import { artSchema } from './art.ts';
import { checksSchema } from './checks.ts';
import { driversSchema } from './driver.ts';
import { guideSchema } from './guide.ts';
import { assetId, color, id, name } from './ids.ts';
import { riderSchema } from './rider.ts';
import { MOST_SETS, setSchema } from './sets.ts';
import { tracingSchema } from './tracing.ts';

/** The version that this program writes. */
export const SCENE_VERSION = 12;
export const SCENE_FORMAT = 'pace-line/scene';

/** 40 MB of pixels in all, as base64 characters. */
const MOST_ASSET_CHARACTERS = Math.ceil((40 * 1024 * 1024 * 4) / 3);

/** How many of each a scene may hold. More riders than these no screen can show moving. */
export const MOST = { art: 10_000, guides: 10_000, riders: 5_000, tracing: 100 } as const;

export const assetsSchema = z
  .record(assetId, z.base64())
  .refine(
    (all) => Object.values(all).reduce((sum, text) => sum + text.length, 0) <= MOST_ASSET_CHARACTERS,
    'assets are 40 MB at most',
  );

/** The shape of a scene file. What joins its parts is in `invariants.ts`. */
export const sceneShape = z.strictObject({
  format: z.literal(SCENE_FORMAT),
  version: z.literal(SCENE_VERSION),
  name,
  canvas: z.strictObject({
    width: z.number().min(1).max(16_384),
    height: z.number().min(1).max(16_384),
    background: color.nullable(),
  }),
  clock: z.strictObject({
    // A hundredth of a second is a frame of the fastest screens; an hour is longer than any loop.
    duration: z.number().min(0.01).max(3600),
    fps: z.number().min(1).max(240),
    repeat: z.enum(REPEATS),
    /** How often what is sent plays before it stays at its end; null: for ever. Of what plays once it means nothing. */
    times: z.int().min(1).max(10_000).nullable().default(null),
    /** Beats that marks may keep to: how many a minute, and the time of one of them, s. */
    tempo: z
      .strictObject({ beats: z.number().min(1).max(1000), from: z.number().min(0).max(3600).default(0) })
      .nullable()
      .default(null),
  }),
  art: z.array(artSchema).max(MOST.art).readonly(),
  guides: z.array(guideSchema).max(MOST.guides).readonly(),
  riders: z.array(riderSchema).max(MOST.riders).readonly(),
  /** What drives it where it is shown on a page. */
  driver: driversSchema.default([{ kind: 'time' }]),
  /** The rider through which it is looked at. */
  camera: id.nullable().default(null),
  /** What is sent together, again and again. */
  sets: z.array(setSchema).max(MOST_SETS).readonly().default([]),
  checks: checksSchema.prefault({}),
  tracing: z.array(tracingSchema).max(MOST.tracing).readonly().default([]),
  assets: assetsSchema.default({}),
});
