import { productOf, type Matrix } from '../../geometry/index.ts';
import { readArtMarkup, writeArtElement, type ArtElement } from '../../scene/art/index.ts';
import { outlinesFromPathData, type Outline } from '../../drawing/path-data.ts';
import { definitionsOf } from './definitions.ts';
import { DRAWN, HOLDERS } from '../../drawing/kinds.ts';
import { movedOutline, numberOf, pathDataOf } from '../../drawing/outlines.ts';
import { nestedView, scaleOf, transformOf, viewMatrix } from '../../drawing/matrices.ts';
import type { ReadArt } from './read-art.ts';

/** A part of a drawing: an element of its upper level, with the outlines that it draws in px of the drawing's own size. */
export interface DrawingPart {
  readonly name: string;
  /** What it most likely is: a stroke without a fill is a way, the rest is a picture. */
  readonly looksLike: 'guide' | 'art';
  readonly outlines: readonly Outline[];
  /** Its picture alone, cut to its own box, and where that box stands in the drawing, px. */
  readonly art: ReadArt;
  readonly x: number;
  readonly y: number;
  /** Of a group: its own parts, from the lowest to the uppermost; none where it cannot be opened further. */
  readonly inside: readonly DrawingPart[];
}

export interface DrawingParts {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly DrawingPart[];
  /** What could not be read as an outline, and why. */
  readonly skipped: readonly string[];
}

/** px. What lies further away is not where a part is drawn. */
const FURTHEST = 1e5;

/** Parts that a drawing is taken apart into; more are no parts but a texture. */
const MOST_PARTS = 5000;

/** Deepest nesting of `use`. */
const DEEPEST = 24;

/** Takes a drawing that was read apart into its parts. `source` is the text of the file: problems are named by its lines. */
export function partsOfDrawing(art: ReadArt, source = ''): DrawingParts {
  const read = readArtMarkup(art.markup);
  if (!read.ok) return { width: art.width, height: art.height, parts: [], skipped: [read.message] };
  const { root } = read;
  const byId = new Map<string, ArtElement>();
  const index = (element: ArtElement): void => {
    const id = element.attributes['id'];
    if (id !== undefined) byId.set(id, element);
    for (const child of element.children) if (typeof child !== 'string') index(child);
  };
  index(root);
  const skipped: string[] = [];
  const walk: Walk = { byId, skipped, source };
  const view = viewMatrix(root.attributes, art.width, art.height);
  const { holders, members } = upperLevel(root);
  const base = holders.reduce((matrix, holder) => productOf(matrix, transformOf(holder)), view);
  const inherited = Object.assign({}, ...[root, ...holders].map(({ attributes }) => attributes)) as Record<
    string,
    string
  >;
  if (members.length > MOST_PARTS)
    return {
      width: art.width,
      height: art.height,
      parts: [],
      skipped: [`it has more than ${MOST_PARTS} parts: group them first`],
    };
  const taking: Taking = { root, art, walk, definitions: definitionsOf(root), budget: { left: MOST_PARTS } };
  const level: Level = { holders, base, inherited };
  return {
    width: art.width,
    height: art.height,
    parts: members.map((one, i) => partOf(one, i, level, taking)),
    skipped,
  };
}

/** What all parts of a drawing are taken from. */
interface Taking {
  readonly root: ArtElement;
  readonly art: ReadArt;
  readonly walk: Walk;
  readonly definitions: ReturnType<typeof definitionsOf>;
  /** How many parts may still be made: one count for all levels. */
  readonly budget: { left: number };
}

/** Where parts stand in a drawing: in which groups, how these are placed, and what they hand down. */
interface Level {
  readonly holders: readonly ArtElement[];
  readonly base: Matrix;
  readonly inherited: Record<string, string>;
}

function partOf(element: ArtElement, index: number, level: Level, taking: Taking): DrawingPart {
  const { holders, base, inherited } = level;
  const { root, art, walk, definitions } = taking;
  taking.budget.left--;
  const outlines: Outline[] = [];
  collect(element, base, walk, outlines, 0);
  const paint = paintOf(element, inherited);
  const needed = definitions.neededBy([element, ...holders.map(bare)]);
  return {
    name: nameOf(element, index),
    looksLike: outlines.length > 0 && paint.isStroke ? 'guide' : 'art',
    outlines,
    ...pictureOf(root, holders, needed, element, outlines, art, paint.width * scaleOf(base)),
    inside: insideOf(element, level, taking),
  };
}

/** The parts of a group; groups within it that hold nothing but one group are opened with it. */
function insideOf(element: ArtElement, { holders, base, inherited }: Level, taking: Taking): readonly DrawingPart[] {
  if (element.name !== 'g' || element.attributes['display'] === 'none') return [];
  const { holders: more, members } = upperLevel(element);
  if (members.length < 2 || members.length > taking.budget.left || holders.length >= DEEPEST) return [];
  const opened = [element, ...more];
  const level: Level = {
    holders: [...holders, ...opened],
    base: opened.reduce((matrix, holder) => productOf(matrix, transformOf(holder)), base),
    inherited: Object.assign({}, inherited, ...opened.map(({ attributes }) => attributes)) as Record<string, string>,
  };
  // What cannot be read was said of the group.
  const quiet: Taking = { ...taking, walk: { ...taking.walk, skipped: [] } };
  return members.map((one, i) => partOf(one, i, level, quiet));
}

/** An element without what is in it. */
const bare = (element: ArtElement): ArtElement => ({ ...element, children: [] });

interface Walk {
  readonly byId: ReadonlyMap<string, ArtElement>;
  readonly skipped: string[];
  readonly source: string;
}

/** The elements of the upper level, groups that hold nothing but one group opened. */
function upperLevel(root: ArtElement): { holders: ArtElement[]; members: ArtElement[] } {
  const holders: ArtElement[] = [];
  let level = root;
  for (;;) {
    const drawn = level.children.filter(
      (child): child is ArtElement => typeof child !== 'string' && DRAWN.has(child.name),
    );
    const [only] = drawn;
    if (drawn.length !== 1 || !only || only.name !== 'g' || !only.children.some((child) => typeof child !== 'string'))
      return { holders, members: drawn };
    holders.push(only);
    level = only;
  }
}

function nameOf(element: ArtElement, index: number): string {
  const inner = element.children.filter((child): child is ArtElement => typeof child !== 'string');
  const [only] = inner;
  // A group about one element, with no name of its own, is called as that is.
  if (element.name === 'g' && !element.attributes['id'] && inner.length === 1 && only && DRAWN.has(only.name))
    return nameOf(only, index);
  const title = element.children.find(
    (child): child is ArtElement => typeof child !== 'string' && child.name === 'title',
  );
  const text = title?.children.find((child) => typeof child === 'string');
  const words = (typeof text === 'string' && text.trim()) || element.attributes['id']?.replace(/[-_]+/g, ' ').trim();
  const plain =
    words ||
    `${element.name === 'g' ? 'Group' : element.name.charAt(0).toUpperCase() + element.name.slice(1)} ${index + 1}`;
  return plain.charAt(0).toUpperCase() + plain.slice(1);
}

function collect(element: ArtElement, base: Matrix, walk: Walk, into: Outline[], depth: number): void {
  if (element.attributes['display'] === 'none') return;
  const matrix = productOf(base, transformOf(element));
  if (HOLDERS.has(element.name)) {
    const inner = element.name === 'svg' ? productOf(matrix, nestedView(element.attributes)) : matrix;
    for (const child of element.children)
      if (typeof child !== 'string' && DRAWN.has(child.name)) collect(child, inner, walk, into, depth);
    return;
  }
  if (element.name === 'use') {
    const target = walk.byId.get((element.attributes['href'] ?? '').slice(1));
    if (!target || depth >= DEEPEST) return;
    const shift: Matrix = [1, 0, 0, 1, numberOf(element, 'x'), numberOf(element, 'y')];
    const used = target.name === 'symbol' ? { ...target, name: 'g' } : target;
    collect(used, productOf(matrix, shift), walk, into, depth + 1);
    return;
  }
  const data = pathDataOf(element);
  if (data === undefined) return;
  const result = outlinesFromPathData(data);
  if (result.ok) for (const outline of result.outlines) into.push(movedOutline(outline, matrix));
  else {
    const line = lineOf(walk.source, data);
    const called = element.attributes['id'] ? ` "${element.attributes['id']}"` : '';
    walk.skipped.push(
      `${line === undefined ? '' : `line ${line}: `}<${element.name}>${called} ${result.message.replace(/^SvgPath: /, '')}`,
    );
  }
}

/** The line of the file on which a piece of path data stands. */
function lineOf(source: string, data: string): number | undefined {
  const start = data.trim().slice(0, 40);
  const at = start ? source.indexOf(start) : -1;
  return at < 0 ? undefined : source.slice(0, at).split('\n').length;
}

/** Whether an element is drawn by its stroke alone, and how wide that is, in the drawing's units. */
function paintOf(element: ArtElement, inherited: Record<string, string>): { isStroke: boolean; width: number } {
  let isStroke = true;
  let widest = 0;
  const visit = (one: ArtElement, above: Record<string, string>): void => {
    const now = { ...above, ...one.attributes };
    if (HOLDERS.has(one.name)) {
      for (const child of one.children) if (typeof child !== 'string' && DRAWN.has(child.name)) visit(child, now);
      return;
    }
    const hasStroke = (now['stroke'] ?? 'none') !== 'none';
    if (!hasStroke || (now['fill'] ?? 'black') !== 'none') isStroke = false;
    if (hasStroke) widest = Math.max(widest, Number.parseFloat(now['stroke-width'] ?? '1') || 0);
  };
  visit(element, inherited);
  return { isStroke, width: widest };
}

/** The part's picture alone, its box cut to what it draws; the whole drawing's box where that is not known. */
function pictureOf(
  root: ArtElement,
  holders: readonly ArtElement[],
  definitions: readonly (ArtElement | string)[],
  element: ArtElement,
  outlines: readonly Outline[],
  art: ReadArt,
  stroke: number,
): { art: ReadArt; x: number; y: number } {
  const view = viewMatrix(root.attributes, art.width, art.height);
  const whole = { left: 0, top: 0, right: art.width, bottom: art.height };
  const hasText = JSON.stringify(element).includes('"text"');
  const drawn = outlines.length === 0 || hasText ? whole : boxOf(outlines, stroke / 2 + 1);
  const box = Object.values(drawn).every((one) => Math.abs(one) < FURTHEST) ? drawn : whole;
  const width = Math.max(1, box.right - box.left);
  const height = Math.max(1, box.bottom - box.top);
  const inner = holders.reduceRight<ArtElement>((child, holder) => ({ ...holder, children: [child] }), element);
  const { viewBox: _box, width: _w, height: _h, preserveAspectRatio: _p, overflow: _o, ...rest } = root.attributes;
  const round = (value: number): number => Math.round(value * 1e4) / 1e4;
  const shown = [(box.left - view[4]) / view[0], (box.top - view[5]) / view[3], width / view[0], height / view[3]]
    .map(round)
    .join(' ');
  const markup = writeArtElement({
    name: 'svg',
    attributes: {
      ...rest,
      width: String(round(width)),
      height: String(round(height)),
      viewBox: shown,
      overflow: 'visible',
    },
    children: [...definitions, inner],
  });
  return {
    art: { markup, width: round(width), height: round(height), notices: [], heavy: [] },
    x: box.left,
    y: box.top,
  };
}

function boxOf(
  outlines: readonly Outline[],
  edge: number,
): { left: number; top: number; right: number; bottom: number } {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { nodes } of outlines)
    for (const { x, y, in: a = [0, 0], out: b = [0, 0] } of nodes)
      for (const [dx, dy] of [[0, 0], a, b] as const) {
        left = Math.min(left, x + dx);
        right = Math.max(right, x + dx);
        top = Math.min(top, y + dy);
        bottom = Math.max(bottom, y + dy);
      }
  return { left: left - edge, top: top - edge, right: right + edge, bottom: bottom + edge };
}
