import { motionAsSet, POSE, POSE_SIZE, thinned, timeAtX, type Axes, type RiderMotion } from '@pace-line/core';
import { ribbonBox } from '../../tools/sheet/index.ts';
import type { Figure } from '../figure.ts';
import { kept, shape, type Part } from '../shapes.ts';
import type { SheetNow } from './now.ts';

/** Height of the strip, px. */
export const HEADING_STRIP = 48;

/** px between two looks. */
const STEP = 1.5;

/** Degrees between two looks above which the turn is a snap. */
const SNAP = 20;

/** Which way the rider faces over time: an upright piece of the line is a snap, and is marked. */
export const headingStrip: Figure<SheetNow> = {
  id: 'heading-strip',
  of: ({ scene, rider, axes, showsHeading }) => [showsHeading && rider && motionAsSet(scene, rider.id), axes],
  draw({ scene, rider, axes, showsHeading }) {
    const moving = showsHeading && rider ? motionAsSet(scene, rider.id) : undefined;
    return moving ? { parts: partsOf(moving, axes) } : null;
  },
};

const n = (value: number): number => Math.round(value * 10) / 10;

const partsOf = kept((rider: RiderMotion, axes: Axes): readonly Part[] => {
  const { points, snaps } = lookedAt(rider, axes);
  const angles = points.map(([, angle]) => angle);
  const [least, most] = [Math.min(...angles), Math.max(...angles)];
  const { bottom: top } = ribbonBox(axes);
  const bottom = top + HEADING_STRIP - 8;
  const y = (angle: number): number =>
    most - least < 0.05 ? top + HEADING_STRIP / 2 : bottom - ((angle - least) / (most - least)) * (HEADING_STRIP - 16);
  const path = thinned(points.map(([x, angle]) => [x, y(angle)]))
    .map(([x, at]) => `${n(x)} ${n(at)}`)
    .join('L');
  const range = `${Math.round(least)}°…${Math.round(most)}°`;
  return [
    shape('text', { class: 'place-name ribbon-name', x: axes.left - 8, y: top + 14 }, 'heading'),
    shape('text', { class: 'place-name muted', x: axes.left - 8, y: top + 28 }, range),
    ...snaps.map((x) =>
      shape('path', { key: `snap ${x}`, class: 'snap-mark', d: `M${n(x)} ${top + 4}V${top + HEADING_STRIP - 4}` }),
    ),
    shape('path', { key: 'line', class: 'key-line', d: `M${path}` }),
  ];
});

/** The rider's angle, degrees, at one place of the sheet after another, px, and where it snaps. */
function lookedAt(rider: RiderMotion, axes: Axes) {
  const pose = new Float64Array(POSE_SIZE);
  const points: [x: number, angle: number][] = [];
  const snaps: number[] = [];
  for (let x = axes.left; x <= axes.right; x += STEP) {
    const angle = ((rider.poseAt(timeAtX(axes, x), 1, pose)[POSE.angle] ?? 0) * 180) / Math.PI;
    const last = points.at(-1);
    // Whole turns at once are none that can be seen.
    const turn = last ? Math.abs(angle - last[1] - 360 * Math.round((angle - last[1]) / 360)) : 0;
    if (turn > SNAP) snaps.push(x);
    points.push([x, angle]);
  }
  return { points, snaps };
}
