import { POSE, prepare } from '../../motion/index.ts';
import type { Heading, Scene } from '../../scene/index.ts';
import { command, missingRider, replaceRider, riderOf } from '../command.ts';
import { degreesNear } from '../guide/guides.ts';

/** Sets the heading. `keepAngle`: the angle that the rider has at that time (s) stays, by its offset; else the art's nose points along. */
export const setHeading = command<{ rider: string; heading: Heading; keepAngle: number | null }>(
  (scene, { rider }) => missingRider(scene, rider),
  (scene, { rider: id, heading, keepAngle }) => {
    const rider = riderOf(scene, id);
    const next = replaceRider(scene, { ...rider, heading });
    if (keepAngle === null) return next;
    const angleIn = (one: Scene): number => prepare(one).rider(id)?.poseAt(keepAngle)[POSE.angle] ?? 0;
    const before = angleIn(scene);
    const after = angleIn(next);
    const offset = degreesNear(before - after + (heading.offset * Math.PI) / 180);
    return replaceRider(next, { ...rider, heading: { ...heading, offset } });
  },
);
