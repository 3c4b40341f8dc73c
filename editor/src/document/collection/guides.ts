import { sceneShape, type Guide } from '@pace-line/core';
import { announce, KeptStore } from './kept.ts';

/** A guide kept in this browser, to be dropped into any scene. */
export interface KeptGuide {
  readonly id: string;
  readonly name: string;
  readonly guide: Guide;
}

export const guideShape = sceneShape.shape.guides.unwrap().element;

const store = new KeptStore<Guide>('collection', 'guide', guideShape);

/** All kept guides, by name. */
export async function listKept(): Promise<KeptGuide[]> {
  return (await store.list()).map(({ id, name, thing }) => ({ id, name, guide: thing }));
}

/** What of a guide is kept: what belongs to its scene (link, output stroke, carrier) is left out. */
async function put(name: string, guide: Guide): Promise<void> {
  const { link: _link, stroke: _stroke, ...plain } = guide;
  await store.put(name, { ...plain, carrier: null, locked: false, visible: true });
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

export const renameKept = (id: string, name: string): Promise<void> => store.rename(id, name);

export const removeKept = (id: string): Promise<() => Promise<void>> => store.remove(id);
