import { matrixAbout } from '@pace-line/core';
import { frameOn, pointerIn } from '../../guide-frame.ts';
import { boundsOf, boxTargetOf, boxTransformed, handlesAround, type BoxHandle } from '../selection-box.ts';
import { RANKS, type CanvasDrag, type Grab, type Hit } from './grab.ts';

/** rad. With Shift a turn is held to multiples of this. */
export const TURN_STEP = Math.PI / 12;

export const keyOfBoxHandle = (handle: BoxHandle): string =>
  handle.kind === 'turn' ? 'turn' : `scale ${handle.sx} ${handle.sy}`;

export const cursorOfBoxHandle = (handle: BoxHandle): string => (handle.kind === 'turn' ? 'alias' : 'nwse-resize');

/** A handle of the box about nodes or guides: scales about the opposite side, with Alt about the middle; Shift keeps proportions, and turns by 15°. All of it in the px of what carries them. */
export const box: Grab<Hit & { kind: 'box' }> = {
  kind: 'box',
  find({ scene, selection, poses, pointer, near }) {
    const target = boxTargetOf(scene, selection);
    const bounds = target && boundsOf(scene, target);
    const frame = target && frameOn(scene, poses, target.carrier);
    if (!bounds || !frame) return;
    for (const { handle, x, y } of handlesAround(bounds, pointer.zoom * frame.scale).handles)
      near({ kind: 'box', handle, carrier: target.carrier }, RANKS.handle, ...frame.toCanvas([x, y]));
  },
  key: ({ handle }) => keyOfBoxHandle(handle),
  cursor: ({ handle }) => cursorOfBoxHandle(handle),
  holdsTime: ({ carrier }) => carrier !== null,
  isSelected: () => true,
  select: (_before, _hit, _shift, kept) => kept,
  begin(host, { handle }): CanvasDrag | undefined {
    const scene = host.scene();
    const target = boxTargetOf(scene, host.selection());
    const bounds = target && boundsOf(scene, target);
    const frame = target && frameOn(scene, host.poses(), target.carrier);
    if (!target || !bounds || !frame) return undefined;
    const middle = [(bounds.left + bounds.right) / 2, (bounds.top + bounds.bottom) / 2] as const;
    if (handle.kind === 'turn')
      return {
        gesture: host.begin('Turn'),
        follow(base, ...pointers) {
          const [a, b] = [pointerIn(frame, pointers[0]), pointerIn(frame, pointers[1])];
          const way = Math.atan2(b.y - middle[1], b.x - middle[0]) - Math.atan2(a.y - middle[1], a.x - middle[0]);
          const angle = b.shift ? Math.round(way / TURN_STEP) * TURN_STEP : way;
          return boxTransformed(base, target, matrixAbout(middle, 1, 1, angle));
        },
      };
    const { sx, sy } = handle;
    const size = [bounds.right - bounds.left, bounds.bottom - bounds.top] as const;
    return {
      gesture: host.begin('Scale'),
      follow(base, ...pointers) {
        const [a, b] = [pointerIn(frame, pointers[0]), pointerIn(frame, pointers[1])];
        const about = [
          b.alt || sx === 0 ? middle[0] : sx > 0 ? bounds.left : bounds.right,
          b.alt || sy === 0 ? middle[1] : sy > 0 ? bounds.top : bounds.bottom,
        ] as const;
        const double = b.alt ? 2 : 1;
        let fx = sx === 0 || size[0] < 1 ? 1 : 1 + (double * sx * (b.x - a.x)) / size[0];
        let fy = sy === 0 || size[1] < 1 ? 1 : 1 + (double * sy * (b.y - a.y)) / size[1];
        if (b.shift && sx !== 0 && sy !== 0) fx = fy = Math.abs(fx - 1) > Math.abs(fy - 1) ? fx : fy;
        return boxTransformed(base, target, matrixAbout(about, notNothing(fx), notNothing(fy), 0));
      },
    };
  },
};

/** A factor that does not squash to nothing. */
export const notNothing = (factor: number): number =>
  Math.abs(factor) < 0.01 ? 0.01 * (Math.sign(factor) || 1) : factor;
