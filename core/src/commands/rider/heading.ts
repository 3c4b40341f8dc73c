import { POSE, prepare } from '../../motion/index.ts';
import type { Heading, Scene } from '../../scene/index.ts';
import { command, missingRider, replaceRider, riderOf } from '../command.ts';
import { circleIn } from './carriers.ts';
import { degreesNear } from './standing.ts';

function seenIn(scene: Scene, id: string, time: number): { angle: number; isOver: boolean } {
  const pose = prepare(scene).rider(id)?.poseAt(time);
  const isOver = (pose?.[POSE.scaleX] ?? 1) < 0 !== (pose?.[POSE.scaleY] ?? 1) < 0;
  return { angle: pose?.[POSE.angle] ?? 0, isOver };
}

/** Sets the heading. `keepAngle`: the angle that the rider has at that time (s) stays, by its offset; else the art's nose points along. */
export const setHeading = command<{ rider: string; heading: Heading; keepAngle: number | null }>(
  (scene, { rider: id, heading }) =>
    missingRider(scene, id) ?? circleIn(replaceRider(scene, { ...riderOf(scene, id), heading })),
  (scene, { rider: id, heading, keepAngle }) => {
    const rider = riderOf(scene, id);
    const next = replaceRider(scene, { ...rider, heading });
    if (keepAngle === null) return next;
    const before = seenIn(scene, id, keepAngle);
    const after = seenIn(next, id, keepAngle);
    // What is mirrored turns the other way.
    const turn = after.isOver ? after.angle - before.angle : before.angle - after.angle;
    const offset = degreesNear(turn + (heading.offset * Math.PI) / 180);
    return replaceRider(next, { ...rider, heading: { ...heading, offset } });
  },
);
