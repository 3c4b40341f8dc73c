import { memo, useMemo, type KeyboardEvent } from 'react';
import { guideById, pathData, pathOfGuide, riderById, type Guide, type Scene } from '@pace-line/core';
import { selectGuide, useDocument, useDocumentState, type Selection } from '../../document/index.ts';
import { boundsOf, boxedOf, flagsOf, gripOf, handlesAround, showsHandles, type Preview } from '../../tools/index.ts';
import { useDesk } from '../context.ts';
import { nodeLabel } from '../labels.ts';
import { useDeskView } from '../view.ts';
import { ticksOf, type Ticks } from './overlay-paths.ts';
import { PreviewShape } from './PreviewShape.tsx';
import { cssMatrix } from './view-transform.ts';

interface LinesProps {
  readonly scene: Scene;
  readonly selection: Selection;
  readonly ticks: Ticks | null;
}

/** Guides as lines and the spacing ticks. They lie under the riders while one watches, over all while a guide is edited. */
export const Lines = memo(function Lines({ scene, selection, ticks }: LinesProps) {
  const view = useDeskView((state) => state.view);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const editing = selection.guides.length > 0;
  const bending = useDocumentState((state) => state.shown !== state.committed);
  return (
    <svg className={`overlay lines ${editing ? 'on-top' : ''} ${bending ? 'bending' : ''}`} aria-hidden>
      <g transform={cssMatrix(view)}>
        {scene.guides.map((one) =>
          one.visible ? (
            <GuideLine
              key={one.id}
              guide={one}
              isSelected={selection.guides.includes(one.id) || rider?.guide === one.id}
            />
          ) : null,
        )}
        {ticks && (
          <g className="ticks">
            <path className="tick-casing" d={ticks.short + ticks.long} />
            <path className="tick" d={ticks.short} />
            <path className="tick long" d={ticks.long} />
          </g>
        )}
      </g>
    </svg>
  );
});

/** What lies beyond the canvas, dimmed, and the canvas's edge. */
export const Beyond = memo(function Beyond({ scene }: { scene: Scene }) {
  const view = useDeskView((state) => state.view);
  const { width, height } = scene.canvas;
  return (
    <svg className="overlay frame" aria-hidden>
      <g transform={cssMatrix(view)}>
        <path
          className="beyond"
          d={`M-99999 -99999H99999V99999H-99999ZM0 0V${height}H${width}V0Z`}
          fillRule="evenodd"
        />
        <rect className="canvas-edge" width={width} height={height} />
      </g>
    </svg>
  );
});

interface OverlayProps {
  readonly scene: Scene;
  readonly selection: Selection;
  readonly preview: Preview | null;
}

/** Nodes, handles, marks and what a tool is making, over the canvas. */
export const Overlay = memo(function Overlay({ scene, selection, preview }: OverlayProps) {
  const view = useDeskView((state) => state.view);
  const hover = useDeskView((state) => state.hover);
  const tool = useDeskView((state) => state.tool);
  const guide = guideById(scene, selection.guides[0] ?? null);
  const near = hover ? guideById(scene, hover.guide) : undefined;
  const dot = near && hover ? pathOfGuide(near).frameAtDistance(hover.distance) : undefined;
  const z = view.zoom;
  return (
    <svg className="overlay handles" role="group" aria-label="Nodes and marks on the canvas">
      <g transform={cssMatrix(view)}>
        {flagsOf(scene, selection).map((flag) => (
          <MarkFlag key={flag.mark} {...flag} zoom={z} isSelected={selection.marks.includes(flag.mark)} />
        ))}
        {dot && <circle className="hover-dot" cx={dot.x} cy={dot.y} r={5 / z} />}
        {tool === 'adjust' && <SelectionBox scene={scene} selection={selection} zoom={z} />}
        {guide?.visible && !guide.locked && !guide.link && <Nodes guide={guide} selection={selection} zoom={z} />}
        {preview && <PreviewShape preview={preview} zoom={z} />}
      </g>
    </svg>
  );
});

/** The box about several nodes or whole guides: brackets and ticks scale it, the ring on a stem turns it. */
function SelectionBox({ scene, selection, zoom }: { scene: Scene; selection: Selection; zoom: number }) {
  const boxed = boxedOf(scene, selection);
  const bounds = boxed && boundsOf(scene, boxed);
  if (!bounds) return null;
  const { box, handles } = handlesAround(bounds, zoom);
  const k = 1 / zoom;
  return (
    <g className="selection-box" aria-hidden>
      <rect x={box.left} y={box.top} width={box.right - box.left} height={box.bottom - box.top} />
      {handles.map(({ handle, x, y }) => {
        if (handle.kind === 'turn')
          return (
            <g key="turn" transform={`translate(${x} ${y}) scale(${k})`}>
              <path d="M0 7V24" />
              <circle r={6} />
              <path d="M-2.500 -1.500A3 3 0 1 1 -1 2.500" />
            </g>
          );
        const { sx, sy } = handle;
        const d = sx !== 0 && sy !== 0 ? `M${-sx * 9} 0H0V${-sy * 9}` : sx !== 0 ? 'M0 -7V7' : 'M-7 0H7';
        return <path key={`${sx}${sy}`} className="bracket" d={d} transform={`translate(${x} ${y}) scale(${k})`} />;
      })}
    </g>
  );
}

const GuideLine = memo(function GuideLine({ guide, isSelected }: { guide: Guide; isSelected: boolean }) {
  const d = useMemo(() => pathData(guide.nodes, guide.closed), [guide.nodes, guide.closed]);
  const thick = guide.thickness;
  return (
    <g className={isSelected ? 'guide selected' : 'guide'}>
      <path className="guide-casing" d={d} style={thick === undefined ? undefined : { strokeWidth: thick + 3 }} />
      <path
        className="guide-line"
        d={d}
        stroke={guide.color}
        style={thick === undefined ? undefined : { strokeWidth: thick }}
        strokeDasharray={guide.link ? '9 5' : undefined}
      />
    </g>
  );
});

function Nodes({ guide, selection, zoom }: { guide: Guide; selection: Selection; zoom: number }) {
  const [gx, gy] = gripOf(guide, zoom);
  const k = 1 / zoom;
  return (
    <g className="nodes" style={{ color: guide.color }}>
      <g className="grip" transform={`translate(${gx} ${gy}) scale(${k})`}>
        <rect x={-8} y={-8} width={16} height={16} rx={4} />
        <path d="M-5 0H5M0 -5V5M-5 0l2 -2M-5 0l2 2M5 0l-2 -2M5 0l-2 2M0 -5l-2 2M0 -5l2 2M0 5l-2 -2M0 5l2 -2" />
      </g>
      {guide.nodes.map((node) =>
        showsHandles(guide, selection, node.id)
          ? (['in', 'out'] as const).map((side) => {
              const handle = node[side];
              return handle ? (
                <g className="handle" key={`${node.id}-${side}`}>
                  <path d={`M${node.x} ${node.y}l${handle[0]} ${handle[1]}`} />
                  <circle cx={node.x + handle[0]} cy={node.y + handle[1]} r={4 * k} />
                </g>
              ) : null;
            })
          : null,
      )}
      {guide.nodes.map((node, i) => (
        <NodeRing key={node.id} guide={guide} index={i} zoom={zoom} isSelected={selection.nodes.includes(node.id)} />
      ))}
    </g>
  );
}

function NodeRing({
  guide,
  index,
  zoom,
  isSelected,
}: {
  guide: Guide;
  index: number;
  zoom: number;
  isSelected: boolean;
}) {
  const doc = useDocument();
  const { actions } = useDesk();
  const node = guide.nodes[index];
  if (!node) return null;
  const k = 1 / zoom;
  const isEnd = index === 0;
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = event.shiftKey ? 10 : 1;
    const way = ARROWS[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    if (!isSelected) doc.select(selectGuide(guide.id, [node.id]));
    actions.nudge(way[0] * step, way[1] * step);
  };
  return (
    <g
      className={`node ${isSelected ? 'selected' : ''}`}
      tabIndex={0}
      role="button"
      aria-pressed={isSelected}
      aria-label={`${nodeLabel(guide, node.id)}, ${node.join}, at ${Math.round(node.x)}, ${Math.round(node.y)}`}
      onKeyDown={onKeyDown}
      onFocus={() => {
        if (!isSelected) doc.select(selectGuide(guide.id, [node.id]));
      }}
      transform={`translate(${node.x} ${node.y}) scale(${k})`}
    >
      {node.join === 'corner' ? <rect x={-5} y={-5} width={10} height={10} rx={2.5} /> : <circle r={5.5} />}
      {isEnd && <path className="start-mark" d={startMark(guide)} />}
    </g>
  );
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A small chevron beside the first node that shows which way the guide runs; screen px about the node. */
function startMark(guide: Guide): string {
  const { tangentX: x, tangentY: y } = pathOfGuide(guide).frameAtDistance(0, 1);
  const at = (along: number, across: number): string => `${along * x + across * y} ${along * y - across * x}`;
  return `M${at(10, 5)}L${at(15, 0)}L${at(10, -5)}`;
}

interface MarkFlagProps {
  readonly x: number;
  readonly y: number;
  readonly normalX: number;
  readonly normalY: number;
  readonly time: number;
  readonly zoom: number;
  readonly isSelected: boolean;
}

function MarkFlag({ x, y, normalX, normalY, time, zoom, isSelected }: MarkFlagProps) {
  const lean = normalY <= 0 ? 1 : -1;
  const top = 20;
  const tx = normalX * top * lean;
  const ty = normalY * top * lean;
  return (
    <g className={`flag ${isSelected ? 'selected' : ''}`} transform={`translate(${x} ${y}) scale(${1 / zoom})`}>
      <path className="flag-stem" d={`M0 0L${tx} ${ty}`} />
      <path className="flag-pennant" d={`M${tx} ${ty}l11 3.500l-11 4.500Z`} />
      <circle className="flag-foot" r={3.5} />
      {isSelected && (
        <text className="flag-label" x={tx + 14} y={ty + 7}>
          {time.toFixed(2)} s
        </text>
      )}
    </g>
  );
}

/** The spacing ticks of the selected rider, or of the only rider of the selected guide. */
export function useTicks(scene: Scene, selection: Selection, zoom: number): Ticks | null {
  const riding = scene.riders.filter((rider) => rider.guide !== null && rider.guide === selection.guides[0]);
  const rider = riderById(scene, selection.riders[0] ?? '') ?? (riding.length >= 1 ? riding[0] : undefined);
  const isRiding = rider?.guide != null && guideById(scene, rider.guide)?.visible;
  return useMemo(() => (rider && isRiding ? ticksOf(scene, rider, zoom) : null), [scene, rider, isRiding, zoom]);
}
