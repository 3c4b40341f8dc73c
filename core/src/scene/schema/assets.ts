import type { Art, Scene } from './types.ts';

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

/** A picture whose pixels are missing: their SHA-256, and what shows them. */
export interface MissingPicture {
  readonly asset: string;
  readonly names: readonly string[];
}

/** The pictures of a scene whose pixels are missing: they stand in its assets as an empty text. */
export function missingPictures(scene: Scene): MissingPicture[] {
  const empty = Object.keys(scene.assets).filter((name) => scene.assets[name] === '');
  return empty.map((asset) => ({
    asset,
    names: [
      ...scene.art.filter((one) => assetsOfArt(one).includes(asset)).map(({ name }) => name),
      ...scene.tracing.filter((one) => one.asset === asset).map(({ name }) => name),
    ],
  }));
}
