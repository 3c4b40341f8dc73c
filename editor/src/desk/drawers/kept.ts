import { listKept, STARTERS, type KeptGuide } from '../../document/index.ts';

/** A guide of the collection, kept or given. */
export async function keptById(id: string): Promise<KeptGuide | undefined> {
  return STARTERS.find((one) => one.id === id) ?? (await listKept()).find((one) => one.id === id);
}
