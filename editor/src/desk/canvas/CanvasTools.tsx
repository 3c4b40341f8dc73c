import { memo, useRef } from 'react';
import { Tooltip } from '@mantine/core';
import { IconZoomScan } from '@tabler/icons-react';
import { useFigure } from '../../scene/context.ts';
import { CANVAS_TOOLS } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { TOOL_FACES } from './faces/index.ts';
import { hand } from './hand.ts';
import { SeeingMenu } from './SeeingMenu.tsx';

/** The drawing tools on the canvas's upper edge, what points snap to, the pointer's place and the zoom. */
export const CanvasTools = memo(function CanvasTools({ fit }: { readonly fit: () => void }) {
  const tool = useDeskView((state) => state.tool);
  const set = useDeskView((state) => state.set);
  return (
    <div className="canvas-tools" role="toolbar" aria-label="Drawing tools">
      {CANVAS_TOOLS.map(({ name, label }, i) => {
        const Icon = TOOL_FACES[name].icon;
        return (
          <Tooltip key={name} label={`${label} (${i + 1})`}>
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
        );
      })}
      <span className="spacer" />
      <PointerPlace />
      <SeeingMenu />
      <Zoom fit={fit} />
    </div>
  );
});

/** Where the pointer is, written in the frame: rendered, it would be so in each move. */
function PointerPlace() {
  const text = useRef<HTMLSpanElement>(null);
  useFigure(() => {
    const { at } = hand.getState();
    const words = at ? `${Math.round(at[0])}, ${Math.round(at[1])} px` : '';
    if (text.current && text.current.textContent !== words) text.current.textContent = words;
  });
  return <span ref={text} className="figures muted pointer-place" aria-hidden />;
}

function Zoom({ fit }: { readonly fit: () => void }) {
  const percent = useDeskView(({ view }) => Math.round(view.zoom * 100));
  return (
    <Tooltip label="Fit the canvas to the pane (0)">
      <button
        type="button"
        className="plain-button figures"
        onClick={fit}
        aria-label={`Zoom ${percent} %, fit to pane`}
        data-action="fit"
      >
        <IconZoomScan size={15} aria-hidden />
        {percent} %
      </button>
    </Tooltip>
  );
}
