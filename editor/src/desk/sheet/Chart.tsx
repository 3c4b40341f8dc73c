import { useMemo, useRef, type KeyboardEvent } from 'react';
import { guideById, loopLength, riderById, type Axes, type Guide, type Rider, type Told } from '@pace-line/core';
import { selectRider, useDocument, useDocumentState } from '../../document/index.ts';
import { SHEET_FIGURES, type SheetNow } from '../../figures/sheet/index.ts';
import type { Frame } from '../../frame/playback.ts';
import { beatsOf, STRIP_HEIGHT, type SheetPreview } from '../../tools/sheet/index.ts';
import { nudge } from '../actions/moving.ts';
import { wayOfArrow } from '../keys/arrows.ts';
import { partOf } from '../keys/part-of.ts';
import { useDesk } from '../context.ts';
import { Painted } from '../Painted.tsx';
import { useDeskView, usePreferences } from '../view.ts';
import { Ground, TimeStrip } from './Ground.tsx';
import { Playhead } from './Playhead.tsx';
import { SpeedLock } from './SpeedLock.tsx';
import { SeamFigures } from './SeamFigures.tsx';
import { useShowsHeading } from './use-sheet-axes.ts';
import { useSheetTool } from './use-sheet-tool.ts';
import { useSheetWheel, type Stretch } from './use-sheet-zoom.ts';

interface ChartProps {
  readonly guide: Guide;
  readonly riders: readonly Rider[];
  readonly selected: Rider | undefined;
  readonly axes: Axes;
  readonly size: { readonly width: number; readonly height: number };
  readonly onStretch: (stretch: Stretch) => void;
}

/** The string-line chart of one route: what stands still in one layer, what is worked on in another over it. Lines, marks and strips are painted in the frame. */
export function Chart({ guide, riders, selected, axes, size, onStretch }: ChartProps) {
  const clock = useDocumentState((state) => state.shown.clock);
  const length = loopLength(clock);
  const svg = useRef<SVGSVGElement>(null);
  const landmarks = usePreferences((state) => state.seeing.landmarks);
  const beats = useMemo(() => beatsOf(clock, length), [clock, length]);
  const { preview, handlers } = useSheetTool(svg, { guide, riders, selected, axes }, onStretch);
  useSheetWheel(svg, axes, length, onStretch);
  const now = useSheetNow({ guide, riders, selected, axes }, length, preview);
  const clip = { x: axes.left, y: 0, width: Math.max(0, axes.right - axes.left), height: size.height };
  return (
    <>
      <svg className="sheet-ground" width={size.width} height={size.height} role="presentation">
        <clipPath id="sheet-ground-clip">
          <rect {...clip} />
        </clipPath>
        <Ground {...{ axes, length, guide, riders, landmarks, beats }} bottom={size.height} />
        <g clipPath="url(#sheet-ground-clip)">
          <Painted figures={SHEET_FIGURES.behind} now={now} />
        </g>
      </svg>
      <svg
        ref={svg}
        className="sheet"
        width={size.width}
        height={size.height}
        role="group"
        aria-label={`Pace lines on ${guide.name}`}
        data-axes={JSON.stringify(axes)}
        {...useMarkKeys()}
        {...handlers}
      >
        <clipPath id="sheet-clip">
          <rect {...clip} />
        </clipPath>
        <g clipPath="url(#sheet-clip)">
          <Painted figures={SHEET_FIGURES.within} now={now} />
        </g>
        <Painted figures={SHEET_FIGURES.over} now={now} />
        <TimeStrip axes={axes} length={length} height={STRIP_HEIGHT} />
      </svg>
      <SeamFigures axes={axes} rider={selected?.id} length={length} />
      {selected && <SpeedLock axes={axes} />}
      <Playhead axes={axes} rider={selected?.id} />
    </>
  );
}

const NONE: readonly Told[] = [];

/** What the sheet is painted from in a frame. */
function useSheetNow(
  { guide, riders, selected, axes }: Pick<ChartProps, 'guide' | 'riders' | 'selected' | 'axes'>,
  length: number,
  preview: { readonly current: SheetPreview | null },
): (frame: Frame) => SheetNow {
  const doc = useDocument();
  const showsHeading = useShowsHeading();
  return ({ scene }) => {
    const { committed, selection } = doc.state;
    const { hover, ghost, finding, wrong } = useDeskView.getState();
    const isKept = scene === committed;
    return {
      ...{ scene, selection, riders, axes, length, showsHeading, hover },
      standing: scene.riders === committed.riders ? committed : scene,
      guide: guideById(scene, guide.id) ?? guide,
      rider: selected && riderById(scene, selected.id),
      preview: preview.current,
      ghost: ghost?.scene ?? null,
      wrong: isKept && wrong.scene === committed ? wrong.found : NONE,
      finding: isKept && finding?.scene === committed ? finding.finding : null,
    };
  };
}

/** Marks by keyboard: what is come to is selected, and arrows carry it in time and along the guide. */
function useMarkKeys() {
  const desk = useDesk();
  return useMemo(() => {
    const take = (target: EventTarget): boolean => {
      const part = partOf(target);
      const rider = part?.dataset['rider'];
      if (!part || rider === undefined) return false;
      if (!desk.doc.state.selection.marks.includes(part.id)) desk.doc.select(selectRider(rider, [part.id]));
      return true;
    };
    return {
      onFocus: ({ target }: { target: EventTarget }) => void take(target),
      onKeyDown: (event: KeyboardEvent) => {
        const way = partOf(event.target) && wayOfArrow(event);
        if (way && take(event.target)) nudge(desk, way[0], way[1]);
      },
    };
  }, [desk]);
}
