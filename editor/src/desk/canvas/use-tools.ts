import { useState } from 'react';
import { prepare } from '@pace-line/core';
import { offer, tell } from '../../look/notices.tsx';
import { CANVAS_TOOLS, type Tool, type ToolHost, type ToolName } from '../../tools/index.ts';
import { change } from '../actions/change.ts';
import { askToRide } from '../actions/seating.ts';
import { useDesk } from '../context.ts';
import { keepStroke, useDeskView, usePreferences } from '../view.ts';
import { showHints, showPreview } from './hand.ts';

export interface Tools {
  readonly host: ToolHost;
  readonly all: Readonly<Record<ToolName, Tool>>;
}

/** The canvas's tools, made once, and the host through which they reach the open scene. */
export function useTools(): Tools {
  const desk = useDesk();
  const [tools] = useState((): Tools => {
    const { doc, playback } = desk;
    const host: ToolHost = {
      scene: () => doc.state.committed,
      motion: () => prepare(doc.state.committed),
      poses: () => playback.poses,
      selection: () => doc.state.selection,
      time: () => playback.time,
      begin: (label) => doc.begin(label),
      glance: () => doc.glance(),
      inRun: (key, work) => doc.inRun(key, work),
      do: (label, edit, next) => change(desk, label, edit, next),
      select: (next) => doc.select(next),
      goTo: (time) => playback.goTo(time),
      hold: () => playback.hold(),
      release: () => playback.release(),
      preview: showPreview,
      snapping: () => usePreferences.getState().snapping,
      hint: showHints,
      offerRide(rider, guide) {
        const { riders, guides } = doc.state.committed;
        const [one, on] = [riders.find(({ id }) => id === rider), guides.find(({ id }) => id === guide)];
        if (!one || !on) return;
        const ride = (): Promise<void> => Promise.resolve(askToRide(desk, rider, guide));
        offer(`“${one.name}” lies on “${on.name}”`, 'Put it on the guide', ride, 10_000);
      },
      tell: (message) => tell(message),
      options: () => usePreferences.getState().toolOptions,
      keepStroke,
      runFrom: (time, speed) => playback.run(time, speed),
      endRun: () => playback.endRun(),
      now: () => performance.now() / 1000,
      every: (ms, call) => {
        const timer = setInterval(call, ms);
        return () => clearInterval(timer);
      },
    };
    const done = (): void => useDeskView.getState().set({ tool: CANVAS_TOOLS[0].name });
    const all = Object.fromEntries(CANVAS_TOOLS.map(({ name, make }) => [name, make(host, done)])) as Record<
      ToolName,
      Tool
    >;
    return { host, all };
  });
  return tools;
}
