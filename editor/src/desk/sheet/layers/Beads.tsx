import type { Axes, Guide, Rider, Scene } from '@pace-line/core';
import { beadsOf } from '../../../tools/sheet/index.ts';
import { inRouteColor } from '../tints.ts';

interface BeadsProps {
  readonly scene: Scene;
  readonly guide: Guide;
  readonly rider: Rider;
  readonly axes: Axes;
  readonly chosen: readonly string[];
}

/** Half the side of a bead, px. */
const HALF = 3.5;

/** The shaping points of the selected rider's legs; those of a chosen mark's leg with the handles of their slopes. */
export function Beads({ scene, guide, rider, axes, chosen }: BeadsProps) {
  const beads = beadsOf(scene, guide, rider, axes, chosen).filter(({ x }) => x >= axes.left && x <= axes.right);
  return (
    <g className="beads" style={inRouteColor(guide.color)} aria-hidden>
      {beads.map(({ mark, index, side, shown, x, y, ofX, ofY, isSharp }) => (
        <g key={`${mark} ${index} ${side} ${shown.time}`}>
          {side === null ? (
            <path
              className="bead"
              d={
                isSharp
                  ? `M${x} ${y - HALF - 1.5}L${x + HALF + 1.5} ${y}L${x} ${y + HALF + 1.5}L${x - HALF - 1.5} ${y}Z`
                  : `M${x - HALF} ${y - HALF}h${2 * HALF}v${2 * HALF}h${-2 * HALF}Z`
              }
            />
          ) : (
            <>
              <line className="bead-arm" x1={ofX} y1={ofY} x2={x} y2={y} />
              <path className="bead-hand" d={`M${x - 2.5} ${y - 2.5}h5v5h-5Z`} />
            </>
          )}
        </g>
      ))}
    </g>
  );
}
