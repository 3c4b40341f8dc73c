import { z } from 'zod';
import { REPEATS } from '../../time/index.ts';
import { artSchema } from './art.ts';
import { guideSchema } from './guide.ts';
import { color, name } from './ids.ts';
import { riderSchema } from './rider.ts';
import { tracingSchema } from './tracing.ts';

/** The version that this program writes. */
export const SCENE_VERSION = 2;
export const SCENE_FORMAT = 'pace-line/scene';

/** 40 MB of pixels in all, as base64 characters. */
const MOST_ASSET_CHARACTERS = Math.ceil((40 * 1024 * 1024 * 4) / 3);

const assets = z
  .record(z.string().regex(/^[0-9a-f]{64}$/, 'an asset is called by its SHA-256'), z.base64())
  .refine(
    (all) => Object.values(all).reduce((sum, text) => sum + text.length, 0) <= MOST_ASSET_CHARACTERS,
    'assets are 40 MB at most',
  );

/** The shape of a scene file. The invariants that join its parts are in `sceneSchema`. */
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
    duration: z.number().positive().max(3600),
    fps: z.number().min(1).max(240),
    repeat: z.enum(REPEATS),
  }),
  art: z.array(artSchema).max(10_000).readonly(),
  guides: z.array(guideSchema).max(10_000).readonly(),
  riders: z.array(riderSchema).max(10_000).readonly(),
  tracing: z.array(tracingSchema).max(100).readonly().default([]),
  assets: assets.default({}),
});
