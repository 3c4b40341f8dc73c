import { rgb } from 'd3-color';
import { inverseOf, productOf, transformed, type Box, type Matrix, type Vec } from '../../../geometry/index.ts';
import { transformOf } from '../../../drawing/matrices.ts';
import type { ArtElement } from '../../../scene/index.ts';
import { rounded, still, type Json } from './values.ts';

/** What an element is painted with: nothing, one colour, or a gradient with the way from its own units to the drawing's. */
export type Paint =
  | { readonly kind: 'none' }
  | { readonly kind: 'colour'; readonly parts: readonly number[]; readonly alpha: number }
  | { readonly kind: 'linear'; readonly stops: Json; readonly from: Vec; readonly to: Vec }
  | {
      readonly kind: 'radial';
      readonly stops: Json;
      readonly middle: Vec;
      readonly radius: number;
      /** From a plane in which it is a circle to the drawing's. */
      readonly plane: Matrix;
    };

/** Thrown for what the shapes of the format cannot hold; the message names it. */
export class NoShapeError extends Error {}

/** Red, green, blue as shares, and how opaque. */
export function colourOf(text: string): { readonly parts: readonly number[]; readonly alpha: number } {
  const read = rgb(text === 'currentColor' ? '#000' : text.trim());
  if (Number.isNaN(read.r)) throw new NoShapeError(`the colour “${text.slice(0, 40)}”`);
  return { parts: [read.r, read.g, read.b].map((one) => rounded(one / 255)), alpha: read.opacity };
}

/** A number or a percentage. */
function share(text: string | undefined, otherwise: number): number {
  const value = Number.parseFloat(text ?? '');
  if (Number.isNaN(value)) return otherwise;
  return text?.trim().endsWith('%') ? value / 100 : value;
}

function stopsOf(gradient: ArtElement): Json {
  let last = 0;
  const stops = gradient.children
    .filter((child): child is ArtElement => typeof child !== 'string' && child.name === 'stop')
    .map(({ attributes }) => {
      last = Math.max(last, Math.min(1, share(attributes['offset'], 0)));
      const { parts, alpha } = colourOf(attributes['stop-color'] ?? '#000');
      return { at: rounded(last), parts, alpha: rounded(alpha * share(attributes['stop-opacity'], 1)) };
    });
  if (stops.length === 0) throw new NoShapeError('a gradient without stops');
  const colours = stops.flatMap(({ at, parts }) => [at, ...parts]);
  const alphas = stops.some(({ alpha }) => alpha < 1) ? stops.flatMap(({ at, alpha }) => [at, alpha]) : [];
  return { p: stops.length, k: still([...colours, ...alphas]) };
}

/** The point that a gradient's line goes to once a matrix has moved it: its lines of one colour stay along what they were along. */
function movedEnd(matrix: Matrix, from: Vec, to: Vec): Vec {
  const [a, b] = [transformed(matrix, from), transformed(matrix, to)];
  const side = transformed(matrix, [from[0] - (to[1] - from[1]), from[1] + (to[0] - from[0])]);
  const [px, py] = [side[0] - a[0], side[1] - a[1]];
  const [vx, vy] = [b[0] - a[0], b[1] - a[1]];
  const along = (vx * px + vy * py) / (px * px + py * py || 1);
  return [a[0] + vx - along * px, a[1] + vy - along * py];
}

function gradientPaint(gradient: ArtElement, box: Box, matrix: Matrix): Paint {
  const { attributes } = gradient;
  if ((attributes['spreadMethod'] ?? 'pad') !== 'pad') throw new NoShapeError('a gradient that repeats');
  if (attributes['href'] !== undefined) throw new NoShapeError('a gradient made of another');
  const isOfBox = attributes['gradientUnits'] !== 'userSpaceOnUse';
  if (isOfBox && !(box.right > box.left && box.bottom > box.top)) return { kind: 'none' };
  const units: Matrix = isOfBox
    ? [box.right - box.left, 0, 0, box.bottom - box.top, box.left, box.top]
    : [1, 0, 0, 1, 0, 0];
  const own = transformOf({ ...gradient, attributes: { transform: attributes['gradientTransform'] ?? '' } });
  const plane = productOf(matrix, productOf(units, own));
  if (!inverseOf(plane)) return { kind: 'none' };
  const n = (name: string, otherwise: number): number => {
    if (!isOfBox && attributes[name]?.trim().endsWith('%')) throw new NoShapeError('a gradient in shares of the view');
    return share(attributes[name], otherwise);
  };
  const stops = stopsOf(gradient);
  if (gradient.name === 'linearGradient') {
    const [from, to]: [Vec, Vec] = [
      [n('x1', 0), n('y1', 0)],
      [n('x2', isOfBox ? 1 : box.right), n('y2', 0)],
    ];
    return { kind: 'linear', stops, from: transformed(plane, from), to: movedEnd(plane, from, to) };
  }
  const middle: Vec = [n('cx', 0.5), n('cy', 0.5)];
  if (n('fx', middle[0]) !== middle[0] || n('fy', middle[1]) !== middle[1] || n('fr', 0) !== 0)
    throw new NoShapeError('a gradient with a focus');
  return { kind: 'radial', stops, middle, radius: n('r', 0.5), plane };
}

/** What `fill` or `stroke` says; `box`: of the shape in its own units, `matrix`: from those to the drawing's. */
export function paintOf(text: string, byId: ReadonlyMap<string, ArtElement>, box: Box, matrix: Matrix): Paint {
  if (text === 'none' || text === 'transparent') return { kind: 'none' };
  const reference = /^url\(["']?#([^"')]+)["']?\)/.exec(text.trim());
  if (!reference) return { kind: 'colour', ...colourOf(text) };
  const target = byId.get(reference[1] ?? '');
  if (target?.name !== 'linearGradient' && target?.name !== 'radialGradient')
    throw new NoShapeError(target ? `a ${target.name}` : 'a paint that is not there');
  return gradientPaint(target, box, matrix);
}
