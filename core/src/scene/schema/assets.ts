import type { Art } from './types.ts';

/** Names of the pixels of an art: one for each pose of a strip, undefined for what is a drawing. */
export function assetsOfArt(art: Art): readonly (string | undefined)[] {
  switch (art.kind) {
    case 'svg':
      return [];
    case 'image':
      return [art.asset];
    case 'strip':
      return art.poses.map((pose) => (pose.kind === 'image' ? pose.asset : undefined));
  }
}

/** The same without those that have none. */
export const usedAssets = (arts: readonly Art[]): string[] =>
  arts.flatMap((art) => assetsOfArt(art).filter((asset) => asset !== undefined));
