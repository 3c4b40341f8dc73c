import { useEffect, useMemo, useRef, useState, type PointerEvent, type RefObject } from 'react';
import type { Axes, Guide, Rider } from '@pace-line/core';
import { tell } from '../../look/notices.tsx';
import { sheetTool, type SheetHost, type SheetPointer, type SheetPreview } from '../../tools/sheet/index.ts';
import { useDesk } from '../context.ts';
import { useDeskView, usePreferences } from '../view.ts';

/** What the sheet shows now, for its tool to ask. */
export interface SheetShown {
  readonly guide: Guide;
  readonly riders: readonly Rider[];
  readonly selected: Rider | undefined;
  readonly axes: Axes;
}

/** The sheet's tool on an SVG: its pointer's handlers, and what it shows beside the document. */
export function useSheetTool(svg: RefObject<SVGSVGElement | null>, shown: SheetShown) {
  const desk = useDesk();
  const [preview, setPreview] = useState<SheetPreview | null>(null);
  const latest = useRef(shown);
  useEffect(() => {
    latest.current = shown;
  });
  const tool = useMemo(() => {
    const { doc, playback } = desk;
    const host: SheetHost = {
      scene: () => doc.state.committed,
      guide: () => latest.current.guide,
      riders: () => latest.current.riders,
      selected: () => latest.current.selected,
      axes: () => latest.current.axes,
      selection: () => doc.state.selection,
      begin: (label) => doc.begin(label),
      select: (selection) => doc.select(selection),
      seek: (time) => playback.seek(time),
      goTo: (time) => playback.goTo(time),
      hold: () => playback.hold(),
      release: () => playback.release(),
      snapsToLandmarks: () => {
        const { snapping, seeing } = usePreferences.getState();
        return snapping.kinds.landmarks && seeing.landmarks;
      },
      preview: setPreview,
      hover: (distance) =>
        useDeskView.getState().set({ hover: distance === null ? null : { guide: latest.current.guide.id, distance } }),
      tell,
    };
    return sheetTool(host);
  }, [desk]);
  useEscape(() => tool.cancel());
  useEffect(() => () => void tool.cancel(), [tool]);
  const pointerOf = (event: PointerEvent): SheetPointer => {
    const box = svg.current?.getBoundingClientRect();
    return {
      x: event.clientX - (box?.left ?? 0),
      y: event.clientY - (box?.top ?? 0),
      shift: event.shiftKey,
      ctrl: event.ctrlKey || event.metaKey,
      kind: event.pointerType === 'touch' || event.pointerType === 'pen' ? event.pointerType : 'mouse',
    };
  };
  const handlers = {
    onPointerDown: (event: PointerEvent<SVGSVGElement>): void => {
      if (event.button !== 0 || !event.isPrimary) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      tool.down(pointerOf(event));
    },
    onPointerMove: (event: PointerEvent<SVGSVGElement>): void => {
      if (event.buttons & 1) tool.move(pointerOf(event));
      else event.currentTarget.style.cursor = tool.hover(pointerOf(event));
    },
    onPointerUp: (): void => tool.up(),
    onPointerCancel: (): void => void tool.cancel(),
    onPointerLeave: (): void => tool.leave(),
  };
  return { preview, handlers };
}

/** Escape gives up what is under way, before anything else hears it. */
function useEscape(cancel: () => boolean): void {
  const latest = useRef(cancel);
  useEffect(() => {
    latest.current = cancel;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === 'Escape' && latest.current()) event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
}
