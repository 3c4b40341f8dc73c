import { emptyFolded, fold, timesOfLocals } from '../../time/index.ts';
import { SLOT } from '../slots.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Time to local time, and the direction in which it runs there. A parked rider that nothing changes in it has no local time. */
export const foldStage: PoseStageMaker = ({ rider, art, folding, way, keys }) => {
  const isTimed = (art?.kind === 'strip' && rider.poses.by === 'time') || rider.behind.some(({ by }) => by === 'marks');
  if (!way && !isTimed && keys.all.length === 0) return undefined;
  const folded = emptyFolded();
  return {
    run(cursor) {
      folded.local = cursor.row[SLOT.time] ?? 0;
      fold(folding, cursor.side, folded);
      cursor.row[SLOT.local] = folded.local;
      cursor.direction = folded.direction;
    },
    varies: [],
    events: (from, to) => timesOfLocals(folding, [0, folding.cycle], from, to),
  };
};
