import type { Strung } from '../../scene/index.ts';
import { command, missingRider, refusal, replaceRider, riderOf } from '../command.ts';
import { poseOf, stoodAs } from './standing.ts';

/** Hangs a rider between two others, or takes it down: then it stays where it is at a time, s. */
export const stringRider = command<{ rider: string; strung: Strung | null; time?: number }>(
  (scene, { rider, strung }) => {
    const missing =
      missingRider(scene, rider) ??
      (strung ? (missingRider(scene, strung.from) ?? missingRider(scene, strung.to)) : undefined);
    if (missing) return missing;
    return strung && (strung.from === rider || strung.to === rider)
      ? refusal('carried-in-circle', { name: riderOf(scene, rider).name })
      : undefined;
  },
  (scene, { rider: id, strung, time = 0 }) => {
    const rider = riderOf(scene, id);
    if (strung) return replaceRider(scene, { ...rider, guide: null, carrier: null, roll: null, strung });
    const pose = rider.strung ? poseOf(scene, id, time) : undefined;
    const free = replaceRider(scene, { ...rider, strung: null });
    return pose ? stoodAs(free, id, time, pose) : free;
  },
);
