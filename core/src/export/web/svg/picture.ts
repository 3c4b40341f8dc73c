import { viewMatrix } from '../../../drawing/matrices.ts';
import { hasShares, liesWithin } from '../../../drawing/edges.ts';
import { placedArt, rootOf, writeArtElement, type ArtElement, type Picture } from '../../../scene/index.ts';
import { formatNumber } from '../../text.ts';
import { clippedByBox } from './clips.ts';
import type { Writing } from './writing.ts';

/**
 * A picture of its width × height with its upper left corner at 0, 0. A drawing is a plain group, clipped where it reaches beyond its box: a browser lays an <svg> within another one out anew
 * in every frame, pages say things of <svg> that are not meant for it, and optimisers take its size away. Only what measures lengths by its own box is one.
 */
export function pictureMarkup(writing: Writing, picture: Picture, prefix: string): string {
  const { assets } = writing.take;
  if (picture.kind === 'image') return placedArt(picture, prefix, assets);
  const root = rootOf(picture);
  if (hasShares(root) || root.attributes['transform'] !== undefined) return placedArt(picture, prefix, assets);
  const group: ArtElement = { name: 'g', attributes: groupAttributes(picture, root), children: root.children };
  const text = writeArtElement(group, prefix);
  const isWhole = root.attributes['overflow'] === 'visible' || liesWithin(picture);
  return isWhole ? text : `${clippedByBox(writing, picture)}${text}</g>`;
}

/** What a drawing says of itself beside its box, and how it is fitted into that. */
function groupAttributes({ width, height }: Picture, { attributes }: ArtElement): Record<string, string> {
  const { width: _w, height: _h, viewBox: _v, preserveAspectRatio: _p, overflow: _o, ...more } = attributes;
  const { xmlns: _n, x: _x, y: _y, id: _id, ...kept } = more;
  const matrix = viewMatrix(attributes, width, height).map((one) => formatNumber(one, 6));
  return matrix.join() === '1,0,0,1,0,0' ? kept : { ...kept, transform: `matrix(${matrix.join(' ')})` };
}
