import { SLOT } from '../slots.ts';
import { noEvents, type PoseStageMaker } from '../stage.ts';

/** Scale, opacity, and the matrix of all: translate(position) · rotate(angle) · scale · translate(−pivot). */
export const matrixStage: PoseStageMaker = ({ rider, art }) => {
  const [scaleX, scaleY] = rider.scale;
  const [pivotX, pivotY] = art?.pivot ?? [0, 0];
  const { opacity } = rider;
  return {
    run({ row }) {
      const angle = row[SLOT.angle] ?? 0;
      const cos = Math.cos(angle);
      const sin = Math.sin(angle);
      const a = cos * scaleX;
      const b = sin * scaleX;
      const c = -sin * scaleY;
      const d = cos * scaleY;
      row[SLOT.a] = a;
      row[SLOT.b] = b;
      row[SLOT.c] = c;
      row[SLOT.d] = d;
      row[SLOT.e] = (row[SLOT.x] ?? 0) - a * pivotX - c * pivotY;
      row[SLOT.f] = (row[SLOT.y] ?? 0) - b * pivotX - d * pivotY;
      row[SLOT.opacity] = opacity;
      row[SLOT.scaleX] = scaleX;
      row[SLOT.scaleY] = scaleY;
      row[SLOT.skew] = 0;
    },
    varies: [],
    events: noEvents,
  };
};
