import { usedAssets, type Scene } from '../../scene/index.ts';

/** The scene without pixels that nothing of it shows. */
export function withUsedAssets(scene: Scene): Scene {
  const used = new Set([...scene.tracing.map((one) => one.asset), ...usedAssets(scene.art)]);
  const all = Object.entries(scene.assets);
  if (all.every(([key]) => used.has(key))) return scene;
  return { ...scene, assets: Object.fromEntries(all.filter(([key]) => used.has(key))) };
}
