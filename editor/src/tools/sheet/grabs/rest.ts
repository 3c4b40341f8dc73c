import { setDwell, timeAtX } from '@pace-line/core';
import { selectRider, type Gesture } from '../../../document/index.ts';
import type { SheetHit } from '../hits.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { snappedTime } from '../snap-time.ts';
import { hasMoved, type SheetDrag } from './grab.ts';

/** Drags the end of a rest: it ends where the hand is, whole frames after its mark. */
export function grabRest(
  host: SheetHost,
  { rider, mark, shown }: SheetHit & { kind: 'rest' },
  pressed: SheetPointer,
): SheetDrag {
  host.select(selectRider(rider.id, [mark.id]));
  let gesture: Gesture | undefined;
  return {
    move(p) {
      if (!gesture && !hasMoved(pressed, p)) return;
      gesture ??= host.begin('Change rest');
      const reach = shown.direction * (timeAtX(host.axes(), p.x) - shown.time);
      const end = snappedTime(host, rider, mark.time + reach, p);
      gesture.update((base) => setDwell(base, { rider: rider.id, mark: mark.id, dwell: Math.max(0, end - mark.time) }));
    },
    end: () => gesture?.commit(),
    cancel: () => gesture?.cancel(),
  };
}
