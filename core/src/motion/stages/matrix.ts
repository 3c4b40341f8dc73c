import { keyEvents, timesKeyed } from '../key-lines.ts';
import { footMoves } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import type { Channel } from '../posed.ts';
import type { PoseStageMaker } from '../stage.ts';

/** Scale, with the depth of the guide, opacity, and the matrix of all: translate(position) · rotate(angle) · scale · translate(−pivot). */
export const matrixStage: PoseStageMaker = (prepared) => {
  const { rider, art, keys, depth } = prepared;
  const [width, height] = rider.scale;
  const [pivotX, pivotY] = art?.pivot ?? [0, 0];
  const { opacity } = rider;
  const { scaleX, scaleY, opacity: fade } = keys;
  const isKeyed = scaleX !== undefined || fade !== undefined;
  const varies: Channel[] = [];
  if (depth && footMoves(prepared)) varies.push('scaleX', 'scaleY');
  if (scaleX && !scaleX.isStill) varies.push('scaleX');
  if (scaleY && !scaleY.isStill) varies.push('scaleY');
  if (fade && !fade.isStill) varies.push('opacity');
  return {
    run({ row, side, direction }) {
      row[SLOT.scaleX] = width;
      row[SLOT.scaleY] = row[SLOT.mirrored] === 1 ? -height : height;
      row[SLOT.opacity] = opacity;
      if (isKeyed) {
        const localSide = side === direction ? 1 : -1;
        timesKeyed(row, SLOT.scaleX, scaleX, SLOT.local, localSide);
        timesKeyed(row, SLOT.scaleY, scaleY, SLOT.local, localSide);
        timesKeyed(row, SLOT.opacity, fade, SLOT.local, localSide);
        // What shoots over its keys is no more than there, and no less than not.
        row[SLOT.opacity] = Math.min(1, Math.max(0, row[SLOT.opacity] ?? 1));
      }
      if (depth) {
        row[SLOT.scaleX] = (row[SLOT.scaleX] ?? 1) * (row[SLOT.depth] ?? 1);
        row[SLOT.scaleY] = (row[SLOT.scaleY] ?? 1) * (row[SLOT.depth] ?? 1);
      }
      const across = row[SLOT.scaleX] ?? 1;
      const over = row[SLOT.scaleY] ?? 1;
      const angle = row[SLOT.angle] ?? 0;
      const cos = Math.cos(angle);
      const sin = Math.sin(angle);
      const a = cos * across;
      const b = sin * across;
      const c = -sin * over;
      const d = cos * over;
      row[SLOT.a] = a;
      row[SLOT.b] = b;
      row[SLOT.c] = c;
      row[SLOT.d] = d;
      row[SLOT.e] = (row[SLOT.x] ?? 0) - a * pivotX - c * pivotY;
      row[SLOT.f] = (row[SLOT.y] ?? 0) - b * pivotX - d * pivotY;
      row[SLOT.skew] = 0;
    },
    varies,
    events: keyEvents(prepared, [scaleX, fade]),
  };
};
