import { useEffect, useMemo, useRef, type PointerEvent, type RefObject } from 'react';
import { loopLength, type Axes, type Guide, type Rider } from '@pace-line/core';
import { tell } from '../../look/notices.tsx';
import { Fingers, isFinger } from '../../tools/index.ts';
import {
  sheetTool,
  type SheetHost,
  type SheetPointer,
  type SheetPreview,
  type SheetTool,
} from '../../tools/sheet/index.ts';
import { useDesk } from '../context.ts';
import { useDeskView, usePreferences } from '../view.ts';
import { pinchedStretch, type Stretch } from './use-sheet-zoom.ts';
import { cornerOf, pointerFrom, type Corner } from './pointer-on.ts';

/** What the sheet shows now, for its tool to ask. */
export interface SheetShown {
  readonly guide: Guide;
  readonly riders: readonly Rider[];
  readonly selected: Rider | undefined;
  readonly axes: Axes;
}

/** The sheet's tool on an SVG: its pointer's handlers, and what it shows beside the document. */
export function useSheetTool(
  svg: RefObject<SVGSVGElement | null>,
  shown: SheetShown,
  onStretch: (stretch: Stretch) => void,
) {
  const desk = useDesk();
  const preview = useRef<SheetPreview | null>(null);
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
      hold() {
        playback.hold();
        useDeskView.getState().set({ scrubbed: true });
      },
      release: () => playback.release(),
      snapsToLandmarks: () => {
        const { snapping, seeing } = usePreferences.getState();
        return snapping.kinds.landmarks && seeing.landmarks;
      },
      keepsDuration: () => usePreferences.getState().keepsDuration,
      preview: (next) => {
        if (next === preview.current) return;
        preview.current = next;
        playback.invalidate();
      },
      hover: (distance) =>
        useDeskView.getState().set({ hover: distance === null ? null : { guide: latest.current.guide.id, distance } }),
      tell,
    };
    return sheetTool(host);
  }, [desk]);
  useEscape(() => tool.cancel());
  useEffect(() => () => void tool.cancel(), [tool]);
  // While something is held the sheet stays where it is: asked in each move, the browser would lay out all that was just painted.
  const corner = useRef<Corner>({ left: 0, top: 0 });
  const pointerOf = (event: PointerEvent): SheetPointer => {
    if (event.buttons === 0 || event.type === 'pointerdown') corner.current = cornerOf(svg.current);
    return pointerFrom(corner.current, event);
  };
  const fingers = useFingers(svg, tool, latest, onStretch);
  const handlers = {
    onPointerDown: (event: PointerEvent<SVGSVGElement>): void => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      if (isFinger(event)) fingers.down(event.pointerId, [event.clientX, event.clientY], pointerOf(event));
      else tool.down(pointerOf(event));
    },
    onPointerMove: (event: PointerEvent<SVGSVGElement>): void => {
      if (isFinger(event)) fingers.move(event.pointerId, [event.clientX, event.clientY], pointerOf(event));
      else if (event.buttons & 1) tool.move(pointerOf(event));
      else event.currentTarget.style.cursor = tool.hover(pointerOf(event));
    },
    onPointerUp: (event: PointerEvent<SVGSVGElement>): void => {
      if (isFinger(event)) fingers.up(event.pointerId, pointerOf(event));
      else tool.up();
    },
    onPointerCancel: (event: PointerEvent<SVGSVGElement>): void => {
      if (isFinger(event)) fingers.lost(event.pointerId);
      else tool.cancel();
    },
    onPointerLeave: (): void => tool.leave(),
  };
  return { preview, handlers };
}

/** One finger works the sheet; two move and zoom it in time. */
function useFingers(
  svg: RefObject<SVGSVGElement | null>,
  tool: SheetTool,
  shown: RefObject<SheetShown>,
  onStretch: (stretch: Stretch) => void,
): Fingers<SheetPointer> {
  const desk = useDesk();
  return useMemo(() => {
    let base = shown.current.axes;
    return new Fingers<SheetPointer>({
      press: (p) => tool.down(p),
      move: (p) => tool.move(p),
      lift: () => tool.up(),
      giveUp: () => void tool.cancel(),
      pinchBegins: () => {
        base = shown.current.axes;
      },
      pinch({ x, dx, scale }) {
        const left = svg.current?.getBoundingClientRect().left ?? 0;
        onStretch(pinchedStretch(base, loopLength(desk.doc.state.shown.clock), { x: x - left, dx, scale }));
      },
    });
  }, [svg, tool, shown, onStretch, desk]);
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
