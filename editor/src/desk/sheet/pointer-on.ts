import type { PointerEvent } from 'react';
import type { SheetPointer } from '../../tools/sheet/index.ts';

/** Where an SVG begins in the window, px. */
export interface Corner {
  readonly left: number;
  readonly top: number;
}

export const cornerOf = (svg: SVGSVGElement | null): Corner => svg?.getBoundingClientRect() ?? { left: 0, top: 0 };

/** A pointer event as one on an SVG of the sheet that begins at a corner. */
export const pointerFrom = ({ left, top }: Corner, event: PointerEvent): SheetPointer => ({
  x: event.clientX - left,
  y: event.clientY - top,
  shift: event.shiftKey,
  ctrl: event.ctrlKey || event.metaKey,
  kind: event.pointerType === 'touch' || event.pointerType === 'pen' ? event.pointerType : 'mouse',
});

/** The same on an SVG of the sheet as it stands now. */
export const pointerOn = (svg: SVGSVGElement | null, event: PointerEvent): SheetPointer =>
  pointerFrom(cornerOf(svg), event);
