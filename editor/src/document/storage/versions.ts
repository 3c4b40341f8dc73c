import { sceneFromJson, type Scene } from '@pace-line/core';
import { putAssets, trueAssets, withAssets, type TrueAssets } from './assets.ts';
import { assetNames, bodyOf } from './body.ts';
import { makeRoom } from './collecting.ts';
import { nextNumber, reading, writing } from './database.ts';
import type { Writing } from './shapes.ts';
import { HOUR, thinned, type VersionCard, type VersionReason } from './thinning.ts';

export type { VersionCard, VersionReason } from './thinning.ts';

const listeners = new Set<() => void>();
const announce = (): void => listeners.forEach((listener) => listener());

export function onVersionsChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The latest first, by the order in which they were kept. */
const sorted = (cards: readonly VersionCard[]): VersionCard[] => [...cards].sort((a, b) => b.order - a.order);

/** The earlier states of a scene that are kept, the latest first. */
export const listVersions = (scene: string): Promise<VersionCard[]> =>
  reading(['version-cards'], async (from) =>
    sorted(await from.objectStore('version-cards').index('scene').getAll(scene)),
  );

/** ms that lie at least between two states that are kept for the same reason. */
const EVERY: Readonly<Record<VersionReason, number>> = { time: HOUR, import: HOUR / 6, migration: 0, hand: 0 };

/** Whether a state was kept just now for the same reason. A time that lies in the future was given by a clock that was wrong: it says nothing. */
function isSoon(at: number | undefined, why: VersionReason, now: number): boolean {
  return at !== undefined && at <= now && now - at < EVERY[why];
}

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
  pixels: TrueAssets = [],
): Promise<void> {
  const now = Date.now();
  const latest = `${scene}/${why}`;
  if (isSoon(lastKept.get(latest), why, now)) return;
  const text = JSON.stringify(body);
  const at = await makeRoom(() =>
    writing(['versions', 'version-cards', 'assets', 'unused', 'counters'], async (into) => {
      const cards = into.objectStore('version-cards');
      const known = sorted(await cards.index('scene').getAll(scene));
      const last = known.find((one) => one.why === why)?.at;
      if (last !== undefined && isSoon(last, why, now)) return last;
      if (why !== 'hand' && (await isAmong(into, known, text))) return now;
      await putAssets(into, pixels);
      const order = await nextNumber(into, 'versions');
      const [key, size] = [`${scene}/${order}-${why}`, text.length];
      const card: VersionCard = { key, scene, at: now, order, why, name, size, assets: assetNames(body) };
      await into.objectStore('versions').put(body, key);
      await cards.put(card, key);
      for (const old of thinned([card, ...known], now)) await dropVersion(into, old);
      return now;
    }),
  );
  lastKept.set(latest, at);
  announce();
}

/** Whether a body is one of those that are kept. */
async function isAmong(into: Writing, known: readonly VersionCard[], text: string): Promise<boolean> {
  for (const { key, size } of known)
    if (size === text.length && JSON.stringify(await into.objectStore('versions').get(key)) === text) return true;
  return false;
}

/** Keeps a scene as it is now. */
export const keepVersionOf = async (
  id: string,
  scene: Scene,
  why: VersionReason,
  name: string | null = null,
): Promise<void> => keepVersion(id, bodyOf(scene), why, name, await trueAssets(scene.assets));

export async function dropVersion(into: Writing, { key }: VersionCard): Promise<void> {
  await Promise.all([into.objectStore('versions').delete(key), into.objectStore('version-cards').delete(key)]);
}

/** Deletes a version; gives back what puts it there again. Its pixels are still there for as long as anyone can want them. */
export async function removeVersion(card: VersionCard): Promise<() => Promise<void>> {
  const body = await writing(['versions', 'version-cards'], async (into) => {
    const stored: unknown = await into.objectStore('versions').get(card.key);
    await dropVersion(into, card);
    return stored;
  });
  announce();
  return async () => {
    await writing(['versions', 'version-cards', 'unused'], async (into) => {
      await into.objectStore('versions').put(body, card.key);
      await into.objectStore('version-cards').put(card, card.key);
      await Promise.all(card.assets.map((name) => into.objectStore('unused').delete(name)));
    });
    announce();
  };
}

/** Reads a version; undefined where it is not there or does not read any more. */
export async function readVersion({ key }: VersionCard): Promise<Scene | undefined> {
  const body: unknown = await reading(['versions'], (from) => from.objectStore('versions').get(key));
  const read = sceneFromJson(await withAssets(body));
  return read.ok ? read.scene : undefined;
}
