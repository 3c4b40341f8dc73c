import { angleOfFrame } from '../../geometry/index.ts';
import { footMoves } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import { noEvents, type PoseStageMaker } from '../stage.ts';

/**
 * Spin without slip. The centre runs on the parallel of the guide at the lift l: while the foot moves by ds and the guide turns by dθ, it moves by ds + l · dθ, and a wheel of
 * radius r whose rim stands still on the ground turns by that over r. From the first mark on, where it stands as it was drawn.
 */
export const rollStage: PoseStageMaker = (prepared) => {
  const { way, roll, rider, lift } = prepared;
  if (!way || !roll) return undefined;
  const { path, line } = way;
  const spin = roll.way / roll.radius;
  const from = line.distanceAt(0) + rider.lead;
  const turned = angleOfFrame(path.frameAtDistance(from));
  return {
    run({ row, frame }) {
      const foot = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
      row[SLOT.angle] = (row[SLOT.angle] ?? 0) + spin * (foot - from + lift * (angleOfFrame(frame) - turned));
    },
    varies: footMoves(prepared) ? ['angle'] : [],
    events: noEvents,
  };
};
