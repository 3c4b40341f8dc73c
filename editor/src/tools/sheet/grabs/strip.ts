import { timeAtX } from '@pace-line/core';
import type { SheetHost, SheetPointer } from '../host.ts';
import type { SheetDrag } from './grab.ts';

/** Scrubbing: time stands where the hand is. */
export function grabStrip(host: SheetHost, pressed: SheetPointer): SheetDrag {
  const scrub = (p: SheetPointer): void => host.seek(timeAtX(host.axes(), p.x));
  host.hold();
  scrub(pressed);
  return { move: scrub, end: () => host.release(), cancel: () => host.release() };
}
