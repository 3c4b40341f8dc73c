import type { Art } from '../schema/index.ts';
import { readArtMarkup, writeArtElement, type ArtReading } from './markup.ts';

type Verified = Extract<ArtReading, { ok: true }>;

const verified = new WeakMap<Art, Verified>();

function verifiedOf(art: Art): Verified {
  let known = verified.get(art);
  if (!known) {
    const read = readArtMarkup(art.markup);
    if (!read.ok) throw new Error(`The art "${art.name}" was not verified: ${read.message}`);
    verified.set(art, (known = read));
  }
  return known;
}

/** What an art costs to paint, in plain elements. */
export const paintingOf = (art: Art): number => verifiedOf(art).cost;

/**
 * An art as a nested <svg> of its width × height with its upper left corner at 0, 0, ready to stand inside another drawing: `prefix` goes
 * before its ids, so that two arts never colour each other.
 */
export function placedArt(art: Art, prefix: string): string {
  const { root } = verifiedOf(art);
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
