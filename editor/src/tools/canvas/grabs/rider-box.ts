import { POSE, POSE_SIZE, riderById, setHeading, setRider } from '@pace-line/core';
import type { Pointer } from '../../pointer.ts';
import { keyHere } from '../key-here.ts';
import { riderBoxOf } from '../rider-box.ts';
import { cursorOfBoxHandle, keyOfBoxHandle, notNothing, TURN_STEP } from './box.ts';
import { RANKS, type CanvasDrag, type Grab, type Hit } from './grab.ts';

/** A handle of the box about a rider; where turn or scale have keys it sets the one at the playhead. It scales about its pivot, both ways alike from a corner unless Shift is held; the knob turns it, with Shift by 15°. */
export const riderBox: Grab<Hit & { kind: 'rider-box' }> = {
  kind: 'rider-box',
  find({ scene, selection, poses, pointer, near }) {
    const box = riderBoxOf(scene, selection, poses, pointer.zoom);
    if (!box) return;
    for (const { handle, x, y } of box.handles)
      near({ kind: 'rider-box', rider: box.rider.id, handle }, RANKS.handle, x, y);
  },
  key: ({ handle }) => `rider ${keyOfBoxHandle(handle)}`,
  cursor: ({ handle }) => cursorOfBoxHandle(handle),
  holdsTime: () => true,
  isSelected: () => true,
  select: (_before, _hit, _shift, kept) => kept,
  begin(host, { rider: id, handle }): CanvasDrag | undefined {
    const scene = host.scene();
    const rider = riderById(scene, id);
    if (!rider) return undefined;
    const at = scene.riders.indexOf(rider) * POSE_SIZE;
    const { data } = host.poses();
    const [x, y, angle] = [data[at + POSE.x] ?? 0, data[at + POSE.y] ?? 0, data[at + POSE.angle] ?? 0];
    const isKeyed = (channel: 'turn' | 'scale'): boolean => rider.keys[channel].length > 0;
    const isOver = (data[at + POSE.scaleX] ?? 1) < 0 !== (data[at + POSE.scaleY] ?? 1) < 0;
    if (handle.kind === 'turn')
      return {
        gesture: host.begin(`${isKeyed('turn') ? 'Key turn of' : 'Turn'} ${rider.name}`),
        follow(base, a, b) {
          const way = Math.atan2(b.y - y, b.x - x) - Math.atan2(a.y - y, a.x - x);
          const near = way - 2 * Math.PI * Math.round(way / (2 * Math.PI));
          const turn = b.shift ? Math.round(near / TURN_STEP) * TURN_STEP : near;
          // What is mirrored turns the other way.
          const degrees = ((isOver ? -turn : turn) * 180) / Math.PI;
          const hundredths = (value: number): number => Math.round(value * 100) / 100;
          if (isKeyed('turn')) return keyHere(host, base, rider, 'turn', (value) => hundredths(value + degrees));
          const offset = hundredths(rider.heading.offset + degrees);
          return setHeading(base, { rider: id, heading: { ...rider.heading, offset }, keepAngle: null });
        },
      };
    /** Where a pointer is in the rider's own turn, from its pivot. */
    const own = (p: Pointer): readonly [number, number] => {
      const [dx, dy] = [p.x - x, p.y - y];
      return [dx * Math.cos(angle) + dy * Math.sin(angle), dy * Math.cos(angle) - dx * Math.sin(angle)];
    };
    const { sx, sy } = handle;
    return {
      gesture: host.begin(`${isKeyed('scale') ? 'Key scale of' : 'Scale'} ${rider.name}`),
      follow(base, a, b) {
        const [from, to] = [own(a), own(b)];
        let fx = sx === 0 ? 1 : factorOf(from[0], to[0], b.zoom);
        let fy = sy === 0 ? 1 : factorOf(from[1], to[1], b.zoom);
        if (sx !== 0 && sy !== 0 && !b.shift) fx = fy = Math.abs(fx - 1) > Math.abs(fy - 1) ? fx : fy;
        const round = (value: number): number => Math.round(value * 1e4) / 1e4;
        if (isKeyed('scale'))
          return keyHere(host, base, rider, 'scale', ([w, h]) => [
            round(w * notNothing(fx)),
            round(h * notNothing(fy)),
          ]);
        const scale = [round(rider.scale[0] * notNothing(fx)), round(rider.scale[1] * notNothing(fy))] as const;
        return setRider(base, { id, patch: { scale } });
      },
    };
  },
};

/** Screen px: a handle that stands nearer to the pivot than this scales by this much. */
const LEAST_ARM = 8;

function factorOf(from: number, to: number, zoom: number): number {
  const arm = Math.max(Math.abs(from), LEAST_ARM / zoom) * (Math.sign(from) || 1);
  return 1 + (to - from) / arm;
}
