import type { Scene } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { boundsOf, boxTargetOf, handlesAround } from '../../../tools/index.ts';
import { bracketData, TURN_RING } from './brackets.ts';

/** The box about several nodes or whole guides: brackets and ticks scale it, the ring on a stem turns it. */
export function SelectionBox({ scene, selection, zoom }: { scene: Scene; selection: Selection; zoom: number }) {
  const boxed = boxTargetOf(scene, selection);
  const bounds = boxed && boundsOf(scene, boxed);
  if (!bounds) return null;
  const { box, handles } = handlesAround(bounds, zoom);
  const k = 1 / zoom;
  return (
    <g className="selection-box" aria-hidden>
      <rect x={box.left} y={box.top} width={box.right - box.left} height={box.bottom - box.top} />
      {handles.map(({ handle, x, y }) => {
        if (handle.kind === 'turn')
          return (
            <g key="turn" transform={`translate(${x} ${y}) scale(${k})`}>
              <circle r={6} />
              {TURN_RING.map((d) => (
                <path key={d} d={d} />
              ))}
            </g>
          );
        const { sx, sy } = handle;
        return (
          <path
            key={`${sx}${sy}`}
            className="bracket"
            d={bracketData(sx, sy)}
            transform={`translate(${x} ${y}) scale(${k})`}
          />
        );
      })}
    </g>
  );
}
