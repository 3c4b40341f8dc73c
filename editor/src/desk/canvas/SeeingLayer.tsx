import { memo, useMemo } from 'react';
import { emptyFrame, landmarksOf, pathOfGuide, type Guide, nameOfNode } from '@pace-line/core';
import { isInHand } from '../../tools/index.ts';
import type { Selection } from '../../document/index.ts';
import { useDeskView, usePreferences } from '../view.ts';
import { cssMatrix } from './view-transform.ts';

/** What can be shown of guides beside their lines: arrows along them, the names of nodes, their crests, troughs and tightest bends. */
export const SeeingLayer = memo(function SeeingLayer({
  guides,
  selection,
}: {
  guides: readonly Guide[];
  selection: Selection;
}) {
  const view = useDeskView((state) => state.view);
  const { arrows, nodeNames, landmarks } = usePreferences((state) => state.seeing);
  if (!arrows && !nodeNames && !landmarks) return null;
  return (
    <svg className="overlay seeing" aria-hidden>
      <g transform={cssMatrix(view)}>
        {guides.map((guide) =>
          isInHand(guide) ? (
            <g key={guide.id} style={{ color: guide.color }}>
              {arrows && <Arrows guide={guide} zoom={view.zoom} />}
              {landmarks && <Landmarks guide={guide} zoom={view.zoom} />}
              {nodeNames && (
                <NodeNames guide={guide} zoom={view.zoom} isSelected={selection.guides.includes(guide.id)} />
              )}
            </g>
          ) : null,
        )}
      </g>
    </svg>
  );
});

/** Screen px between two arrows. */
const ARROW_STEP = 90;

const Arrows = memo(function Arrows({ guide, zoom }: { guide: Guide; zoom: number }) {
  const d = useMemo(() => {
    const path = pathOfGuide(guide);
    const step = ARROW_STEP / zoom;
    const count = Math.min(400, Math.floor(path.length / step));
    const frame = emptyFrame();
    const pieces: string[] = [];
    for (let i = 0; i < Math.max(1, count); i++) {
      const {
        x,
        y,
        tangentX: tx,
        tangentY: ty,
      } = path.frameAtDistance((path.length * (i + 0.5)) / Math.max(1, count), 1, frame);
      const at = (along: number, across: number): string =>
        `${(x + (along * tx + across * ty) / zoom).toFixed(2)} ${(y + (along * ty - across * tx) / zoom).toFixed(2)}`;
      pieces.push(`M${at(-5, 6)}L${at(4, 0)}L${at(-5, -6)}`);
    }
    return pieces.join('');
  }, [guide, zoom]);
  return (
    <>
      <path className="arrow-casing" d={d} />
      <path className="arrow" d={d} />
    </>
  );
});

const MARKS = { crest: 'M-6 3L0 -4L6 3', trough: 'M-6 -3L0 4L6 -3', bend: 'M-4 -4L4 4M-4 4L4 -4' } as const;

const Landmarks = memo(function Landmarks({ guide, zoom }: { guide: Guide; zoom: number }) {
  const found = useMemo(() => landmarksOf(pathOfGuide(guide)), [guide]);
  return (
    <>
      {found.slice(0, 400).map(({ kind, x, y, distance }) => (
        <path
          key={`${kind}-${distance}`}
          className="landmark"
          d={MARKS[kind]}
          transform={`translate(${x} ${y}) scale(${1 / zoom})`}
        />
      ))}
    </>
  );
});

/** Names of nodes that have one; of the selected guide, all. */
function NodeNames({ guide, zoom, isSelected }: { guide: Guide; zoom: number; isSelected: boolean }) {
  return (
    <>
      {guide.nodes.slice(0, 300).map((node) =>
        isSelected || node.name !== undefined || !/-n\d*/.test(node.id) ? (
          <text
            key={node.id}
            className="node-name"
            transform={`translate(${node.x} ${node.y}) scale(${1 / zoom})`}
            x={10}
            y={16}
          >
            {nameOfNode(guide, node.id)}
          </text>
        ) : null,
      )}
    </>
  );
}
