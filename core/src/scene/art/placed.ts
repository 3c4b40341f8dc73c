import type { Art } from '../schema/index.ts';
import type { ArtElement } from './element.ts';
import { readArtMarkup, writeArtElement } from './markup.ts';

const roots = new WeakMap<Art, ArtElement>();

function rootOf(art: Art): ArtElement {
  let root = roots.get(art);
  if (!root) {
    const read = readArtMarkup(art.markup);
    if (!read.ok) throw new Error(`The art "${art.name}" was not verified: ${read.message}`);
    roots.set(art, (root = read.root));
  }
  return root;
}

/**
 * An art as a nested <svg> of its width × height with its upper left corner at 0, 0, ready to stand inside another drawing: `prefix` goes
 * before its ids, so that two arts never colour each other.
 */
export function placedArt(art: Art, prefix: string): string {
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
