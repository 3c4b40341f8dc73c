import type { Scene } from '@pace-line/core';

/** A scene as it is stored: its assets by name only. */
export const bodyOf = (scene: Scene): object => ({
  ...scene,
  assets: Object.fromEntries(Object.keys(scene.assets).map((hash) => [hash, ''])),
});

/** The names of the pixels that a stored body shows. */
export function assetNames(body: unknown): string[] {
  if (typeof body !== 'object' || body === null || !('assets' in body)) return [];
  return typeof body.assets === 'object' && body.assets !== null ? Object.keys(body.assets) : [];
}
