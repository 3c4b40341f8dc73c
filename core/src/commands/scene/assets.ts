import { missingPictures, usedAssets, type Scene } from '../../scene/index.ts';
import { command, refusal } from '../command.ts';

/** The scene without pixels that nothing of it shows. */
export function withUsedAssets(scene: Scene): Scene {
  const used = new Set([...scene.tracing.map((one) => one.asset), ...usedAssets(scene.art)]);
  const all = Object.entries(scene.assets);
  if (all.every(([key]) => used.has(key))) return scene;
  return { ...scene, assets: Object.fromEntries(all.filter(([key]) => used.has(key))) };
}

/** Pixels by name from two sources; where one has none, the other's. */
export const mergedAssets = (own: Scene['assets'], more: Scene['assets']): Scene['assets'] =>
  Object.entries(more).every(([name, data]) => own[name] || (data === '' && own[name] !== undefined))
    ? own
    : { ...own, ...Object.fromEntries(Object.entries(more).filter(([name]) => !own[name])) };

/** Puts pixels in that were missing, by their SHA-256. Whoever calls has seen that they are what their names say. */
export const supplyPictures = command<{ assets: Scene['assets'] }>(
  (scene, { assets }) =>
    missingPictures(scene).some(({ asset }) => assets[asset]) ? undefined : refusal('no-picture-missing', {}),
  (scene, { assets }) => {
    const missing = missingPictures(scene).map(({ asset }) => [asset, assets[asset] ?? ''] as const);
    return { ...scene, assets: { ...scene.assets, ...Object.fromEntries(missing) } };
  },
);
