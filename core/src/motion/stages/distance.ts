import { timesOfLocals } from '../../time/index.ts';
import { SLOT } from '../slots.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Local time to distance along the guide. */
export const distanceStage: PoseStageMaker = ({ folding, way }) => {
  if (!way) return undefined;
  const { line } = way;
  const work = new Float64Array(1);
  return {
    run({ row, side, direction }) {
      work[0] = row[SLOT.local] ?? 0;
      line.advance(work, side === direction ? 1 : -1);
      row[SLOT.distance] = work[0];
    },
    varies: [],
    events: (from, to) => timesOfLocals(folding, line.events(), from, to),
  };
};
