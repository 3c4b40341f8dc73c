import type { Box as Bounds, Scene } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { boundsOf, boxTargetOf, handlesAround } from '../../../tools/index.ts';
import { Bracket, TurnRing } from './BoxHandles.tsx';
import { CarriedWith } from './CarriedWith.tsx';

/** The box about several nodes or whole guides, in the frame that they lie in: brackets and ticks scale it, the ring on a stem turns it. */
export function SelectionBox({ scene, selection, zoom }: { scene: Scene; selection: Selection; zoom: number }) {
  const boxed = boxTargetOf(scene, selection);
  const bounds = boxed && boundsOf(scene, boxed);
  const [first] = boxed?.kind === 'nodes' ? [boxed.guide] : (boxed?.guides ?? []);
  if (!boxed || !bounds || first === undefined) return null;
  return (
    <CarriedWith guide={first} carrier={boxed.carrier}>
      {(scale) => <Box bounds={bounds} zoom={zoom * scale} />}
    </CarriedWith>
  );
}

function Box({ bounds, zoom }: { readonly bounds: Bounds; readonly zoom: number }) {
  const { box, handles } = handlesAround(bounds, zoom);
  const k = 1 / zoom;
  return (
    <g className="selection-box" aria-hidden>
      {(['box-casing', 'box-outline'] as const).map((name) => (
        <rect
          key={name}
          className={name}
          x={box.left}
          y={box.top}
          width={box.right - box.left}
          height={box.bottom - box.top}
        />
      ))}
      {handles.map(({ handle, x, y }) => {
        if (handle.kind === 'turn')
          return (
            <g key="turn" transform={`translate(${x} ${y}) scale(${k})`}>
              <TurnRing />
            </g>
          );
        const { sx, sy } = handle;
        return <Bracket key={`${sx}${sy}`} sx={sx} sy={sy} transform={`translate(${x} ${y}) scale(${k})`} />;
      })}
    </g>
  );
}
