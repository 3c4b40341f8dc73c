import { memo, useRef } from 'react';
import { guideById, riderById, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { ticksNow, type CanvasNow } from '../../figures/canvas/index.ts';
import type { Frame } from '../../frame/playback.ts';
import { useFigure } from '../../scene/context.ts';
import { useDeskView, type ToolName } from '../view.ts';

const TOOL_LINES: Readonly<Partial<Record<ToolName, string>>> = {
  plot: 'Click for a corner, drag for a curve; the first node closes, Enter ends, Backspace takes one back, Escape gives up.',
  sketch: 'Press and draw. Ending at the start closes it; the fit can be changed afterwards.',
  'act-out': 'Press, wait for the count, and move as the rider should move; let go to end.',
  'set-down': 'Drag a rider to where it should be at the playhead; press a guide to be there then.',
  shape: 'Drag the shape’s box, or click for a middling one; Shift keeps it even.',
  measure: 'Point at a guide for its lengths; drag between two points.',
};

/** A line under the canvas: what a drag would do now, and how far apart the ticks stand. */
export const StatusLine = memo(function StatusLine({ now }: { now: (frame: Frame) => CanvasNow }) {
  const tool = useDeskView((state) => state.tool);
  const selection = useDocumentState((state) => state.selection);
  const guide = useDocumentState((state) => guideById(state.shown, state.selection.guides[0] ?? null));
  const rider = useDocumentState((state) => riderById(state.shown, state.selection.riders[0] ?? ''));
  let text = 'Click to select; drag a box to select several, with Shift to add.';
  const toolLine = TOOL_LINES[tool];
  if (toolLine !== undefined) text = toolLine;
  else if (guide?.link) text = 'It follows another guide; edit that one, or unlink it on card 1.';
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
