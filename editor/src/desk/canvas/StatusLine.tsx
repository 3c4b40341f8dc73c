import { memo, useRef } from 'react';
import { guideById, riderById, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { ticksNow, type CanvasNow } from '../../figures/canvas/index.ts';
import type { Frame } from '../../frame/playback.ts';
import { useFigure } from '../../scene/context.ts';
import { CANVAS_TOOLS, type CanvasTool, type ToolName } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';

/** What is said of a tool, whatever is selected. */
const lineOf = (tool: ToolName): string | undefined =>
  CANVAS_TOOLS.map((one): CanvasTool => one).find(({ name }) => name === tool)?.line;

/** A line under the canvas: what a drag would do now, and how far apart the ticks stand. */
export const StatusLine = memo(function StatusLine({ now }: { now: (frame: Frame) => CanvasNow }) {
  const tool = useDeskView((state) => state.tool);
  const selection = useDocumentState((state) => state.selection);
  const guide = useDocumentState((state) => guideById(state.shown, state.selection.guides[0] ?? null));
  const rider = useDocumentState((state) => riderById(state.shown, state.selection.riders[0] ?? ''));
  let text = 'Click to select; drag a box to select several, with Shift to add.';
  const toolLine = lineOf(tool);
  if (toolLine !== undefined) text = toolLine;
  else if (guide?.link) text = 'It follows another guide; edit that one, or unlink it on the Guide card.';
  else if (selection.nodes.length > 0 && guide)
    text = `${selection.nodes.length} of ${guide.nodes.length} nodes. Arrows nudge; marks keep their times.`;
  else if (guide)
    text = 'Drag the line to bend it, with Alt to an arc; double-click adds a node; the cross moves it whole.';
  else if (selection.marks.length > 0) text = 'Drag the flag along the guide; its time stays.';
  else if (rider) text = riderLine(rider);
  return (
    <p className="status-line">
      <span className="status-text">{text}</span>
      <TicksNote now={now} />
    </p>
  );
});

/** How far apart the ticks stand: written in the frame, as they are drawn in it. */
function TicksNote({ now }: { now: (frame: Frame) => CanvasNow }) {
  const text = useRef<HTMLSpanElement>(null);
  useFigure((frame) => {
    const every = ticksNow(now(frame))?.every;
    const words =
      every === undefined ? '' : `Ticks: every ${every === 1 ? '' : `${ordinal(every)} `}frame; Alt draws one.`;
    if (text.current && text.current.textContent !== words) text.current.textContent = words;
  });
  return <span ref={text} className="status-ticks" />;
}

/** What a drag does to a rider. */
function riderLine({ guide, keys }: Rider): string {
  if (guide === null) return 'Drag to move it; the brackets scale it, the ring turns it.';
  const lift = keys.lift.length > 0 ? 'sets the lift key at the playhead' : 'sets its lift';
  return `Drag along the guide: slides the mark at the playhead; across: ${lift}; Alt: both; Ctrl: only looks.`;
}

/** What an empty scene says to do next. */
export function EmptyCanvas() {
  return (
    <div className="empty-canvas">
      <p>
        <strong>Draw a guide:</strong> press <kbd>2</kbd> to plot it, <kbd>3</kbd> to sketch it, <kbd>6</kbd> to start
        from a shape.
      </p>
      <p>
        <strong>Bring in a drawing:</strong> drop an SVG file here, then drag it from <em>Art</em> onto the guide. Or
        set it down (<kbd>5</kbd>) at one time after another: the guide grows as you go.
      </p>
    </div>
  );
}

function ordinal(n: number): string {
  const tail = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${tail}`;
}
