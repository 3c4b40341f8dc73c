import { compileLeg } from '../../pace/index.ts';
import { SLOT } from '../slots.ts';
import { noEvents, type PoseStageMaker } from '../stage.ts';

const RADIANS = Math.PI / 180;

/** In the lead-in: what is left of a rider's entrance, on top of what it is where the loop begins, in the frame that it is placed in. */
export const enterStage: PoseStageMaker = ({ rider, art, leadIn }) => {
  const { entrance } = rider;
  if (!entrance) return undefined;
  const { start, seconds, ease, from, turn, scale, opacity } = entrance;
  const [pivotX, pivotY] = art?.pivot ?? [0, 0];
  const eased = compileLeg(ease);
  const work = new Float64Array(1);
  return {
    run({ row }) {
      const before = row[SLOT.before] ?? 0;
      if (before >= 0) return;
      const share = (before + leadIn - start) / seconds;
      work[0] = Math.min(1, Math.max(0, share));
      if (share < 1) eased.advance(work);
      const left = 1 - (work[0] ?? 1);
      const angle = left * turn * RADIANS;
      const size = 1 + left * (scale - 1);
      const [cos, sin] = [Math.cos(angle) * size, Math.sin(angle) * size];
      const { a, b, c, d } = SLOT;
      const [ma, mb, mc, md] = [row[a] ?? 0, row[b] ?? 0, row[c] ?? 0, row[d] ?? 0];
      row[a] = cos * ma - sin * mb;
      row[b] = sin * ma + cos * mb;
      row[c] = cos * mc - sin * md;
      row[d] = sin * mc + cos * md;
      row[SLOT.x] = (row[SLOT.x] ?? 0) + left * from[0];
      row[SLOT.y] = (row[SLOT.y] ?? 0) + left * from[1];
      row[SLOT.e] = (row[SLOT.x] ?? 0) - (row[a] ?? 0) * pivotX - (row[c] ?? 0) * pivotY;
      row[SLOT.f] = (row[SLOT.y] ?? 0) - (row[b] ?? 0) * pivotX - (row[d] ?? 0) * pivotY;
      row[SLOT.angle] = (row[SLOT.angle] ?? 0) + angle;
      row[SLOT.scaleX] = (row[SLOT.scaleX] ?? 1) * size;
      row[SLOT.scaleY] = (row[SLOT.scaleY] ?? 1) * size;
      row[SLOT.opacity] = Math.min(1, Math.max(0, (row[SLOT.opacity] ?? 1) * (1 + left * (opacity - 1))));
    },
    // It changes nothing of the loop.
    varies: [],
    events: noEvents,
  };
};

/** Times of the lead-in, s before the loop, at which a rider's own entrance is not smooth. */
export function entranceEvents({ entrance }: Parameters<PoseStageMaker>[0]['rider'], leadIn: number): number[] {
  if (!entrance) return [];
  const { start, seconds, ease } = entrance;
  return [0, ...compileLeg(ease).breaks, 1].map((share) => start + share * seconds - leadIn);
}

/** In the first round: until it starts a rider is not seen, and the line that it draws is not there. */
export const hideStage: PoseStageMaker = ({ hiddenUntil }) => {
  if (!Number.isFinite(hiddenUntil)) return undefined;
  return {
    run({ row, asked }) {
      const before = row[SLOT.before] ?? 0;
      if (before < hiddenUntil || (before === hiddenUntil && before < 0 && asked < 0)) {
        row[SLOT.opacity] = 0;
        row[SLOT.distance] = 0;
      }
    },
    // It changes nothing of the loop.
    varies: [],
    events: noEvents,
  };
};
