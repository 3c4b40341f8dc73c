import { headingMode, RADIANS } from '../heading/index.ts';
import { SLOT } from '../slots.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Which way it faces: a constant, and what the heading's mode adds as it goes. */
export const headingStage: PoseStageMaker = (prepared) => {
  const { rider, art, way } = prepared;
  const mode = headingMode(way ? rider.heading.mode : 'level');
  const turn = rider.heading.offset * RADIANS + mode.rest(art);
  const aim = mode.aim(prepared);
  return {
    run(cursor) {
      cursor.row[SLOT.angle] = turn;
      aim?.run(cursor);
    },
    varies: aim?.varies ?? [],
    events: (from, to) => aim?.events(from, to) ?? [],
  };
};
