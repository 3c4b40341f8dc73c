import { memo } from 'react';
import { pathData, type Guide, type Node } from '@pace-line/core';

/** Spans of a piece: a long guide is drawn in such, and only the piece that changed is stroked again. */
const PIECE = 48;

/** A guide as a line with a casing that tells it from the scenery. */
export const GuideLine = memo(function GuideLine({ guide, isSelected }: { guide: Guide; isSelected: boolean }) {
  const thick = guide.thickness;
  // A dash would start anew in each piece; linked guides are drawn whole.
  const pieces = piecesOf(guide.nodes, guide.closed, guide.link ? Infinity : PIECE);
  const seam = pieces.length > 1 ? 'piece' : '';
  return (
    <g className={`guide${isSelected ? ' selected' : ''}${guide.stroke?.dash ? ' dashed' : ''}`}>
      {pieces.map((piece, i) => (
        <Piece
          key={i}
          {...piece}
          className={`guide-casing ${seam}`}
          width={thick === undefined ? undefined : thick + 3}
        />
      ))}
      {pieces.map((piece, i) => (
        <Piece
          key={i}
          {...piece}
          className={`guide-line ${seam}`}
          color={guide.color}
          width={thick}
          dash={guide.link ? '9 5' : undefined}
        />
      ))}
    </g>
  );
});

interface PieceShape {
  readonly nodes: readonly Node[];
  readonly closed: boolean;
}

/** A guide's nodes in pieces of so many spans, each beginning where the one before ends; a short guide is one piece. */
export function piecesOf(nodes: readonly Node[], closed: boolean, spans: number): readonly PieceShape[] {
  if (nodes.length <= 2 * spans) return [{ nodes, closed }];
  const all = closed && nodes[0] ? [...nodes, nodes[0]] : nodes;
  const pieces: PieceShape[] = [];
  for (let from = 0; from < all.length - 1; from += spans)
    pieces.push({ nodes: all.slice(from, from + spans + 1), closed: false });
  return pieces;
}

interface PieceProps extends PieceShape {
  readonly className: string;
  readonly color?: string | undefined;
  readonly width?: number | undefined;
  readonly dash?: string | undefined;
}

/** The same as long as its nodes are the same ones, whatever list they come in. */
const Piece = memo(
  function Piece({ nodes, closed, className, color, width, dash }: PieceProps) {
    return (
      <path
        className={className}
        d={pathData(nodes, closed)}
        stroke={color}
        style={width === undefined ? undefined : { strokeWidth: width }}
        strokeDasharray={dash}
      />
    );
  },
  (a, b) =>
    a.closed === b.closed &&
    a.color === b.color &&
    a.width === b.width &&
    a.dash === b.dash &&
    a.className === b.className &&
    a.nodes.length === b.nodes.length &&
    a.nodes.every((node, i) => node === b.nodes[i]),
);
