import { z } from 'zod';
import { REPEATS } from '../../time/index.ts';
import { artSchema } from './art.ts';
import { guideSchema } from './guide.ts';
import { assetId, color, name } from './ids.ts';
import { riderSchema } from './rider.ts';
import { tracingSchema } from './tracing.ts';

/** The version that this program writes. */
export const SCENE_VERSION = 2;
export const SCENE_FORMAT = 'pace-line/scene';

/** 40 MB of pixels in all, as base64 characters. */
const MOST_ASSET_CHARACTERS = Math.ceil((40 * 1024 * 1024 * 4) / 3);

const assets = z
  .record(assetId, z.base64())
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
    // A hundredth of a second is a frame of the fastest screens; an hour is longer than any loop.
    duration: z.number().min(0.01).max(3600),
    fps: z.number().min(1).max(240),
    repeat: z.enum(REPEATS),
  }),
  art: z.array(artSchema).max(10_000).readonly(),
  guides: z.array(guideSchema).max(10_000).readonly(),
  // More than any screen can show moving.
  riders: z.array(riderSchema).max(5_000).readonly(),
  tracing: z.array(tracingSchema).max(100).readonly().default([]),
  assets: assets.default({}),
});
