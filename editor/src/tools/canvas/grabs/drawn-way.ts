import { wayOf, type Pointer } from '../../pointer.ts';
import { snapped, type Moving } from '../../snap/snap.ts';
import type { ToolHost } from '../../tool.ts';

/** The way of a drag that puts `anchor` on what it is drawn to; with Shift at multiples of 15°, and drawn to nothing. */
export function drawnWay(
  host: ToolHost,
  anchor: readonly [number, number],
  a: Pointer,
  b: Pointer,
  moving: Moving,
): [number, number] {
  const [dx, dy] = wayOf(a, b);
  if (b.shift) {
    host.hint([]);
    return [dx, dy];
  }
  const at: [number, number] = [anchor[0] + dx, anchor[1] + dy];
  const { x, y, hints } = snapped(host.scene(), host.poses(), host.snapping(), b, at, moving);
  host.hint(hints);
  return [x - anchor[0], y - anchor[1]];
}
