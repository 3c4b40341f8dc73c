import { transformedNode, type Matrix } from '../geometry/index.ts';
import type { ArtElement } from '../scene/art/index.ts';
import type { Outline } from './path-data.ts';

/** A number of an element's attribute, px; 0 where there is none. */
export const numberOf = (element: ArtElement, name: string): number =>
  Number.parseFloat(element.attributes[name] ?? '') || 0;

/** The path data that draws a basic shape (SVG 2, chapter 10); undefined for what has no outline. */
export function pathDataOf(element: ArtElement): string | undefined {
  const n = (name: string): number => numberOf(element, name);
  switch (element.name) {
    case 'path':
      return element.attributes['d'] ?? '';
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
    case 'polygon': {
      const points = (element.attributes['points'] ?? '').trim().replace(/[\s,]+/g, ' ');
      return points ? `M${points}${element.name === 'polygon' ? 'Z' : ''}` : '';
    }
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')];
      const { rx: a, ry: b } = element.attributes;
      const rx = Math.min(w / 2, Number.parseFloat(a ?? b ?? '0') || 0);
      const ry = Math.min(h / 2, Number.parseFloat(b ?? a ?? '0') || 0);
      if (rx === 0 || ry === 0) return `M${x} ${y}H${x + w}V${y + h}H${x}Z`;
      const arc = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${x + rx} ${y}H${x + w - rx}${arc(rx, ry)}V${y + h - ry}${arc(-rx, ry)}H${x + rx}${arc(-rx, -ry)}V${y + ry}${arc(rx, -ry)}Z`;
    }
    case 'circle':
    case 'ellipse': {
      const rx = element.name === 'circle' ? n('r') : n('rx');
      const ry = element.name === 'circle' ? n('r') : n('ry');
      const arc = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${n('cx') + rx} ${n('cy')}${arc(-rx, ry)}${arc(-rx, -ry)}${arc(rx, -ry)}${arc(rx, ry)}Z`;
    }
    default:
      return undefined;
  }
}

/** An outline as a matrix moves it. */
export const movedOutline = ({ closed, nodes }: Outline, matrix: Matrix): Outline => ({
  closed,
  nodes: nodes.map((node) => transformedNode(node, matrix)),
});
