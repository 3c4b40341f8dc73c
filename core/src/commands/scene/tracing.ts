import { idsIn, type Scene, type Tracing } from '../../scene/index.ts';
import { command, refusal, type Refusal } from '../command.ts';
import { withUsedAssets } from './assets.ts';

/** Adds a picture to draw over; its pixels go into the assets under `picture.asset`. */
export const addTracing = command<{ picture: Tracing; data: string }>(
  (scene, { picture }) => (idsIn(scene).has(picture.id) ? refusal('id-taken', { id: picture.id }) : undefined),
  (scene, { picture, data }) => ({
    ...scene,
    tracing: [...scene.tracing, picture],
    assets: { ...scene.assets, [picture.asset]: data },
  }),
);

const missing = (scene: Scene, id: string): Refusal | undefined =>
  scene.tracing.some((one) => one.id === id) ? undefined : refusal('no-picture', { id });

type TracingPatch = Partial<Pick<Tracing, 'name' | 'x' | 'y' | 'scale' | 'turn' | 'opacity' | 'visible' | 'locked'>>;

/** Places, scales, turns, fades, shows, hides or locks a picture. */
export const setTracing = command<{ id: string; patch: TracingPatch }>(
  (scene, { id }) => missing(scene, id),
  (scene, { id, patch }) => ({
    ...scene,
    tracing: scene.tracing.map((one) => (one.id === id ? { ...one, ...patch } : one)),
  }),
);

/** Takes a picture away, and its pixels where nothing else shows them. */
export const deleteTracing = command<{ id: string }>(
  (scene, { id }) => missing(scene, id),
  (scene, { id }) => {
    return withUsedAssets({ ...scene, tracing: scene.tracing.filter((one) => one.id !== id) });
  },
);
