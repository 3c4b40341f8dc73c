import { timeAtX } from '@pace-line/core';
import type { SheetHost, SheetPointer } from '../host.ts';
import { onFrame, type SheetDrag } from './grab.ts';

/** Scrubbing: time stands on the frame where the hand is; with Ctrl anywhere. */
export function grabStrip(host: SheetHost, pressed: SheetPointer): SheetDrag {
  const scrub = (p: SheetPointer): void => host.seek(onFrame(host, timeAtX(host.axes(), p.x), p));
  host.hold();
  scrub(pressed);
  return { move: scrub, end: () => host.release(), cancel: () => host.release() };
}
