import { pathData } from '@pace-line/core';
import type { Preview } from '../../tools/index.ts';

/** What a tool is making and is not in the document yet. */
export function PreviewShape({ preview, zoom }: { preview: Preview; zoom: number }) {
  if (preview.kind === 'box') {
    const { x0, y0, x1, y1 } = preview;
    return (
      <rect
        className="select-box"
        x={Math.min(x0, x1)}
        y={Math.min(y0, y1)}
        width={Math.abs(x1 - x0)}
        height={Math.abs(y1 - y0)}
      />
    );
  }
  if (preview.kind === 'stroke') return <StrokeShape {...preview} zoom={zoom} />;
  if (preview.kind === 'measure') return <MeasureShape {...preview} zoom={zoom} />;
  if (preview.kind === 'outline') {
    const d = pathData(preview.nodes, preview.closed);
    return (
      <g className="draft">
        <path className="guide-casing" d={d} />
        <path className="draft-line" d={d} />
      </g>
    );
  }
  const { nodes, next, closes } = preview;
  const [first] = nodes;
  const last = nodes.at(-1);
  const k = 1 / zoom;
  const target = closes && first ? first : next ? { x: next[0], y: next[1] } : undefined;
  return (
    <g className="draft">
      <path className="guide-casing" d={pathData(nodes, false)} />
      <path className="draft-line" d={pathData(nodes, false)} />
      {last && target && <path className="draft-next" d={pathData([last, target], false)} />}
      {nodes.map((node, i) => (
        <g key={i}>
          {node.out && (
            <path
              className="draft-handle"
              d={`M${node.x + (node.in?.[0] ?? 0)} ${node.y + (node.in?.[1] ?? 0)}L${node.x + node.out[0]} ${node.y + node.out[1]}`}
            />
          )}
          {node.out && (
            <circle className="draft-knob" cx={node.x + node.out[0]} cy={node.y + node.out[1]} r={3.5 * k} />
          )}
          <circle
            className={i === 0 && closes ? 'draft-node closes' : 'draft-node'}
            cx={node.x}
            cy={node.y}
            r={(i === 0 && closes ? 8 : 5) * k}
          />
        </g>
      ))}
    </g>
  );
}

type Points = readonly (readonly [number, number])[];

const polyline = (points: Points): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('');

function StrokeShape({ points, note, zoom }: { points: Points; note?: string | undefined; zoom: number }) {
  const last = points.at(-1);
  return (
    <g className="draft">
      <path className="guide-casing" d={polyline(points)} />
      <path className="draft-line" d={polyline(points)} />
      {last && note && (
        <g transform={`translate(${last[0]} ${last[1]}) scale(${1 / zoom})`}>
          <Words lines={[note]} />
        </g>
      )}
    </g>
  );
}

interface MeasureProps {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly lines: readonly string[];
  readonly along: Points;
  readonly zoom: number;
}

function MeasureShape({ from, to, lines, along, zoom }: MeasureProps) {
  const k = 1 / zoom;
  return (
    <g className="measure">
      {along.length > 1 && <path className="measure-along" d={polyline(along)} />}
      <path className="measure-line" d={polyline([from, to])} />
      {[from, to].map(([x, y], i) => (
        <path key={i} className="measure-end" d="M-6 0H6M0 -6V6" transform={`translate(${x} ${y}) scale(${k})`} />
      ))}
      <g transform={`translate(${to[0]} ${to[1]}) scale(${k})`}>
        <Words lines={lines} />
      </g>
    </g>
  );
}

/** Words on a slip beside the pointer. */
function Words({ lines }: { lines: readonly string[] }) {
  const width = 16 + 7.2 * Math.max(...lines.map((line) => line.length));
  return (
    <g className="slip" transform="translate(16 12)">
      <rect width={width} height={8 + 16 * lines.length} rx={4} />
      {lines.map((line, i) => (
        <text key={line} x={8} y={16 + 16 * i}>
          {line}
        </text>
      ))}
    </g>
  );
}
