import {
  memo,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type RefObject,
} from 'react';
import {
  cycleOf,
  distanceOfPlace,
  foldTime,
  guideById,
  loopLength,
  pathOfGuide,
  prepare,
  retimeMark,
  setDwell,
  type Guide,
  type Mark,
  type Rider,
  type Scene,
} from '@pace-line/core';
import {
  selectRider,
  toggled,
  useCalmState,
  useDocument,
  useSettledScene,
  type Gesture,
} from '../../document/index.ts';
import { useDesk, useFrame } from '../context.ts';
import { markLabel, seconds } from '../labels.ts';
import { useDeskView, usePreferences } from '../view.ts';
import { LandmarkRules, lapNear, rulesOf, snappedToPlace, TimeNames, TimeRules } from './Rules.tsx';
import { lineData, shownTimes, speedsOf } from './lines.ts';
import { distanceOf, timeOf, xOf, yOf, type SheetScale } from './scale.ts';

interface ChartProps {
  readonly guide: Guide;
  readonly riders: readonly Rider[];
  readonly selected: Rider | undefined;
  readonly scale: SheetScale;
  readonly size: { readonly width: number; readonly height: number };
  readonly ribbon: number;
  readonly onWindow: (window: readonly [number, number] | null) => void;
}

/** Screen px within which a mark, a dwell's end or the line is taken. */
const REACH = { mouse: 9, touch: 16 } as const;
const STRIP_HEIGHT = 26;

type Target =
  | { readonly kind: 'strip' }
  | { readonly kind: 'mark'; readonly mark: Mark }
  | { readonly kind: 'dwell'; readonly mark: Mark }
  | {
      readonly kind: 'line';
      readonly rider: Rider;
      readonly local: number;
      readonly time: number;
      readonly distance: number;
    }
  | null;

/** The string-line chart of one route with the speed of the selected rider under it. */
export function Chart({ guide, riders, selected, scale, size, ribbon, onWindow }: ChartProps) {
  const doc = useDocument();
  const { playback, actions } = useDesk();
  const scene = useCalmState((state) => state.shown);
  const settled = useSettledScene();
  const selection = useCalmState((state) => state.selection);
  const hover = useDeskView((state) => state.hover);
  const setView = useDeskView((state) => state.set);
  const showsLandmarks = usePreferences((state) => state.seeing.landmarks);
  const snapsToLandmarks = usePreferences((state) => state.snapping.kinds.landmarks && state.seeing.landmarks);
  const svg = useRef<SVGSVGElement>(null);
  const head = useRef<HTMLDivElement>(null);
  const speedText = useRef<HTMLSpanElement>(null);
  const said = useRef(0);
  const [dot, setDot] = useState<{ x: number; y: number } | null>(null);
  const drag = useRef<Drag | null>(null);
  const length = loopLength(scene.clock);
  const index = selected ? scene.riders.indexOf(selected) : -1;
  const shownGuide = guideById(scene, guide.id) ?? guide;

  useFrame((time) => {
    const x = xOf(scale, time);
    if (head.current) {
      head.current.style.transform = `translateX(${x.toFixed(1)}px)`;
      head.current.classList.toggle('near-end', x > scale.right - 80);
    }
    const at = performance.now();
    if (speedText.current && index >= 0 && !(playback.isPlaying && at - said.current < 50)) {
      said.current = at;
      const { speed } = prepare(doc.state.shown).distanceAt(index, time);
      const words = `${Math.round(Math.abs(speed))} px/s`;
      if (speedText.current.textContent !== words) speedText.current.textContent = words;
    }
  });

  const pointOf = (event: { clientX: number; clientY: number }): { x: number; y: number } => {
    const box = svg.current?.getBoundingClientRect();
    return { x: event.clientX - (box?.left ?? 0), y: event.clientY - (box?.top ?? 0) };
  };

  const targetAt = (x: number, y: number, reach: number): Target => {
    if (y < STRIP_HEIGHT) return { kind: 'strip' };
    if (selected) {
      const near = handlesOf(scene, guide, selected, scale, length, selection.marks)
        .map((handle) => ({ handle, gap: Math.hypot(handle.x - x, handle.y - y) }))
        .filter(({ gap }) => gap <= reach)
        .sort((a, b) => a.gap - b.gap)[0];
      if (near) return { kind: near.handle.kind, mark: near.handle.mark };
    }
    return lineAt(
      scene,
      [...riders].sort((a, b) => Number(b === selected) - Number(a === selected)),
      scale,
      x,
      y,
      reach,
    );
  };

  const scrub = (x: number): void => playback.seek(timeOf(scale, x));

  const onPointerDown = (event: PointerEvent<SVGSVGElement>): void => {
    if (event.button !== 0) return;
    const { x, y } = pointOf(event);
    const target = targetAt(x, y, event.pointerType === 'mouse' ? REACH.mouse : REACH.touch);
    event.currentTarget.setPointerCapture(event.pointerId);
    setDot(null);
    if (target?.kind === 'strip') {
      playback.hold();
      scrub(x);
      drag.current = { kind: 'scrub' };
    } else if (target?.kind === 'mark' && selected) {
      const ids = event.shiftKey ? toggled(selection.marks, target.mark.id) : [target.mark.id];
      doc.select(selectRider(selected.id, ids.length > 0 ? ids : []));
      playback.hold();
      drag.current = {
        kind: 'mark',
        rider: selected.id,
        mark: target.mark,
        x,
        y,
        start: distanceOn(guide, target.mark),
        gesture: null,
      };
    } else if (target?.kind === 'dwell' && selected) {
      doc.select(selectRider(selected.id, [target.mark.id]));
      playback.hold();
      drag.current = { kind: 'dwell', rider: selected.id, mark: target.mark, x, y, start: 0, gesture: null };
    } else if (target?.kind === 'line') {
      if (target.rider !== selected) doc.select(selectRider(target.rider.id));
      else {
        const fps = scene.clock.fps;
        const time = event.ctrlKey ? target.local : Math.round(target.local * fps) / fps;
        const id = actions.addMark(target.rider.id, time);
        const mark = doc.state.committed.riders
          .find((rider) => rider.id === target.rider.id)
          ?.pace.marks.find((one) => one.id === id);
        if (mark) {
          playback.hold();
          drag.current = {
            kind: 'mark',
            rider: target.rider.id,
            mark,
            x,
            y,
            start: distanceOn(guide, mark),
            gesture: null,
          };
        }
      }
    } else doc.select(selected ? selectRider(selected.id) : doc.state.selection);
  };

  const onPointerMove = (event: PointerEvent<SVGSVGElement>): void => {
    const { x, y } = pointOf(event);
    const now = drag.current;
    if (!now) {
      const target = targetAt(x, y, event.pointerType === 'mouse' ? REACH.mouse : REACH.touch);
      const isLine = target?.kind === 'line' && target.rider === selected;
      setDot(isLine ? { x: xOf(scale, target.time), y: yOf(scale, target.distance) } : null);
      const inChart = y > scale.top && y < scale.bottom && x > scale.left;
      setView({ hover: inChart ? { guide: guide.id, distance: distanceOf(scale, y) } : null });
      if (svg.current) svg.current.style.cursor = cursorOf(target, isLine);
      return;
    }
    if (now.kind === 'scrub') scrub(x);
    else follow(now, x, y, event);
  };

  const follow = (now: MarkDrag, x: number, y: number, event: PointerEvent): void => {
    if (!now.gesture && Math.hypot(x - now.x, y - now.y) <= 2) return;
    now.gesture ??= doc.begin(now.kind === 'dwell' ? 'Change rest' : 'Move mark');
    const { clock } = doc.state.committed;
    const dt = ((x - now.x) / (scale.right - scale.left)) * (scale.to - scale.from);
    const ds = ((now.y - y) / (scale.bottom - scale.top)) * (scale.high - scale.low);
    const snap = (time: number): number => (event.ctrlKey ? time : Math.round(time * clock.fps) / clock.fps);
    if (now.kind === 'dwell') {
      const dwell = snap(now.mark.time + now.mark.dwell + dt) - now.mark.time;
      now.gesture.update((base) => setDwell(base, { rider: now.rider, mark: now.mark.id, dwell }));
      return;
    }
    const [keepTime, keepPlace] = event.shiftKey
      ? [Math.abs(x - now.x) < Math.abs(y - now.y), Math.abs(x - now.x) >= Math.abs(y - now.y)]
      : [false, false];
    const time = keepTime ? now.mark.time : snap(now.mark.time + dt);
    const distance = event.ctrlKey ? now.start + ds : snappedToPlace(guide, scale, now.start + ds, snapsToLandmarks);
    const moved = Math.abs(y - now.y) > 2 && !keepPlace;
    now.gesture.update((base) =>
      retimeMark(base, { rider: now.rider, mark: now.mark.id, time, ...(moved ? { distance } : {}) }),
    );
  };

  const endDrag = (cancel: boolean): void => {
    const now = drag.current;
    drag.current = null;
    if (!now) return;
    playback.release();
    if (now.kind === 'scrub') return;
    if (cancel) now.gesture?.cancel();
    else now.gesture?.commit();
  };

  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent): void => {
      if (event.key !== 'Escape' || !drag.current) return;
      event.stopImmediatePropagation();
      if (drag.current.kind !== 'scrub') drag.current.gesture?.cancel();
      drag.current = null;
      playback.release();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [playback]);

  useSheetWheel(svg, scale, length, onWindow);

  const rules = useMemo(() => rulesOf(guide, riders, scale), [guide, riders, scale]);
  const hoverY = hover && hover.guide === guide.id ? yOf(scale, lapNear(guide, hover.distance, scale)) : null;
  const zero = xOf(scale, 0);
  const end = xOf(scale, length);
  return (
    <>
      <svg className="sheet-ground" width={size.width} height={size.height} role="presentation">
        <defs>
          <clipPath id="sheet-ground-clip">
            <rect x={scale.left} y={0} width={Math.max(0, scale.right - scale.left)} height={size.height} />
          </clipPath>
        </defs>
        <TimeRules scale={scale} length={length} bottom={size.height} />
        {showsLandmarks && <LandmarkRules guide={guide} scale={scale} />}
        {rules.map((rule) => (
          <g key={`${rule.label}-${rule.distance}`}>
            <line className="place-rule" x1={scale.left} x2={scale.right} y1={rule.y} y2={rule.y} />
            {rule.labelled && (
              <text className="place-name" x={scale.left - 8} y={rule.y + 4}>
                {rule.label}
              </text>
            )}
          </g>
        ))}
        <g clipPath="url(#sheet-ground-clip)">
          <rect
            className="sheet-margin"
            x={scale.left}
            y={scale.top}
            width={Math.max(0, zero - scale.left)}
            height={scale.bottom - scale.top}
          />
          <rect
            className="sheet-margin"
            x={end}
            y={scale.top}
            width={Math.max(0, scale.right - end)}
            height={scale.bottom - scale.top}
          />
          <line className="loop-edge" x1={zero} x2={zero} y1={scale.top - 6} y2={scale.bottom} />
          <line className="loop-edge" x1={end} x2={end} y1={scale.top - 6} y2={scale.bottom} />
          {riders.map((rider) =>
            rider === selected ? null : (
              <Line key={rider.id} scene={settled} rider={rider} guide={guide} scale={scale} isSelected={false} />
            ),
          )}
        </g>
      </svg>
      <svg
        ref={svg}
        className="sheet"
        width={size.width}
        height={size.height}
        role="group"
        aria-label={`Pace lines on ${guide.name}`}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={() => endDrag(false)}
        onPointerCancel={() => endDrag(true)}
        onPointerLeave={() => {
          setDot(null);
          setView({ hover: null });
        }}
      >
        <defs>
          <clipPath id="sheet-clip">
            <rect x={scale.left} y={0} width={Math.max(0, scale.right - scale.left)} height={size.height} />
          </clipPath>
        </defs>
        <g clipPath="url(#sheet-clip)">
          {hoverY !== null && <line className="hover-line" x1={scale.left} x2={scale.right} y1={hoverY} y2={hoverY} />}
          {selected && <Line scene={scene} rider={selected} guide={shownGuide} scale={scale} isSelected />}
          {dot && <circle className="add-dot" cx={dot.x} cy={dot.y} r={5} />}
        </g>
        {selected && (
          <Marks
            scene={scene}
            guide={shownGuide}
            rider={selected}
            scale={scale}
            length={length}
            chosen={selection.marks}
          />
        )}
        {selected && (
          <Ribbon
            scene={scene}
            guide={shownGuide}
            rider={selected}
            scale={scale}
            top={scale.bottom + 14}
            height={ribbon - 8}
          />
        )}
        <g className="strip">
          <rect
            className="strip-ground"
            x={scale.left}
            y={0}
            width={Math.max(0, scale.right - scale.left)}
            height={STRIP_HEIGHT}
          />
          <TimeNames scale={scale} length={length} />
        </g>
      </svg>
      <div ref={head} className="playhead" aria-hidden>
        <svg width={16} height={24} viewBox="-8 0 16 24">
          <path d="M-7 4H7V15L0 23L-7 15Z" />
        </svg>
        <span ref={speedText} className="figures" style={{ top: scale.bottom + 16 }} />
      </div>
    </>
  );
}

interface MarkDrag {
  readonly kind: 'mark' | 'dwell';
  readonly rider: string;
  readonly mark: Mark;
  readonly x: number;
  readonly y: number;
  readonly start: number;
  gesture: Gesture | null;
}
type Drag = { readonly kind: 'scrub' } | MarkDrag;

function cursorOf(target: Target, isLine: boolean): string {
  if (!target) return 'default';
  if (target.kind === 'strip') return 'ew-resize';
  if (target.kind === 'dwell') return 'ew-resize';
  if (target.kind === 'mark') return 'move';
  return isLine ? 'copy' : 'pointer';
}

const distanceOn = (guide: Guide, mark: Mark): number => distanceOfPlace(guide, pathOfGuide(guide), mark.place);

interface Handle {
  readonly kind: 'mark' | 'dwell';
  readonly mark: Mark;
  readonly x: number;
  readonly y: number;
}

/** What can be grabbed on the selected rider's line: its marks, and the ends of its rests (for a mark without one, beside it while it is selected). */
function handlesOf(
  scene: Scene,
  guide: Guide,
  rider: Rider,
  scale: SheetScale,
  length: number,
  chosen: readonly string[],
): Handle[] {
  return rider.pace.marks.flatMap((mark): Handle[] => {
    const y = yOf(scale, distanceOn(guide, mark));
    return shownTimes(scene, rider, mark.time, length).flatMap((time): Handle[] => {
      const x = xOf(scale, time);
      const rests = mark.dwell > 0 || chosen.includes(mark.id);
      const handle: Handle = { kind: 'mark', mark, x, y };
      return rests ? [handle, { kind: 'dwell', mark, x: restX(scale, time, mark), y }] : [handle];
    });
  });
}

const restX = (scale: SheetScale, time: number, mark: Mark): number =>
  Math.max(xOf(scale, time + mark.dwell), xOf(scale, time) + (mark.dwell > 0 ? 12 : 16));

/** The rider's line under a point, the first of the list winning. */
function lineAt(
  scene: Scene,
  riders: readonly Rider[],
  scale: SheetScale,
  x: number,
  y: number,
  reach: number,
): Target {
  if (x < scale.left || x > scale.right || y < scale.top - reach || y > scale.bottom + reach) return null;
  const time = timeOf(scale, x);
  const motion = prepare(scene);
  for (const rider of riders) {
    const index = scene.riders.indexOf(rider);
    const { distance, speed } = motion.distanceAt(index, time);
    const slope =
      (speed * (scale.to - scale.from) * (scale.bottom - scale.top)) /
      ((scale.right - scale.left) * (scale.high - scale.low));
    const gap = Math.abs(yOf(scale, distance) - y) / Math.sqrt(1 + slope * slope);
    if (gap <= reach) {
      const { local } = foldTime(
        time,
        rider.pace.delay,
        cycleOf(rider, scene.clock),
        rider.pace.repeat ?? scene.clock.repeat,
        1,
        { local: 0, direction: 1 },
      );
      return { kind: 'line', rider, local, time, distance };
    }
  }
  return null;
}

interface LineProps {
  readonly scene: Scene;
  readonly rider: Rider;
  readonly guide: Guide;
  readonly scale: SheetScale;
  readonly isSelected: boolean;
}

const Line = memo(function Line({ scene, rider, guide, scale, isSelected }: LineProps) {
  const d = useMemo(() => lineData(scene, rider, scale, isSelected ? 2 : 5), [scene, rider, scale, isSelected]);
  return (
    <path
      className={isSelected ? 'pace-line selected' : 'pace-line'}
      d={d}
      style={isSelected ? { stroke: guide.color } : undefined}
      data-rider={rider.id}
    />
  );
});

interface MarksProps {
  readonly scene: Scene;
  readonly guide: Guide;
  readonly rider: Rider;
  readonly scale: SheetScale;
  readonly length: number;
  readonly chosen: readonly string[];
}

function Marks({ scene, guide, rider, scale, length, chosen }: MarksProps) {
  const doc = useDocument();
  const { actions } = useDesk();
  const onKeyDown = (event: KeyboardEvent, mark: Mark): void => {
    const size = event.shiftKey ? 10 : 1;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const marks = chosen.includes(mark.id) ? chosen : [mark.id];
    if (!chosen.includes(mark.id)) doc.select(selectRider(rider.id, marks));
    actions.nudgeMarks(rider.id, marks, (way[0] ?? 0) * size, (way[1] ?? 0) * size);
  };
  return (
    <g className="marks" style={{ color: guide.color }}>
      {rider.pace.marks.map((mark) => {
        const distance = distanceOn(guide, mark);
        const isChosen = chosen.includes(mark.id);
        return shownTimes(scene, rider, mark.time, length).map((time, copy) => {
          const x = xOf(scale, time);
          const y = yOf(scale, distance);
          if (x < scale.left - 4 || x > scale.right + 4) return null;
          const label = markText(mark);
          const left = x > scale.right - 120;
          return (
            <g
              key={`${mark.id}-${copy}`}
              className={`mark ${isChosen ? 'selected' : ''}`}
              tabIndex={copy === 0 ? 0 : undefined}
              role={copy === 0 ? 'button' : undefined}
              aria-pressed={copy === 0 ? isChosen : undefined}
              aria-label={copy === 0 ? markLabel(rider, mark, distance) : undefined}
              data-mark={mark.id}
              onKeyDown={(event) => onKeyDown(event, mark)}
              onFocus={() => {
                if (!isChosen) doc.select(selectRider(rider.id, [mark.id]));
              }}
            >
              {(mark.dwell > 0 || isChosen) && (
                <>
                  <line className="rest-line" x1={x} x2={restX(scale, time, mark)} y1={y} y2={y} />
                  <path className="rest-end" d={`M${restX(scale, time, mark)} ${y - 6}V${y + 6}`} data-rest={mark.id} />
                </>
              )}
              <circle className="mark-ring" cx={x} cy={y} r={5.5} />
              {isChosen && chosen.length === 1 && (
                <g
                  className="mark-label"
                  transform={`translate(${left ? x - 10 - label.length * 6.4 - 14 : x + 10} ${y - 28 < scale.top ? y + 12 : y - 28})`}
                >
                  <rect width={label.length * 6.4 + 14} height={18} rx={3} />
                  <text x={7} y={13}>
                    {label}
                  </text>
                </g>
              )}
            </g>
          );
        });
      })}
    </g>
  );
}

const markText = (mark: Mark): string =>
  mark.dwell > 0 ? `${seconds(mark.time)}, rests ${seconds(mark.dwell)}` : seconds(mark.time);

interface RibbonProps {
  readonly scene: Scene;
  readonly guide: Guide;
  readonly rider: Rider;
  readonly scale: SheetScale;
  readonly top: number;
  readonly height: number;
}

/** Speed along the guide over time, as an area. */
function Ribbon({ scene, guide, rider, scale, top, height }: RibbonProps) {
  const { points, most } = useMemo(() => speedsOf(scene, rider, scale), [scene, rider, scale]);
  const bottom = top + height;
  const n = (value: number): number => Math.round(value * 10) / 10;
  const y = (speed: number): number => bottom - (Math.min(speed, most) / most) * (height - 16);
  const outline = points.map(([time, speed]) => `${n(xOf(scale, time))} ${n(y(speed))}`).join('L');
  return (
    <g className="ribbon" style={{ color: guide.color }}>
      <text className="place-name ribbon-name" x={scale.left - 8} y={top + 14}>
        speed
      </text>
      <text className="place-name muted" x={scale.left - 8} y={top + 28}>
        ≤ {Math.round(most)} px/s
      </text>
      <path className="ribbon-area" d={`M${n(scale.left)} ${n(bottom)}L${outline}L${n(scale.right)} ${n(bottom)}Z`} />
      <path className="ribbon-line" d={`M${outline}`} />
      <line className="loop-edge" x1={scale.left} x2={scale.right} y1={bottom} y2={bottom} />
    </g>
  );
}

/** Ctrl-wheel zooms in time about the pointer, wheel pans. */
function useSheetWheel(
  svg: RefObject<SVGSVGElement | null>,
  scale: SheetScale,
  length: number,
  onWindow: ChartProps['onWindow'],
): void {
  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const width = scale.to - scale.from;
      const least = -0.06 * length;
      const most = 1.06 * length;
      if (event.ctrlKey || event.metaKey) {
        const at = timeOf(scale, event.clientX - element.getBoundingClientRect().left);
        const next = Math.min(Math.max(width * Math.exp(event.deltaY * 0.0022), length / 200), most - least);
        if (next >= most - least - 1e-9) return onWindow(null);
        const from = Math.min(Math.max(at - ((at - scale.from) / width) * next, least), most - next);
        onWindow([from, from + next]);
      } else if (width < most - least - 1e-9) {
        const way = ((event.deltaX || event.deltaY) / (scale.right - scale.left)) * width;
        const from = Math.min(Math.max(scale.from + way, least), most - width);
        onWindow([from, from + width]);
      }
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [svg, scale, length, onWindow]);
}
