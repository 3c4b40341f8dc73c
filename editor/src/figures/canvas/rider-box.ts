import type { Rider } from '@pace-line/core';
import { riderBoxOf } from '../../tools/index.ts';
import { group, shape, type Part } from '../shapes.ts';
import { bracket, BRACKETS, TURN_RING } from './box.ts';
import type { CanvasNow } from './now.ts';

/** What is in each of the box’s handles. */
const HANDLES: readonly (readonly Part[])[] = [...BRACKETS.map(([sx, sy]) => bracket(sx, sy)), TURN_RING];

/** The box about the selected rider, turned as it is; it goes with the rider. */
export function riderBox(now: CanvasNow): Part {
  const { scene, selection, frame, view } = now;
  if (selection.riders.length !== 1) return null;
  const box = riderBoxOf(scene, selection, frame.poses, view.zoom);
  if (!box) return null;
  const around = `M${box.corners.map(([x, y]) => `${x} ${y}`).join('L')}Z`;
  const [a, b] = box.corners;
  const angle = a && b ? (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI : 0;
  return group({ key: 'rider box', class: 'selection-box', 'aria-hidden': 'true' }, [
    shape('path', { class: 'tether', d: tetherOf(now, selection.riders[0] ?? '') }),
    shape('path', { class: 'box-casing', d: around }),
    shape('path', { class: 'box-outline', d: around }),
    ...box.handles.map(({ x, y }, i) =>
      group({ transform: `translate(${x} ${y}) rotate(${angle}) scale(${1 / view.zoom})` }, HANDLES[i] ?? []),
    ),
  ]);
}

/** px from its foot below which a rider counts as sitting on its guide. */
const SITS = 0.5;

/** Whether it was put beside its guide: what rolls on it, or stands on two contacts, sits. */
const isBeside = ({ lift, lead, keys }: Rider): boolean =>
  lift !== 0 || lead !== 0 || keys.lift.length > 0 || keys.lead.length > 0;

/** A line from a rider that is beside its guide to where it belongs on it. */
function tetherOf({ scene, frame: { motion, poses, time } }: CanvasNow, id: string): string {
  const moving = motion.rider(id);
  const row = motion.indexOf(id);
  const rider = scene.riders[row];
  if (!moving?.path || !rider || rider.carrier || !isBeside(rider)) return '';
  const { x, y } = moving.path.frameAtDistance(moving.footAt(time));
  const [px, py] = [poses.of(row, 'x'), poses.of(row, 'y')];
  return Math.hypot(px - x, py - y) < SITS ? '' : `M${px} ${py}L${x} ${y}`;
}
