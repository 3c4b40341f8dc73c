import { optimize } from 'svgo/browser';
import { readArtMarkup, writeArtElement, type ArtElement } from '../../scene/art/index.ts';
import { wellFormed } from '../../scene/index.ts';
import { partsOfDrawing, type DrawingParts } from './parts.ts';
import { heavinessOf, type ReadArt } from './read-art.ts';
import { cleanElement, IdNames, type Leavings, type ParsedNode } from './clean.ts';
import { declarationsOf } from './declarations.ts';
import { sheetTrouble } from './sheets.ts';
import { shownSize, viewBoxOf } from './size.ts';

export type { DrawingPart, DrawingParts } from './parts.ts';
export type { Heaviness, ReadArt } from './read-art.ts';

/** Characters of an art, as the scene file takes it. */
const MOST_ART_CHARACTERS = 8_000_000;

/** Characters that an SVG file may have: 5 MB. */
export const MOST_FILE_CHARACTERS = 5 * 1024 * 1024;

export type ArtResult = { readonly ok: true; readonly art: ReadArt } | { readonly ok: false; readonly message: string };

const refuse = (message: string): ArtResult => ({ ok: false, message });

/**
 * Reads the text of an SVG file into the markup of an art: style sheets inlined, ids made plain, then the allowlist, then the verifier. Never throws;
 * the message of a refusal says what was wrong and where.
 */
export function readSvgArt(text: string): ArtResult {
  if (text.length > MOST_FILE_CHARACTERS) return refuse('it is larger than 5 MB');
  const source = wellFormed(text.replace(/^\uFEFF/, ''));
  if (source.trim() === '') return refuse('the file is empty');
  if (/[\0\uFFFD]/.test(text.slice(0, 2000)) || !/<(?:svg:)?svg[\s>/]/.test(source))
    return refuse('there is no SVG drawing in it');
  const trouble = sizeTrouble(source) ?? entityTrouble(source);
  if (trouble) return refuse(trouble);
  const parsed = parse(source);
  if (!parsed.ok) return refuse(parsed.message);
  const root = parsed.root.children?.find((node) => node.type === 'element');
  if (!root || (root.name !== 'svg' && root.name !== 'svg:svg')) return refuse('it does not begin with <svg>');
  return finish(root);
}

export type PartsResult =
  | { readonly ok: true; readonly parts: DrawingParts; readonly notices: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Reads the text of an SVG file and takes it apart: each part may become a guide, the art of a rider, or scenery. Never throws. */
export function readSvgParts(text: string): PartsResult {
  const read = readSvgArt(text);
  if (!read.ok) return read;
  return { ok: true, parts: partsOfDrawing(read.art, text), notices: read.art.notices };
}

/** Entities that a file may declare. */
const MOST_ENTITIES = 100;

/** Elements and attributes beyond which a file is not even read: more than can be drawn, with room for what is left out of it. */
const MOST_TAGS = 30_000;
const MOST_ATTRIBUTES = 600_000;

/** Attributes of one element: the parser looks through all of them for each. */
const MOST_OF_ONE = 1000;

/** Declarations of styles in all. */
const MOST_DECLARATIONS = 150_000;

/** Rules of style sheets times tags: each rule is tried on each element. */
const MOST_MATCHES = 4_000_000;

/** How often a sign stands in a text. */
function countOf(sign: string, text: string): number {
  let count = 0;
  for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1)) count++;
  return count;
}

/** How many `=` stand in one tag at most, what follows it until the next included; programs and style sheets are no attributes. */
function mostAttributes(text: string): number {
  let [most, count] = [0, 0];
  for (let at = 0; at < text.length; at++) {
    const sign = text.charCodeAt(at);
    if (sign === EQUALS) count++;
    else if (sign === OPENING) {
      most = Math.max(most, count);
      count = /^<(?:svg:)?(?:script|style)/.test(text.slice(at, at + 12)) ? -Infinity : 0;
    }
  }
  return Math.max(most, count);
}

const EQUALS = '='.charCodeAt(0);
const OPENING = '<'.charCodeAt(0);

/** The parser looks at all of a declaration (`<!…>`) again at each of its characters: the squares of their lengths, added up. */
const MOST_DECLARATION_WORK = 50_000_000;

/** What it takes to read the declarations of a file. Comments and sections of characters are none; those within a DOCTYPE are counted one by one. Linear. */
function declarationWork(source: string): number {
  const next = (sign: string, from: number): number => {
    const at = source.indexOf(sign, from);
    return at < 0 ? source.length : at;
  };
  let work = 0;
  for (let at = source.indexOf('<!'); at >= 0; at = source.indexOf('<!', at)) {
    if (source.startsWith('<!--', at)) at = next('-->', at + 4);
    else if (source.startsWith('<![CDATA[', at)) at = next(']]>', at + 9);
    else if (/^<!DOCTYPE/i.test(source.slice(at, at + 9))) at += 9;
    else {
      const end = next('>', at + 2);
      work += (end - at) ** 2;
      at = end;
    }
    if (at >= source.length) break;
  }
  return work;
}

/** Sizes that are asked before any work is begun. */
function sizeTrouble(source: string): string | undefined {
  const tags = countOf('<', source) - countOf('</', source);
  if (tags > MOST_TAGS) return `it has more than ${MOST_TAGS} elements`;
  if (countOf('=', source) > MOST_ATTRIBUTES) return `it has more than ${MOST_ATTRIBUTES} attributes`;
  if (mostAttributes(source) > MOST_OF_ONE) return `an element of it has more than ${MOST_OF_ONE} attributes`;
  if (countOf(';', source) > MOST_DECLARATIONS) return `it has more than ${MOST_DECLARATIONS} style declarations`;
  if (declarationWork(source) > MOST_DECLARATION_WORK) return 'its declarations are too long to be read';
  const rules = /<(?:svg:)?style[\s>]/.test(source) ? countOf('{', source) : 0;
  if (rules * tags > MOST_MATCHES) return 'its style sheets have too many rules for so many elements';
  return undefined;
}

/** Text declared as an entity may be inserted, not nested: nesting is how a small file grows without end. */
function entityTrouble(source: string): string | undefined {
  let growth = 0;
  let count = 0;
  for (const match of source.matchAll(/<!ENTITY\s+((?:%\s+)?[^\s>%][^\s>]*)\s+(SYSTEM|PUBLIC|"[^"]*"|'[^']*')/gi)) {
    const value = match[2] ?? '';
    if (/^(?:SYSTEM|PUBLIC)$/i.test(value)) return 'it declares an entity that lies outside the file';
    if (/[&<%]/.test(value) || match[1]?.startsWith('%')) return 'it declares entities inside entities';
    if (++count > MOST_ENTITIES) return `it declares more than ${MOST_ENTITIES} entities`;
    growth += value.length * (source.split(`&${match[1] ?? ''};`).length - 1);
    if (growth > MOST_FILE_CHARACTERS) return 'its entities grow beyond 5 MB';
  }
  return undefined;
}

type Parsed = { readonly ok: true; readonly root: ParsedNode } | { readonly ok: false; readonly message: string };

function parse(source: string): Parsed {
  let root: ParsedNode | undefined;
  const capture = {
    name: 'capture',
    fn: (tree: unknown) => {
      root = structuredCopy(tree as ParsedNode, 0);
      return null;
    },
  };
  try {
    optimize(source, {
      plugins: [
        {
          name: 'weigh',
          fn: (tree: unknown) => {
            const trouble = sheetTrouble(tree as ParsedNode);
            if (trouble) throw new Error(trouble);
            return null;
          },
        },
        {
          name: 'inlineStyles',
          params: { onlyMatchedOnce: false, useMqs: ['', 'screen', 'media screen', 'media all'] },
        },
        capture,
      ],
    });
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, message: 'its elements are nested too deep' };
    const { reason, line } = error as { reason?: string; line?: number };
    const where = line === undefined ? '' : `line ${line}: `;
    if (reason && /unclosed root/i.test(reason)) return { ok: false, message: 'it is cut off before its end' };
    return { ok: false, message: `${where}${reason ?? (error instanceof Error ? error.message : String(error))}` };
  }
  return root ? { ok: true, root } : { ok: false, message: 'it could not be read' };
}

/** Elements inside each other; groups that hold nothing but a group are many in some files, and still fewer. */
const DEEPEST = 400;

/** A copy without the parser's links to parents. */
function structuredCopy({ type, name, value, attributes, children }: ParsedNode, depth: number): ParsedNode {
  if (depth > DEEPEST) throw new RangeError('nested too deep');
  return {
    type,
    ...(name === undefined ? {} : { name }),
    ...(value === undefined ? {} : { value }),
    ...(attributes ? { attributes: { ...attributes } } : {}),
    ...(children ? { children: children.map((child) => structuredCopy(child, depth + 1)) } : {}),
  };
}

function finish(root: ParsedNode): ArtResult {
  const leavings: Leavings = { notices: new Set(), fonts: new Set() };
  const cleaned = cleanElement({ ...root, name: 'svg' }, new IdNames(root), leavings);
  if (!cleaned || !draws(cleaned)) return refuse('nothing is drawn in it');
  const viewBox = viewBoxOf(cleaned.attributes['viewBox']);
  const [width, height] = shownSize(cleaned.attributes['width'], cleaned.attributes['height'], viewBox);
  if (!(width <= 100_000 && height <= 100_000)) return refuse('it is larger than 100,000 px');
  const { x: _x, y: _y, viewBox: _box, width: _w, height: _h, xmlns: _ns, ...rest } = cleaned.attributes;
  const paper = backgroundOf(root);
  const [bx, by, bw, bh] = viewBox ?? [0, 0, width, height];
  const ground: ArtElement[] = paper
    ? [
        {
          name: 'rect',
          attributes: { x: String(bx), y: String(by), width: String(bw), height: String(bh), fill: paper },
          children: [],
        },
      ]
    : [];
  const markup = writeArtElement({
    name: 'svg',
    attributes: {
      xmlns: 'http://www.w3.org/2000/svg',
      width: String(width),
      height: String(height),
      ...(viewBox ? { viewBox: viewBox.join(' ') } : {}),
      ...rest,
    },
    children: [...ground, ...cleaned.children],
  });
  if (markup.length > MOST_ART_CHARACTERS) return refuse('it grows beyond 8 MB when its styles are written out');
  const verified = readArtMarkup(markup);
  if (!verified.ok) return refuse(verified.message);
  for (const font of leavings.fonts)
    leavings.notices.add(
      `Text uses the font "${font}", which is not in the file: it shows in another where that font is not installed. Art › Text to outlines makes outlines of it.`,
    );
  const heavy = heavinessOf({
    elements: verified.elements,
    characters: markup.length,
    painting: verified.cost,
  });
  return { ok: true, art: { markup, width, height, notices: [...leavings.notices], heavy } };
}

const SHAPES = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text', 'use']);

const draws = (element: ArtElement): boolean =>
  SHAPES.has(element.name) || element.children.some((child) => typeof child !== 'string' && draws(child));

/** A plain colour that the root's style paints behind the drawing. */
function backgroundOf(root: ParsedNode): string | undefined {
  const found = declarationsOf(root.attributes?.['style'] ?? '').filter(
    ([name]) => name === 'background' || name === 'background-color',
  );
  const value = found.at(-1)?.[1];
  return value && /^(?:#[0-9a-f]{3,8}|[a-z]+|rgba?\([\d.,%\s/]+\))$/i.test(value) && value !== 'none'
    ? value
    : undefined;
}
