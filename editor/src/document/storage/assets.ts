import type { Scene } from '@pace-line/core';
import { isTrueName } from '../../platform/pixels.ts';
import { assetNames } from './body.ts';
import { reading } from './database.ts';
import type { Reading, Writing } from './shapes.ts';

type Assets = Scene['assets'];

/** Pixels that are what their names say: only these are ever written. */
export type TrueAssets = readonly (readonly [name: string, data: string])[];

const checked = new WeakMap<Assets, Promise<TrueAssets>>();

async function check(all: Assets): Promise<TrueAssets> {
  const found: (readonly [string, string])[] = [];
  for (const [name, data] of Object.entries(all)) if (await isTrueName(name, data)) found.push([name, data]);
  return found;
}

/** Those of a scene's pixels that are what their names say: what is missing is empty, and is not among them. */
export function trueAssets(all: Assets): Promise<TrueAssets> {
  let known = checked.get(all);
  if (!known) checked.set(all, (known = check(all)));
  return known;
}

/** Pixels that this tab has seen in the store as they should be. */
const seen = new Set<string>();

/** Writes pixels that are not there yet, or are there as something else; within the transaction that writes what shows them. */
export async function putAssets(into: Writing, all: TrueAssets): Promise<void> {
  const assets = into.objectStore('assets');
  for (const [name, data] of all) {
    const isThere = seen.has(name) ? (await assets.getKey(name)) !== undefined : (await assets.get(name)) === data;
    if (!isThere) await assets.put(data, name);
    await into.objectStore('unused').delete(name);
    seen.add(name);
  }
}

/** Pixels by name, as far as they are stored, and what their names say; those that are missing are empty. */
export async function pixelsOf(
  names: readonly string[],
  beside: Readonly<Record<string, unknown>> = {},
): Promise<Assets> {
  if (names.length === 0) return {};
  const stored = await reading(['assets'], (from) =>
    Promise.all(names.map((name) => from.objectStore('assets').get(name))),
  );
  const found = await Promise.all(
    names.map(async (name, i): Promise<readonly [string, string]> => {
      for (const data of [stored[i], beside[name]])
        if (typeof data === 'string' && (await isTrueName(name, data))) return [name, data];
      return [name, ''];
    }),
  );
  return Object.fromEntries(found);
}

/** A stored scene with its pixels put back in. */
export async function withAssets(body: unknown): Promise<unknown> {
  const names = assetNames(body);
  if (names.length === 0) return body;
  // Bodies of early builds held their pixels themselves.
  const own = (body as { assets: Record<string, unknown> }).assets;
  return { ...(body as object), assets: await pixelsOf(names, own) };
}

/** The names of all stored pixels. */
export const storedNames = (from: Reading): Promise<string[]> => from.objectStore('assets').getAllKeys();
