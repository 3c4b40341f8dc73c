import { useRef } from 'react';
import type { Motion, Poses, Rider, Scene } from '@pace-line/core';
import { useDocument, useDocumentState } from '../../../document/index.ts';
import { useFrame } from '../../../scene/context.ts';
import { riderBoxOf } from '../../../tools/index.ts';
import { useDeskView } from '../../view.ts';
import { Bracket, BRACKETS, TurnRing } from './BoxHandles.tsx';

/** The box about the selected rider, turned as it is. It goes with the rider, so it is drawn in the frame and not by React. */
export function RiderBoxLayer() {
  const doc = useDocument();
  const casing = useRef<SVGPathElement>(null);
  const outline = useRef<SVGPathElement>(null);
  const handles = useRef<(SVGGElement | null)[]>([]);
  const group = useRef<SVGGElement>(null);
  const has = useDocumentState(({ selection }) => selection.riders.length === 1);
  const tether = useRef<SVGPathElement>(null);
  useFrame(({ scene, motion, poses, time }) => {
    if (!group.current) return;
    tether.current?.setAttribute('d', tetherOf(scene, motion, poses, time, doc.state.selection.riders[0] ?? ''));
    const { zoom } = useDeskView.getState().view;
    const box = riderBoxOf(scene, doc.state.selection, poses, zoom);
    group.current.style.display = box ? '' : 'none';
    if (!box) return;
    const around = `M${box.corners.map(([x, y]) => `${x} ${y}`).join('L')}Z`;
    outline.current?.setAttribute('d', around);
    casing.current?.setAttribute('d', around);
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
      <path ref={tether} className="tether" />
      <path ref={casing} className="box-casing" />
      <path ref={outline} className="box-outline" />
      {BRACKETS.map(([sx, sy], i) => (
        <g key={`${sx}${sy}`} ref={hold(i)}>
          <Bracket sx={sx} sy={sy} />
        </g>
      ))}
      <g ref={hold(BRACKETS.length)}>
        <TurnRing />
      </g>
    </g>
  );
}

/** px from its foot below which a rider counts as sitting on its guide. */
const SITS = 0.5;

/** Whether it was put beside its guide: what rolls on it, or stands on two contacts, sits. */
const isBeside = ({ lift, lead, keys }: Rider): boolean =>
  lift !== 0 || lead !== 0 || keys.lift.length > 0 || keys.lead.length > 0;

/** A line from a rider that is beside its guide to where it belongs on it. */
function tetherOf(scene: Scene, motion: Motion, poses: Poses, time: number, id: string): string {
  const moving = motion.rider(id);
  const row = motion.indexOf(id);
  const rider = scene.riders[row];
  if (!moving?.path || !rider || rider.carrier || !isBeside(rider)) return '';
  const { x, y } = moving.path.frameAtDistance(moving.footAt(time));
  const [px, py] = [poses.of(row, 'x'), poses.of(row, 'y')];
  return Math.hypot(px - x, py - y) < SITS ? '' : `M${px} ${py}L${x} ${y}`;
}
