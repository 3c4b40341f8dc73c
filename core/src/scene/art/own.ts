import type { Art, Rider, Scene } from '../schema/index.ts';

/** Arts with another pivot, by it; and what each was made of. */
const made = new WeakMap<Art, Map<string, Art>>();
const originals = new WeakMap<Art, Art>();

/** The art that one with another pivot was made of; itself where it is none. */
export const originalOf = (art: Art): Art => originals.get(art) ?? art;

/** An art as a rider has it: with the rider's own pivot where it has one. The same object for the same art and pivot. */
export function ownArt(art: Art, { pivot }: Pick<Rider, 'pivot'>): Art {
  if (!pivot || (pivot[0] === art.pivot[0] && pivot[1] === art.pivot[1])) return art;
  let known = made.get(art);
  if (!known) made.set(art, (known = new Map<string, Art>()));
  const key = pivot.join();
  let own = known.get(key);
  if (!own) {
    known.set(key, (own = { ...art, pivot }));
    originals.set(own, art);
  }
  return own;
}

/** The art of a rider, as that has it. */
export function artOfRider(scene: Scene, rider: Rider): Art | undefined {
  const art = scene.art.find(({ id }) => id === rider.art);
  return art && ownArt(art, rider);
}
