import type { PointerEvent } from 'react';
import type { SheetPointer } from '../../tools/sheet/index.ts';

/** A pointer event as one on an SVG of the sheet. */
export function pointerOn(svg: SVGSVGElement | null, event: PointerEvent): SheetPointer {
  const box = svg?.getBoundingClientRect();
  return {
    x: event.clientX - (box?.left ?? 0),
    y: event.clientY - (box?.top ?? 0),
    shift: event.shiftKey,
    ctrl: event.ctrlKey || event.metaKey,
    kind: event.pointerType === 'touch' || event.pointerType === 'pen' ? event.pointerType : 'mouse',
  };
}
