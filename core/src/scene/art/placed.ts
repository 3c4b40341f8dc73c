import type { Art, ImageArt, Scene, StripArt, StripPose, SvgArt } from '../schema/index.ts';
import { originalOf } from './own.ts';
import { readArtMarkup, writeArtElement, type ArtReading } from './markup.ts';

type Verified = Extract<ArtReading, { ok: true }>;

/** An art as one picture: what it is, or one pose of a strip. Made once for each, so that what is verified of it is kept. */
export type Picture = SvgArt | ImageArt;

const pictures = new WeakMap<StripPose, { readonly of: StripArt; readonly picture: Picture }>();

/** The picture that an art shows at a pose, counted from 1; undefined where there is no such pose. */
export function pictureOf(given: Art, pose: number): Picture | undefined {
  const art = originalOf(given);
  if (art.kind !== 'strip') return art;
  const one = art.poses[pose - 1];
  if (!one) return undefined;
  const known = pictures.get(one);
  if (known?.of === art) return known.picture;
  const { id, name, width, height, pivot, facing } = art;
  const picture: Picture = { id, name, width, height, pivot, facing, ...one };
  pictures.set(one, { of: art, picture });
  return picture;
}

/** How many poses an art has: 1 but for strips. */
export const posesOf = (art: Art | undefined): number => (art?.kind === 'strip' ? art.poses.length : 1);

const verified = new WeakMap<SvgArt, Verified>();

function verifiedOf(art: SvgArt): Verified {
  let known = verified.get(art);
  if (!known) {
    const read = readArtMarkup(art.markup);
    if (!read.ok) throw new Error(`The art "${art.name}" was not verified: ${read.message}`);
    verified.set(art, (known = read));
  }
  return known;
}

/** A drawing's verified elements. */
export const rootOf = (art: SvgArt): Verified['root'] => verifiedOf(art).root;

/** The ids of a drawing's parts, in its order; none of pixels. */
export function partIdsOf(picture: Picture): readonly string[] {
  if (picture.kind === 'image') return [];
  const ids: string[] = [];
  const visit = ({ children }: Verified['root']): void => {
    for (const child of children) {
      if (typeof child === 'string' || child.name === 'defs') continue;
      if (child.attributes['id'] !== undefined) ids.push(child.attributes['id']);
      visit(child);
    }
  };
  visit(rootOf(picture));
  return ids;
}

/** px of a picture that cost about as much to paint as a plain element. */
const PIXELS_PER_ELEMENT = 20_000;

/** What an art costs to paint, in plain elements: of a strip its dearest pose. */
export function paintingOf(art: Art): number {
  if (art.kind === 'svg') return verifiedOf(art).cost;
  if (art.kind === 'image') return Math.ceil((art.width * art.height) / PIXELS_PER_ELEMENT);
  return art.poses.reduce((most, _, i) => {
    const picture = pictureOf(art, i + 1);
    return Math.max(most, picture ? paintingOf(picture) : 0);
  }, 0);
}

/** The pixels of a picture as an address that holds them. */
export const pixelsOf = ({ asset, type }: ImageArt, assets: Scene['assets']): string =>
  `data:${type};base64,${assets[asset] ?? ''}`;

/**
 * A picture as a nested <svg> of its width × height with its upper left corner at 0, 0, ready to stand inside another drawing: `prefix` goes
 * before its ids, so that two arts never colour each other. A picture is an <image> with its pixels in it.
 */
export function placedArt(art: Picture, prefix: string, assets: Scene['assets'] = {}): string {
  if (art.kind === 'image')
    return `<image width="${art.width}" height="${art.height}" preserveAspectRatio="none" href="${pixelsOf(art, assets)}"/>`;
  const root = rootOf(art);
  const { xmlns: _xmlns, x: _x, y: _y, id: _id, ...kept } = root.attributes;
  const attributes = { ...kept, width: String(art.width), height: String(art.height) };
  const plain = !('overflow' in attributes) || attributes.overflow !== 'visible';
  const fits = kept['viewBox'] === `0 0 ${art.width} ${art.height}` || kept['viewBox'] === undefined;
  // A visible overflow and a viewBox that maps one to one need no viewport of their own: a plain group is cheaper to draw.
  if (!plain && fits) {
    const {
      width: _w,
      height: _h,
      viewBox: _v,
      preserveAspectRatio: _p,
      overflow: _o,
      ...group
    } = attributes as Record<string, string>;
    return writeArtElement({ name: 'g', attributes: group, children: root.children }, prefix);
  }
  return writeArtElement({ name: 'svg', attributes, children: root.children }, prefix);
}
