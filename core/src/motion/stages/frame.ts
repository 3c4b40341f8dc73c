import { noEvents, type PoseStageMaker } from '../stage.ts';

/** Poses the carrier, for the stages after it. */
export const frameStage: PoseStageMaker = ({ frame }) =>
  frame && {
    run: (cursor) => frame.run(cursor),
    varies: [],
    events: noEvents,
  };
