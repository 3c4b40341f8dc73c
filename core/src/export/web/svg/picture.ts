import { viewMatrix } from '../../../import/art/matrices.ts';
import { hasShares, liesWithin } from '../../../import/art/edges.ts';
import { placedArt, rootOf, writeArtElement, type ArtElement, type Picture, type Scene } from '../../../scene/index.ts';
import { formatNumber } from '../../text.ts';

/**
 * A picture of its width × height with its upper left corner at 0, 0. A drawing is a plain group wherever nothing of it has to be clipped: a browser lays an <svg> within another one out anew
 * in every frame, and pages say things of <svg> that are not meant for it. Where it is one, it says of itself only what its box is.
 */
export function pictureMarkup(picture: Picture, prefix: string, assets: Scene['assets']): string {
  if (picture.kind === 'image') return placedArt(picture, prefix, assets);
  const root = rootOf(picture);
  const {
    width: _w,
    height: _h,
    viewBox,
    preserveAspectRatio,
    overflow,
    xmlns: _n,
    x: _x,
    y: _y,
    id: _id,
    ...kept
  } = root.attributes;
  const { width, height } = picture;
  const isPlain = !('transform' in kept) && !hasShares(root) && (overflow === 'visible' || liesWithin(picture));
  if (isPlain) {
    const matrix = viewMatrix(root.attributes, width, height).map((one) => formatNumber(one, 6));
    const isMoved = matrix.join() !== '1,0,0,1,0,0';
    const attributes = { ...kept, ...(isMoved ? { transform: `matrix(${matrix.join(' ')})` } : {}) };
    return writeArtElement({ name: 'g', attributes, children: root.children }, prefix);
  }
  const box = Object.fromEntries(
    Object.entries({ width: String(width), height: String(height), viewBox, preserveAspectRatio, overflow }).filter(
      (pair): pair is [string, string] => pair[1] !== undefined,
    ),
  );
  const inner: readonly (ArtElement | string)[] =
    Object.keys(kept).length > 0 ? [{ name: 'g', attributes: kept, children: root.children }] : root.children;
  // As rules as well: pages give all their drawings one size.
  const style = `width:${formatNumber(width, 3)}px;height:${formatNumber(height, 3)}px`;
  return writeArtElement({ name: 'svg', attributes: { ...box, style }, children: inner }, prefix);
}
