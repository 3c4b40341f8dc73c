import { useMemo, useRef } from 'react';
import {
  distanceOnSheet,
  guideById,
  loopLength,
  motionAsSet,
  riderById,
  yOfDistance,
  type Axes,
  type Guide,
  type Rider,
  type RiderMotion,
} from '@pace-line/core';
import { useSheetState, useSteadyScene } from '../../document/index.ts';
import { beatsOf, STRIP_HEIGHT, type SheetPreview } from '../../tools/sheet/index.ts';
import { useDeskView, usePreferences } from '../view.ts';
import { Ground, TimeStrip } from './layers/Ground.tsx';
import { Marks } from './layers/Marks.tsx';
import { MeetingRings } from './layers/MeetingRings.tsx';
import { OtherLines, PaceLine } from './layers/PaceLines.tsx';
import { Beads } from './layers/Beads.tsx';
import { SeamFigures } from './SeamFigures.tsx';
import { Playhead } from './Playhead.tsx';
import { SpeedRibbon } from './strips/SpeedRibbon.tsx';
import { HeadingStrip } from './strips/HeadingStrip.tsx';
import { HEADING_STRIP, RIBBON, useShowsHeading } from './use-sheet-axes.ts';
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

/** The string-line chart of one route: what stands still in one layer, what is worked on in another over it. */
export function Chart({ guide, riders, selected, axes, size, onStretch }: ChartProps) {
  const steady = useSteadyScene();
  const length = loopLength(steady.clock);
  const svg = useRef<SVGSVGElement>(null);
  const landmarks = usePreferences((state) => state.seeing.landmarks);
  const { clock } = steady;
  const beats = useMemo(() => beatsOf(clock, length), [clock, length]);
  const { preview, handlers } = useSheetTool(svg, { guide, riders, selected, axes }, onStretch);
  useSheetWheel(svg, axes, length, onStretch);
  const clip = { x: axes.left, y: 0, width: Math.max(0, axes.right - axes.left), height: size.height };
  return (
    <>
      <svg className="sheet-ground" width={size.width} height={size.height} role="presentation">
        <clipPath id="sheet-ground-clip">
          <rect {...clip} />
        </clipPath>
        <Ground {...{ axes, length, guide, riders, landmarks, beats }} bottom={size.height} />
        <g clipPath="url(#sheet-ground-clip)">
          <MeetingRings scene={steady} guide={guide} count={riders.length} axes={axes} />
          <OtherLines scene={steady} {...{ riders, selected, axes }} color={guide.color} named={null} />
        </g>
      </svg>
      <svg
        ref={svg}
        className="sheet"
        width={size.width}
        height={size.height}
        role="group"
        aria-label={`Pace lines on ${guide.name}`}
        {...handlers}
      >
        <clipPath id="sheet-clip">
          <rect {...clip} />
        </clipPath>
        <WorkedOn {...{ guide, axes, length, preview }} rider={selected} />
        <TimeStrip axes={axes} length={length} height={STRIP_HEIGHT} />
      </svg>
      <SeamFigures axes={axes} rider={selected?.id} length={length} />
      <Playhead axes={axes} rider={selected?.id} />
    </>
  );
}

interface WorkedOnProps {
  readonly guide: Guide;
  readonly rider: Rider | undefined;
  readonly axes: Axes;
  readonly length: number;
  readonly preview: SheetPreview | null;
}

/** The selected rider's line, marks and speed as they are shown, and what the hand is making. */
function WorkedOn({ guide, rider: chosen, axes, length, preview }: WorkedOnProps) {
  const scene = useSheetState((state) => state.shown);
  const marks = useSheetState((state) => state.selection.marks);
  const showsHeading = useShowsHeading();
  const rider = chosen && riderById(scene, chosen.id);
  const moving = rider && motionAsSet(scene, rider.id);
  const now = guideById(scene, guide.id) ?? guide;
  return (
    <>
      <g clipPath="url(#sheet-clip)">
        <HoverLine guide={guide} axes={axes} />
        {rider && <GhostLine rider={rider.id} now={moving} axes={axes} color={guide.color} />}
        {moving && <PaceLine rider={moving} axes={axes} color={guide.color} isSelected />}
        {preview?.kind === 'dot' && <circle className="add-dot" cx={preview.x} cy={preview.y} r={5} />}
        {preview?.kind === 'box' && (
          <rect
            className="selecting"
            x={Math.min(preview.x0, preview.x1)}
            y={Math.min(preview.y0, preview.y1)}
            width={Math.abs(preview.x1 - preview.x0)}
            height={Math.abs(preview.y1 - preview.y0)}
          />
        )}
      </g>
      {rider && <Beads {...{ scene, rider, axes }} guide={now} chosen={marks} />}
      {rider && <Marks {...{ scene, rider, axes, length }} guide={now} chosen={marks} />}
      {moving && (
        <SpeedRibbon rider={moving} color={guide.color} axes={axes} top={axes.bottom + 14} height={RIBBON - 8} />
      )}
      {moving && showsHeading && (
        <HeadingStrip rider={moving} axes={axes} top={axes.bottom + 14 + RIBBON - 8} height={HEADING_STRIP} />
      )}
    </>
  );
}

/** The height of the place that is hovered on the canvas. */
function HoverLine({ guide, axes }: { guide: Guide; axes: Axes }) {
  const hover = useDeskView((state) => state.hover);
  if (!hover || hover.guide !== guide.id) return null;
  const y = yOfDistance(axes, distanceOnSheet(guide, hover.distance, axes));
  return <line className="hover-line" x1={axes.left} x2={axes.right} y1={y} y2={y} />;
}

/** The line of the rider as the ghost has it, where that is another. */
function GhostLine({
  rider,
  now,
  axes,
  color,
}: {
  rider: string;
  now: RiderMotion | undefined;
  axes: Axes;
  color: string;
}) {
  const ghost = useDeskView((state) => state.ghost);
  const was = ghost && motionAsSet(ghost.scene, rider);
  if (!was || was === now) return null;
  return (
    <g className="ghost-pace">
      <PaceLine rider={was} axes={axes} color={color} isSelected={false} dash="5 4" />
    </g>
  );
}
