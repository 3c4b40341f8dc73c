import { memo } from 'react';
import { guideById, pathOfGuide, type Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import { flagsOf, type Preview } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { CarriedWith } from './layers/CarriedWith.tsx';
import { MarkFlag } from './layers/MarkFlag.tsx';
import { Nodes } from './layers/Nodes.tsx';
import { RiderBoxLayer } from './layers/RiderBoxLayer.tsx';
import { SelectionBox } from './layers/SelectionBox.tsx';
import { PreviewShape } from './PreviewShape.tsx';
import { cssMatrix } from './view-transform.ts';

interface OverlayProps {
  readonly scene: Scene;
  readonly selection: Selection;
  readonly preview: Preview | null;
}

/** Nodes, handles, marks and what a tool is making, over the canvas. */
export const Overlay = memo(function Overlay({ scene, selection, preview }: OverlayProps) {
  const view = useDeskView((state) => state.view);
  const hover = useDeskView((state) => state.hover);
  const tool = useDeskView((state) => state.tool);
  const guide = guideById(scene, selection.guides[0] ?? null);
  const near = hover ? guideById(scene, hover.guide) : undefined;
  const dot = near && hover ? pathOfGuide(near).frameAtDistance(hover.distance) : undefined;
  const flags = flagsOf(scene, selection);
  const z = view.zoom;
  return (
    <svg className="overlay handles" role="group" aria-label="Nodes and marks on the canvas">
      <g transform={cssMatrix(view)}>
        {flags[0] && (
          <CarriedWith key={`flags of ${flags[0].guide.id}`} guide={flags[0].guide.id} carrier={flags[0].guide.carrier}>
            {(scale) =>
              flags.map((flag) => (
                <MarkFlag key={flag.mark} {...flag} zoom={z * scale} isSelected={selection.marks.includes(flag.mark)} />
              ))
            }
          </CarriedWith>
        )}
        {near && dot && (
          <CarriedWith key={`dot on ${near.id}`} guide={near.id} carrier={near.carrier}>
            {(scale) => <circle className="hover-dot" cx={dot.x} cy={dot.y} r={5 / z / scale} />}
          </CarriedWith>
        )}
        {tool === 'adjust' && <SelectionBox scene={scene} selection={selection} zoom={z} />}
        {tool === 'adjust' && <RiderBoxLayer />}
        {guide?.visible && !guide.locked && !guide.link && (
          <CarriedWith key={`nodes of ${guide.id}`} guide={guide.id} carrier={guide.carrier}>
            {(scale) => <Nodes guide={guide} selection={selection} zoom={z * scale} />}
          </CarriedWith>
        )}
        {preview && <PreviewShape preview={preview} zoom={z} />}
      </g>
    </svg>
  );
});
