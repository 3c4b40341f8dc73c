import SvgPath from 'svgpath';
import { IDENTITY_MATRIX, productOf, type Matrix } from '../geometry/index.ts';
import type { ArtElement } from '../scene/art/index.ts';

/** The way from the drawing's own units to px of its size: viewBox and preserveAspectRatio (SVG 2, 8.2: meet, or none). */
export function viewMatrix(attributes: Record<string, string>, width: number, height: number): Matrix {
  const box = (attributes['viewBox'] ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const [x = 0, y = 0, w = 0, h = 0] = box;
  if (box.length !== 4 || !(w > 0 && h > 0)) return IDENTITY_MATRIX;
  const how = attributes['preserveAspectRatio'] ?? 'xMidYMid meet';
  let [sx, sy] = [width / w, height / h];
  if (!/none/.test(how)) sx = sy = /slice/.test(how) ? Math.max(sx, sy) : Math.min(sx, sy);
  const share = (axis: 'x' | 'Y'): number =>
    new RegExp(`${axis}Min`, 'i').test(how) ? 0 : new RegExp(`${axis}Max`, 'i').test(how) ? 1 : 0.5;
  const isNone = /none/.test(how);
  const dx = isNone ? 0 : (width - w * sx) * share('x');
  const dy = isNone ? 0 : (height - h * sy) * share('Y');
  return [sx, 0, 0, sy, dx - x * sx, dy - y * sy];
}

/** How many times as long a length becomes, on the mean. */
export const scaleOf = (m: Matrix): number => Math.sqrt(Math.abs(m[0] * m[3] - m[1] * m[2]));

/** An element's transform as a matrix, worked out by the path library: where the origin and the two units go. */
export function transformOf({ attributes }: ArtElement): Matrix {
  const text = attributes['transform'];
  if (!text) return IDENTITY_MATRIX;
  const at = (x: number, y: number): [number, number] => {
    let found: [number, number] = [x, y];
    SvgPath.from(`M${x} ${y}`)
      .transform(text)
      .iterate((segment) => void (found = [Number(segment[1]), Number(segment[2])]));
    return found;
  };
  const [e, f] = at(0, 0);
  const [ax, ay] = at(1, 0);
  const [cx, cy] = at(0, 1);
  return [ax - e, ay - f, cx - e, cy - f, e, f];
}

/** Where the content of a nested <svg> goes. */
export function nestedView(attributes: Record<string, string>): Matrix {
  const value = (name: string): number => Number.parseFloat(attributes[name] ?? '') || 0;
  const shift: Matrix = [1, 0, 0, 1, value('x'), value('y')];
  return attributes['viewBox'] ? productOf(shift, viewMatrix(attributes, value('width'), value('height'))) : shift;
}
