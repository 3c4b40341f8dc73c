import { decompose } from '../decompose.ts';
import { POSE, SLOT } from '../slots.ts';
import type { Channel } from '../posed.ts';
import type { PoseStageMaker } from '../stage.ts';

const TURNED: readonly Channel[] = ['angle', 'skew', 'scaleX', 'scaleY'];

/** From the carrier's frame to the canvas: the place goes with the carrier, turn, scale and mirroring as far as they are inherited, opacity by its share. */
export const carryStage: PoseStageMaker = ({ rider, art, frame }, _, earlier) => {
  const { carrier: takes } = rider;
  if (!frame || !takes) return undefined;
  const [pivotX, pivotY] = art?.pivot ?? [0, 0];
  const { pose: m, inherited: i, carrier } = frame;
  const moves = carrier.varies.some((channel) => channel !== 'opacity');
  const turns = (takes.turn || takes.mirror || takes.scale) && carrier.varies.some((one) => TURNED.includes(one));
  const bends = takes.scale && earlier.varies.includes('angle');
  const varies: Channel[] = [
    ...(moves ? (['x', 'y'] as const) : []),
    ...(turns || bends ? TURNED : []),
    ...(carrier.varies.includes('opacity') ? (['opacity'] as const) : []),
  ];
  return {
    run({ row }) {
      const x = row[SLOT.x] ?? 0;
      const y = row[SLOT.y] ?? 0;
      const { a, b, c, d } = SLOT;
      const [ma, mb, mc, md] = [row[a] ?? 0, row[b] ?? 0, row[c] ?? 0, row[d] ?? 0];
      const [ia, ib, ic, id] = [i[0] ?? 1, i[1] ?? 0, i[2] ?? 0, i[3] ?? 1];
      row[SLOT.x] = (m[POSE.a] ?? 1) * x + (m[POSE.c] ?? 0) * y + (m[POSE.e] ?? 0);
      row[SLOT.y] = (m[POSE.b] ?? 0) * x + (m[POSE.d] ?? 1) * y + (m[POSE.f] ?? 0);
      row[a] = ia * ma + ic * mb;
      row[b] = ib * ma + id * mb;
      row[c] = ia * mc + ic * md;
      row[d] = ib * mc + id * md;
      const own = row[SLOT.angle] ?? 0;
      const turned = i[4] ?? 0;
      row[SLOT.angle] = i[5] === 1 ? turned + Math.PI - own : turned + own;
      decompose(row);
      row[SLOT.e] = (row[SLOT.x] ?? 0) - (row[a] ?? 0) * pivotX - (row[c] ?? 0) * pivotY;
      row[SLOT.f] = (row[SLOT.y] ?? 0) - (row[b] ?? 0) * pivotX - (row[d] ?? 0) * pivotY;
      row[SLOT.opacity] = (row[SLOT.opacity] ?? 1) * (m[POSE.opacity] ?? 1);
    },
    varies,
    goesOn: true,
    events: (from, to) => carrier.events(from, to),
  };
};
