import { addKeyed, keyEvents } from '../key-lines.ts';
import { SLOT } from '../slots.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Keys of lift and lead, on top of what they are. */
export const offsetsStage: PoseStageMaker = (prepared) => {
  const { rider, way, keys, lift: raised } = prepared;
  const { lift, lead } = keys;
  if (!way || (!lift && !lead)) return undefined;
  const { lead: ahead } = rider;
  const moves = [lift, lead].some((line) => line && !line.isStill);
  return {
    run({ row, side, direction }) {
      const localSide = side === direction ? 1 : -1;
      row[SLOT.lift] = raised;
      row[SLOT.lead] = ahead;
      addKeyed(row, SLOT.lift, lift, SLOT.local, localSide);
      addKeyed(row, SLOT.lead, lead, SLOT.local, localSide);
    },
    varies: moves ? ['x', 'y'] : [],
    events: keyEvents(prepared, [lift, lead]),
  };
};
