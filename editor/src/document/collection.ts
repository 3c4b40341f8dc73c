import localforage from 'localforage';
import { z } from 'zod';
import { sceneShape, type Guide } from '@pace-line/core';

/** A guide kept in this browser, to be dropped into any scene. */
export interface KeptGuide {
  readonly id: string;
  readonly name: string;
  readonly guide: Guide;
}

const FORMAT = 'pace-line/guides';

const guideShape = sceneShape.shape.guides.unwrap().element;

const fileShape = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  guides: z.array(z.strictObject({ name: z.string().max(200), guide: guideShape })).max(5000),
});

const store = localforage.createInstance({ name: 'pace-line', storeName: 'collection' });
const listeners = new Set<() => void>();

export function onCollectionChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const announce = (): void => listeners.forEach((listener) => listener());

/** All kept guides, by name. One that no longer reads is passed over, not deleted. */
export async function listKept(): Promise<KeptGuide[]> {
  const found: KeptGuide[] = [];
  await store.iterate<unknown, void>((value, id) => {
    const one = z.object({ name: z.string(), guide: guideShape }).safeParse(value);
    if (one.success) found.push({ id, name: one.data.name, guide: one.data.guide });
  });
  return found.sort((a, b) => a.name.localeCompare(b.name));
}

/** What of a guide is kept: what belongs to its scene (link, output stroke, carrier) is left out. */
async function put(name: string, guide: Guide): Promise<void> {
  const { link: _link, stroke: _stroke, ...plain } = guide;
  const id = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 10)}`;
  await store.setItem(id, { name, guide: { ...plain, carrier: null, locked: false, visible: true } });
}

/** Keeps a guide under a new id. */
export async function keepGuide(name: string, guide: Guide): Promise<void> {
  await put(name, guide);
  announce();
}

/** Guides that are written at a time. */
const AT_A_TIME = 50;

/** Keeps many guides, told once; gives how many were kept before `isCancelled` said so. */
export async function keepGuides(
  guides: readonly { readonly name: string; readonly guide: Guide }[],
  onProgress: (share: number) => void,
  isCancelled: () => boolean,
): Promise<number> {
  let count = 0;
  try {
    while (count < guides.length && !isCancelled()) {
      const some = guides.slice(count, count + AT_A_TIME);
      await Promise.all(some.map(({ name, guide }) => put(name, guide)));
      count += some.length;
      onProgress(count / guides.length);
    }
  } finally {
    announce();
  }
  return count;
}

export async function renameKept(id: string, name: string): Promise<void> {
  const value = await store.getItem<{ name: string; guide: Guide }>(id);
  if (value) await store.setItem(id, { ...value, name });
  announce();
}

/** Takes a guide out of the collection; gives back what puts it there again. */
export async function removeKept(id: string): Promise<() => Promise<void>> {
  const value = await store.getItem(id);
  await store.removeItem(id);
  announce();
  return async () => {
    await store.setItem(id, value);
    announce();
  };
}

/** The collection as a file. */
export const writeCollection = (kept: readonly KeptGuide[]): string =>
  `${JSON.stringify({ format: FORMAT, version: 1, guides: kept.map(({ name, guide }) => ({ name, guide })) }, null, 2)}\n`;

export type CollectionReading =
  | { readonly ok: true; readonly guides: readonly { name: string; guide: Guide }[] }
  | { readonly ok: false; readonly message: string };

/** Reads a collection file; the message of a refusal says what was wrong and where. */
export function readCollection(text: string): CollectionReading {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { ok: false, message: 'it is not JSON' };
  }
  const read = fileShape.safeParse(json);
  if (read.success) return { ok: true, guides: read.data.guides };
  const issue = read.error.issues[0];
  return {
    ok: false,
    message: issue ? `${issue.path.join('.') || 'the file'}: ${issue.message}` : 'it is no collection of guides',
  };
}

/** Whether a JSON text says of itself that it is a collection. */
export const looksLikeCollection = (text: string): boolean => text.slice(0, 400).includes(`"${FORMAT}"`);
