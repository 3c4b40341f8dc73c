import type { SheetHost, SheetPointer } from '../host.ts';

/** A drag on the sheet that has begun. */
export interface SheetDrag {
  move: (p: SheetPointer) => void;
  end: () => void;
  cancel: () => void;
}

/** px of movement from which a press is a drag. */
export const DRAG_FROM = 2;

export const hasMoved = (from: SheetPointer, to: SheetPointer): boolean =>
  Math.hypot(to.x - from.x, to.y - from.y) > DRAG_FROM;

/** A time on the nearest frame, s; with Ctrl as it is. */
export function onFrame(host: SheetHost, time: number, { ctrl }: SheetPointer): number {
  const { fps } = host.scene().clock;
  return ctrl ? time : Math.round(time * fps) / fps;
}
