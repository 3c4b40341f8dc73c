import { pathData } from '@pace-line/core';
import type { DrawingParts } from '@pace-line/core/art-import';
import { memo, useMemo } from 'react';
import { svgUrl } from '../../look/svg-url.ts';
import type { ListedPart } from './part-tree.ts';

/** Parts that are painted; of more the list is enough. */
const MOST_PAINTED = 400;

interface PartsPictureProps {
  readonly drawing: DrawingParts;
  /** What can be pointed at, from the lowest to the uppermost. */
  readonly leaves: readonly ListedPart[];
  readonly pointed: string | null;
  readonly onPoint: (path: string | null) => void;
  readonly onPress: (path: string) => void;
  readonly onOpen: (path: string) => void;
}

/** The drawing, on which its parts are pointed at: pressed, one is shown in the list; pressed twice, a group is opened. The list does the same by keys. */
export function PartsPicture({ drawing, leaves, pointed, onPoint, onPress, onOpen }: PartsPictureProps) {
  const { width, height, parts } = drawing;
  const shapes = useMemo(() => leaves.map(({ path, part }) => ({ path, part, d: shapeOf(part) })), [leaves]);
  if (parts.length > MOST_PAINTED || leaves.length > MOST_PAINTED) return null;
  return (
    <svg className="parts-picture" viewBox={`0 0 ${width} ${height}`} aria-hidden>
      <Painted drawing={drawing} />
      {shapes.map(({ path, part, d }) => (
        <path
          key={path}
          d={d}
          className={`${pointed === path ? 'pointed' : ''} ${part.looksLike}`}
          onPointerEnter={() => onPoint(path)}
          onPointerLeave={() => onPoint(null)}
          onClick={() => onPress(path)}
          onDoubleClick={() => part.inside.length > 0 && onOpen(path)}
        />
      ))}
    </svg>
  );
}

/** The drawing itself: it stays as it is while parts are pointed at. */
const Painted = memo(function Painted({ drawing }: { readonly drawing: DrawingParts }) {
  return drawing.parts.map(({ art, x, y }, i) => (
    <image key={i} href={svgUrl(art.markup)} x={x} y={y} width={art.width} height={art.height} />
  ));
});

/** What a part covers: what it draws, else its box. */
function shapeOf({ outlines, art, x, y }: ListedPart['part']): string {
  if (outlines.length === 0) return `M${x} ${y}h${art.width}v${art.height}h${-art.width}Z`;
  return outlines
    .map(({ nodes, closed }) =>
      pathData(
        nodes.map((node, i) => ({ join: 'corner' as const, ...node, id: String(i) })),
        closed,
      ),
    )
    .join('');
}
