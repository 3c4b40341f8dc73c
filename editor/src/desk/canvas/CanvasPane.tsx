import { useEffect, useRef } from 'react';
import { riderById } from '@pace-line/core';
import { useDocument, useDocumentState } from '../../document/index.ts';
import { pressTwice, type Tool } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { CanvasDrawing } from './CanvasDrawing.tsx';
import { CanvasTools } from './CanvasTools.tsx';
import { useFollowedFinding } from './followed-finding.ts';
import { useFraming } from './framing.ts';
import { useFit } from './navigation.ts';
import { SeatingNote } from './SeatingNote.tsx';
import { useToolKeys } from '../keys/tool-keys.ts';
import { ToolOptionsBar } from './ToolOptionsBar.tsx';
import { useCursor } from './use-cursor.ts';
import { useArtDrop } from './use-art-drop.tsx';
import { pointerOn, usePointer } from './use-pointer.ts';
import { useTools } from './use-tools.ts';
import './canvas.css';

/** The canvas: what is drawn, and the pointer's way into the tools. */
export function CanvasPane() {
  const tool = useDeskView((state) => state.tool);
  const asSent = useDeskView((state) => state.asSent);
  const set = useDeskView((state) => state.set);
  const surface = useRef<HTMLDivElement>(null);
  const fit = useFit(surface);
  useFraming(surface);
  useFollowedFinding();
  const tools = useTools();
  useLeaving(tools.all[tool]);
  useToolKeys(tools.all[tool], useCursor(surface, tools), () => set({ tool: 'adjust' }));
  useRouteOfSelection();
  const handlers = usePointer(surface, tools);
  const drop = useArtDrop((event) => pointerOn(surface.current, event));
  return (
    <section className={`canvas-pane ${asSent ? 'as-sent' : ''}`} aria-label="Canvas">
      <CanvasTools fit={fit} />
      <ToolOptionsBar tool={tool} />
      <CanvasDrawing surface={surface}>
        {/* What takes the pointer lies beside the drawing, not around it: inside, the browser would keep regions for every element that moves. */}
        <div
          ref={surface}
          className="canvas-surface"
          tabIndex={0}
          role="application"
          aria-label="Canvas: guides and riders"
          {...handlers}
          onDoubleClick={(event) => {
            if (tool === 'adjust') pressTwice(tools.host, pointerOn(surface.current, event));
          }}
          onContextMenu={(event) => event.preventDefault()}
          {...drop.handlers}
        />
        {drop.notes}
        <SeatingNote />
      </CanvasDrawing>
    </section>
  );
}

/** A tool that is left ends what it was making; undo takes that back step by step while it is made. */
function useLeaving(tool: Tool): void {
  const doc = useDocument();
  useEffect(() => {
    const forget = doc.onUndo(() => tool.back?.() ?? false);
    return () => {
      forget();
      if (tool.leave) tool.leave();
      else tool.cancel();
    };
  }, [doc, tool]);
}

/** What is selected on the canvas decides the route. */
function useRouteOfSelection(): void {
  const doc = useDocument();
  const selection = useDocumentState((state) => state.selection);
  const setRoute = useDeskView((state) => state.setRoute);
  useEffect(() => {
    const rider = riderById(doc.state.shown, selection.riders[0] ?? '');
    const route = selection.guides[0] ?? rider?.guide;
    if (route) setRoute(route);
  }, [doc, selection, setRoute]);
}
