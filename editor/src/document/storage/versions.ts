import { sceneFromJson, type Scene } from '@pace-line/core';
import { keepAssets, WITH_ASSETS, withAssets } from './assets.ts';
import { bodyOf } from './parting.ts';
import { alone, scenes, versionCards, versions } from './stores.ts';
import { HOUR, thinned, type VersionCard, type VersionReason } from './thinning.ts';

export type { VersionCard, VersionReason } from './thinning.ts';

const listeners = new Set<() => void>();
const announce = (): void => listeners.forEach((listener) => listener());

export function onVersionsChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The earlier states of a scene that are kept, the latest first. */
export async function listVersions(scene: string): Promise<VersionCard[]> {
  const found: VersionCard[] = [];
  await versionCards.iterate<VersionCard | null, void>((card) => {
    if (card?.scene === scene) found.push(card);
  });
  return found.sort((a, b) => b.at - a.at);
}

/** ms that lie at least between two states that are kept for the same reason. */
const EVERY: Readonly<Record<VersionReason, number>> = { time: HOUR, import: HOUR / 6, migration: 0, hand: 0 };

/** When a state was last kept, by scene and reason, so that the store is not asked at each change. */
const lastKept = new Map<string, number>();

/**
 * Keeps a state of a scene. Of states kept for the time alone there is one an hour, later one a day; one that is the same as another is not kept again.
 * Fails where the browser's quota is full.
 */
export async function keepVersion(
  scene: string,
  body: unknown,
  why: VersionReason,
  name: string | null = null,
): Promise<void> {
  const now = Date.now();
  const isSoon = (at = -Infinity): boolean => now - at < EVERY[why];
  const latest = `${scene}/${why}`;
  if (isSoon(lastKept.get(latest))) return;
  const known = await listVersions(scene);
  const last = known.find((one) => one.why === why)?.at;
  lastKept.set(latest, isSoon(last) && last !== undefined ? last : now);
  if (isSoon(last)) return;
  const text = JSON.stringify(body);
  if (why !== 'hand' && (await isAmong(known, text))) return;
  const card: VersionCard = { key: `${scene}/${now}-${why}`, scene, at: now, why, name, size: text.length };
  await versions.setItem(card.key, body);
  await versionCards.setItem(card.key, card);
  for (const old of thinned([...known, card], now)) await dropVersion(old);
  announce();
}

/** Whether a body is one of those that are kept. */
async function isAmong(known: readonly VersionCard[], text: string): Promise<boolean> {
  for (const { key, size } of known)
    if (size === text.length && JSON.stringify(await versions.getItem(key)) === text) return true;
  return false;
}

/** Keeps a scene as it is now. */
export const keepVersionOf = (
  id: string,
  scene: Scene,
  why: VersionReason,
  name: string | null = null,
): Promise<void> =>
  alone(WITH_ASSETS, 'shared', async () => {
    await keepAssets(scene.assets);
    await keepVersion(id, bodyOf(scene), why, name);
  });

async function dropVersion({ key }: VersionCard): Promise<void> {
  await Promise.all([versions.removeItem(key), versionCards.removeItem(key)]);
}

export async function removeVersion(card: VersionCard): Promise<void> {
  await dropVersion(card);
  announce();
}

/** Reads a version; undefined where it is not there or does not read any more. */
export async function readVersion({ key }: VersionCard): Promise<Scene | undefined> {
  const read = sceneFromJson(await withAssets(await versions.getItem(key)));
  return read.ok ? read.scene : undefined;
}

/** Forgets the earlier states of scenes that are not on the Shelf any more. */
export async function collectVersions(): Promise<void> {
  const kept = new Set(await scenes.keys());
  const gone: VersionCard[] = [];
  await versionCards.iterate<VersionCard | null, void>((card) => {
    if (card && !kept.has(card.scene)) gone.push(card);
  });
  for (const card of gone) await dropVersion(card);
}
