import { memo, type KeyboardEvent } from 'react';
import { nameOfNodeAt, pathOfGuide, type Guide, type Node } from '@pace-line/core';
import { selectGuide, useDocument, type Selection } from '../../../document/index.ts';
import { gripOf, showsHandles } from '../../../tools/index.ts';
import { isTabStop } from '../../actions/parts-in-order.ts';
import { nudge } from '../../actions/moving.ts';
import { useDesk } from '../../context.ts';

export function Nodes({ guide, selection, zoom }: { guide: Guide; selection: Selection; zoom: number }) {
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
        <NodeRing
          key={node.id}
          guide={guide.id}
          node={node}
          name={nameOfNodeAt(node, i)}
          start={i === 0 ? startMark(guide) : undefined}
          zoom={zoom}
          isSelected={selection.nodes.includes(node.id)}
          isStop={isTabStop(selection.nodes, node.id, i)}
        />
      ))}
    </g>
  );
}

interface NodeRingProps {
  readonly guide: string;
  readonly node: Node;
  readonly name: string;
  /** Path of the mark beside the first node. */
  readonly start: string | undefined;
  readonly zoom: number;
  readonly isSelected: boolean;
  /** Tab comes to it; to the others one goes from there. */
  readonly isStop: boolean;
}

/** Rendered again only where its node has changed: a guide may have thousands. */
const NodeRing = memo(function NodeRing({ guide, node, name, start, zoom, isSelected, isStop }: NodeRingProps) {
  const doc = useDocument();
  const desk = useDesk();
  const take = (): void => {
    if (!isSelected) doc.select(selectGuide(guide, [node.id]));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = event.shiftKey ? 10 : 1;
    const way = ARROWS[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    take();
    nudge(desk, way[0] * step, way[1] * step);
  };
  return (
    <g
      className={`node ${isSelected ? 'selected' : ''}`}
      data-part={node.id}
      tabIndex={isStop ? 0 : -1}
      role="button"
      aria-pressed={isSelected}
      aria-label={`${name}, ${node.join}, at ${Math.round(node.x)}, ${Math.round(node.y)}`}
      onKeyDown={onKeyDown}
      onFocus={take}
      transform={`translate(${node.x} ${node.y}) scale(${1 / zoom})`}
    >
      {node.join === 'corner' ? <rect x={-5} y={-5} width={10} height={10} rx={2.5} /> : <circle r={5.5} />}
      {start !== undefined && <path className="start-mark" d={start} />}
    </g>
  );
});

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
