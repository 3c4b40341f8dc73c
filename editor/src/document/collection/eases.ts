import { easeSchema, type Ease } from '@pace-line/core';
import { announce, KeptStore, type Kept } from './kept.ts';

/** An ease kept in this browser under a name. */
export type KeptEase = Kept<Ease>;

const store = new KeptStore<Ease>('eases', 'ease', easeSchema);

export const listEases = (): Promise<KeptEase[]> => store.list();

/** Keeps an ease; what it is a part of is kept whole. */
export async function keepEase(name: string, ease: Ease): Promise<void> {
  const { part: _part, ...whole } = ease as Ease & { part?: unknown };
  await store.put(name, whole);
  announce();
}

export const renameEase = (id: string, name: string): Promise<void> => store.rename(id, name);

export const removeEase = (id: string): Promise<() => Promise<void>> => store.remove(id);
