import { memo } from 'react';
import { Tooltip } from '@mantine/core';
import {
  IconPencil,
  IconPointer,
  IconRuler2,
  IconShape,
  IconSpeakerphone,
  IconStepInto,
  IconVectorSpline,
  IconZoomScan,
} from '@tabler/icons-react';
import type { RefObject } from 'react';
import { useDeskView, type ToolName } from '../view.ts';
import { SeeingMenu } from './SeeingMenu.tsx';

const TOOLS: readonly { name: ToolName; label: string; key: string; icon: typeof IconPointer }[] = [
  { name: 'adjust', label: 'Adjust', key: '1', icon: IconPointer },
  { name: 'plot', label: 'Plot', key: '2', icon: IconVectorSpline },
  { name: 'sketch', label: 'Sketch', key: '3', icon: IconPencil },
  { name: 'act-out', label: 'Act out', key: '4', icon: IconSpeakerphone },
  { name: 'set-down', label: 'Set down', key: '5', icon: IconStepInto },
  { name: 'shape', label: 'Shape', key: '6', icon: IconShape },
  { name: 'measure', label: 'Measure', key: '7', icon: IconRuler2 },
];

interface CanvasToolsProps {
  readonly fit: () => void;
  readonly zoom: number;
  readonly position: RefObject<HTMLSpanElement | null>;
}

/** The drawing tools on the canvas's upper edge, what points snap to, the pointer's place and the zoom. */
export const CanvasTools = memo(function CanvasTools({ fit, zoom, position }: CanvasToolsProps) {
  const tool = useDeskView((state) => state.tool);
  const set = useDeskView((state) => state.set);
  return (
    <div className="canvas-tools" role="toolbar" aria-label="Drawing tools">
      {TOOLS.map(({ name, label, key, icon: Icon }) => (
        <Tooltip key={name} label={`${label} (${key})`}>
          <button
            type="button"
            className="tool-tab"
            aria-pressed={tool === name}
            aria-label={label}
            onClick={() => set({ tool: name })}
          >
            <Icon size={16} aria-hidden />
            <span className="tool-name">{label}</span>
          </button>
        </Tooltip>
      ))}
      <span className="spacer" />
      <span ref={position} className="figures muted pointer-place" aria-hidden />
      <SeeingMenu />
      <Tooltip label="Fit the canvas to the pane (0)">
        <button
          type="button"
          className="plain-button figures"
          onClick={fit}
          aria-label={`Zoom ${Math.round(zoom * 100)} %, fit to pane`}
          data-action="fit"
        >
          <IconZoomScan size={15} aria-hidden />
          {Math.round(zoom * 100)} %
        </button>
      </Tooltip>
    </div>
  );
});
