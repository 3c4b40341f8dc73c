import { setTracing, type Tracing } from '@pace-line/core';
import { NOTHING } from '../../../document/index.ts';
import { wayOf, type Pointer } from '../../pointer.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';

function covers({ x, y, width, height, scale, turn }: Tracing, pointer: Pointer): boolean {
  const angle = (-turn * Math.PI) / 180;
  const [dx, dy] = [pointer.x - x, pointer.y - y];
  const u = (Math.cos(angle) * dx - Math.sin(angle) * dy) / scale;
  const v = (Math.sin(angle) * dx + Math.cos(angle) * dy) / scale;
  return Math.abs(u) <= width / 2 && Math.abs(v) <= height / 2;
}

/** A tracing picture that is not locked: it lies under all else. */
export const picture: Grab<Hit & { kind: 'picture' }> = {
  kind: 'picture',
  find({ scene, pointer, take }) {
    scene.tracing.forEach((one, i) => {
      if (!one.locked && one.visible && covers(one, pointer))
        take({ kind: 'picture', picture: one.id }, RANKS.picture, -i);
    });
  },
  key: ({ picture: id }) => `picture ${id}`,
  cursor: () => 'move',
  holdsTime: () => false,
  isSelected: () => true,
  select: () => NOTHING,
  begin(host, hit) {
    const one = host.scene().tracing.find(({ id }) => id === hit.picture);
    if (!one) return undefined;
    return {
      gesture: host.begin(`Move ${one.name}`),
      follow(base, a, b) {
        const [dx, dy] = wayOf(a, b);
        return setTracing(base, { id: one.id, patch: { x: one.x + dx, y: one.y + dy } });
      },
    };
  },
};
