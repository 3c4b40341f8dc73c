import type { CarriedFrame, Inside } from '../../../take/index.ts';
import { pathData } from '../../path-data.ts';
import { formatNumber } from '../../text.ts';
import { awayFrom, factorsOf, groupsOf } from './groups.ts';
import { ownMoves, type Writing } from './writing.ts';

/** The group that the canvas's edges clip; the clip stands in the definitions by that id. */
export function clippedByCanvas({ clips, prefix, definitions, take }: Writing): string {
  const id = `${prefix}-c`;
  const [w, h] = [take.canvas.width, take.canvas.height].map((size) => formatNumber(size, 3));
  definitions.set(id, `<clipPath id="${id}"><rect width="${w}" height="${h}"/></clipPath>`);
  clips.set(id, 'clip-path');
  return `<g class="${id}">`;
}

/** The group of what is clipped by a box of its own at the origin; boxes of one size share what clips them. */
export function clippedByBox(
  { clips, prefix, definitions }: Writing,
  { width, height }: { readonly width: number; readonly height: number },
): string {
  const [w, h] = [width, height].map((size) => formatNumber(size, 3));
  const id = `${prefix}-e${[w, h].join('x').replaceAll('.', '_')}`;
  definitions.set(id, `<clipPath id="${id}"><rect width="${w}" height="${h}"/></clipPath>`);
  clips.set(id, 'clip-path');
  return `<g class="${id}">`;
}

/**
 * The group of a rider that is seen within a line, or outside of it: by a rule of its class (style.ts). Simple viewers, as draw thumbnails, know clips as attributes only,
 * and then paint nothing at all. Riders that are seen within the same line share what clips them.
 */
export function clipped(writing: Writing, inside: Inside): string {
  const { clips, definitions, prefix } = writing;
  const key = `${inside.keep} ${inside.guide}`;
  let id = writing.lines.get(key);
  if (id === undefined) {
    writing.lines.set(key, (id = `${prefix}-k${writing.lines.size + 1}`));
    clips.set(id, inside.frame ? 'mask' : 'clip-path');
    definitions.set(id, inside.frame ? maskOf(writing, inside, inside.frame, id) : clipOf(writing, inside, id));
  }
  return `<g class="${id}">`;
}

/** px so far out that nothing on the canvas, nor beside it while a camera passes, lies beyond. */
const farOut = ({ take }: Writing): [string, string] => {
  const [w = '', h = ''] = [take.canvas.width, take.canvas.height].map((size) => formatNumber(size * 50, 3));
  return [w, h];
};

function clipOf(writing: Writing, { nodes, keep }: Inside, id: string): string {
  const [w, h] = farOut(writing);
  const around = keep === 'outside' ? `M-${w}-${h}H${w}V${h}H-${w}Z` : '';
  return `<clipPath id="${id}"><path d="${around}${pathData(nodes, true)}" clip-rule="evenodd"/></clipPath>`;
}

/** A line that is carried: nothing within a clip-path moves but single shapes, so it is white in a mask, or black on white. */
function maskOf(
  writing: Writing,
  { nodes, keep }: Inside,
  { curves, runs, entering, pivot }: CarriedFrame,
  id: string,
): string {
  const [w, h] = farOut(writing);
  const groups = groupsOf(writing, ownMoves(id, runs), factorsOf(curves, entering), { after: awayFrom(pivot) });
  const around = keep === 'outside' ? `<path fill="#fff" d="M-${w}-${h}H${w}V${h}H-${w}Z"/>` : '';
  const line = `<path${keep === 'inside' ? ' fill="#fff"' : ''} fill-rule="evenodd" d="${pathData(nodes, true)}"/>`;
  const region = `maskUnits="userSpaceOnUse" x="-${w}" y="-${h}" width="${double(w)}" height="${double(h)}"`;
  return `<mask id="${id}" ${region}>${around}${groups.join('')}${line}${'</g>'.repeat(groups.length)}</mask>`;
}

const double = (text: string): string => formatNumber(2 * Number(text), 3);
