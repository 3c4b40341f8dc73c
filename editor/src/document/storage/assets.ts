import type { Scene } from '@pace-line/core';
import { assets } from './stores.ts';

type Assets = Scene['assets'];

/** Pixels are written under this lock together with what shows them, and collected under it: no tab collects what another is about to show. */
export const WITH_ASSETS = 'assets';

/** Writes pixels that are not there yet. */
export async function keepAssets(all: Assets): Promise<void> {
  const names = Object.keys(all);
  if (names.length === 0) return;
  const known = new Set(await assets.keys());
  for (const name of names) if (!known.has(name)) await assets.setItem(name, all[name]);
}

/** A stored scene with its pixels put back in. */
export async function withAssets(body: unknown): Promise<unknown> {
  const names = assetNames(body);
  if (names.length === 0) return body;
  const stored = (body as { assets: Record<string, string> }).assets;
  const found = await Promise.all(
    names.map(async (name) => [name, (await assets.getItem<string>(name)) ?? stored[name] ?? ''] as const),
  );
  return { ...(body as object), assets: Object.fromEntries(found) };
}

/** The names of the pixels that a stored body shows. */
export function assetNames(body: unknown): string[] {
  if (typeof body !== 'object' || body === null || !('assets' in body)) return [];
  return typeof body.assets === 'object' && body.assets !== null ? Object.keys(body.assets) : [];
}
