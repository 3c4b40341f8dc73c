import { pathData, riderById, type Guide, type Node } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { group, kept, shape, type Shape } from '../shapes.ts';
import { lyingOn, placeOf } from './lying.ts';
import type { CanvasNow } from './now.ts';

/** Spans of a piece: a long guide is drawn in such, and only the piece that changed is stroked again. */
const PIECE = 48;

/** Guides as lines. They lie under the riders while one watches, over all while a guide is edited. */
export const guideLines: Figure<CanvasNow> = {
  id: 'lines',
  of: (now) => [now.scene.guides, now.selection, riddenOf(now), placeOf(now, now.scene.guides.find(isCarried))],
  draw(now) {
    const ridden = riddenOf(now);
    const { guides } = now.selection;
    return {
      look: guides.length > 0 ? 'on-top' : '',
      parts: now.scene.guides.map(
        (guide) =>
          guide.visible &&
          lyingOn(now, guide, guide.id, () => [line(guide, guides.includes(guide.id) || ridden === guide.id)]),
      ),
    };
  },
};

const isCarried = ({ carrier, visible }: Guide): boolean => visible && carrier !== null;

/** The guide of the selected rider. */
const riddenOf = ({ scene, selection }: CanvasNow): string | null =>
  riderById(scene, selection.riders[0] ?? '')?.guide ?? null;

/** A guide as a line with a casing that tells it from the scenery. */
const line = kept((guide: Guide, isSelected: boolean): Shape => {
  const { thickness } = guide;
  // A dash would start anew in each piece; linked guides are drawn whole.
  const pieces = piecesOf(guide.nodes, guide.closed, guide.link ? Infinity : PIECE);
  const seam = pieces.length > 1 ? ' piece' : '';
  const width = (more: number): string | null =>
    thickness === undefined ? null : `stroke-width: ${thickness + more}px`;
  return group({ class: `guide${isSelected ? ' selected' : ''}${guide.stroke?.dash ? ' dashed' : ''}` }, [
    // What its riders stay within, as wide as it is on the canvas.
    guide.corridor !== null &&
      shape('path', {
        ...{ class: 'guide-lane', stroke: guide.color, 'stroke-width': guide.corridor },
        d: pathData(guide.nodes, guide.closed),
      }),
    ...pieces.map((piece) => shape('path', { class: `guide-casing${seam}`, style: width(3), d: dataOf(piece) })),
    ...pieces.map((piece) =>
      shape('path', {
        class: `guide-line${seam}`,
        style: width(0),
        stroke: guide.color,
        'stroke-dasharray': guide.link ? '9 5' : null,
        d: dataOf(piece),
      }),
    ),
  ]);
});

interface Piece {
  readonly nodes: readonly Node[];
  readonly closed: boolean;
}

/** A guide's nodes in pieces of so many spans, each beginning where the one before ends; a short guide is one piece. */
export function piecesOf(nodes: readonly Node[], closed: boolean, spans: number): readonly Piece[] {
  if (nodes.length <= 2 * spans) return [{ nodes, closed }];
  const all = closed && nodes[0] ? [...nodes, nodes[0]] : nodes;
  const pieces: Piece[] = [];
  for (let from = 0; from < all.length - 1; from += spans)
    pieces.push({ nodes: all.slice(from, from + spans + 1), closed: false });
  return pieces;
}

/** Path data of pieces, by their first nodes: a piece is the same as long as its nodes are, whatever guide they come in. */
const written = new WeakMap<Node, { readonly piece: Piece; readonly data: string }>();

function dataOf(piece: Piece): string {
  const [first] = piece.nodes;
  if (!first) return '';
  const last = written.get(first);
  if (last && isSame(last.piece, piece)) return last.data;
  const data = pathData(piece.nodes, piece.closed);
  written.set(first, { piece, data });
  return data;
}

const isSame = (a: Piece, b: Piece): boolean =>
  a.closed === b.closed && a.nodes.length === b.nodes.length && a.nodes.every((node, i) => node === b.nodes[i]);
