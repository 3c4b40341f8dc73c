import { useRef } from 'react';
import { useDocument, useDocumentState } from '../../../document/index.ts';
import { useFrame } from '../../../scene/context.ts';
import { riderBoxOf } from '../../../tools/index.ts';
import { useDeskView } from '../../view.ts';
import { BRACKETS, bracketData, TURN_RING } from './brackets.ts';

/** The box about the selected rider, turned as it is. It goes with the rider, so it is drawn in the frame and not by React. */
export function RiderBoxLayer() {
  const doc = useDocument();
  const outline = useRef<SVGPathElement>(null);
  const handles = useRef<(SVGGElement | null)[]>([]);
  const group = useRef<SVGGElement>(null);
  const has = useDocumentState(({ selection }) => selection.riders.length === 1);
  useFrame(({ scene, poses }) => {
    if (!group.current) return;
    const { zoom } = useDeskView.getState().view;
    const box = riderBoxOf(scene, doc.state.selection, poses, zoom);
    group.current.style.display = box ? '' : 'none';
    if (!box) return;
    outline.current?.setAttribute('d', `M${box.corners.map(([x, y]) => `${x} ${y}`).join('L')}Z`);
    const [a, b] = box.corners;
    const angle = a && b ? (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI : 0;
    box.handles.forEach(({ x, y }, i) =>
      handles.current[i]?.setAttribute('transform', `translate(${x} ${y}) rotate(${angle}) scale(${1 / zoom})`),
    );
  });
  if (!has) return null;
  const hold = (i: number) => (element: SVGGElement | null) => {
    handles.current[i] = element;
  };
  return (
    <g ref={group} className="selection-box" aria-hidden>
      <path ref={outline} className="box-outline" />
      {BRACKETS.map(([sx, sy], i) => (
        <g key={`${sx}${sy}`} ref={hold(i)}>
          <path className="bracket" d={bracketData(sx, sy)} />
        </g>
      ))}
      <g ref={hold(BRACKETS.length)}>
        {TURN_RING.map((d) => (
          <path key={d} d={d} />
        ))}
        <circle r={6} />
      </g>
    </g>
  );
}
