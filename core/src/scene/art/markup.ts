import {
  ALLOWED_ELEMENTS,
  ALLOWED_STYLE,
  isAllowedAttribute,
  isHarmlessValue,
  LOCAL_REFERENCE,
  MOST_ELEMENTS,
  TEXT_ELEMENTS,
} from './allowlist.ts';
import { costOf } from './cost.ts';
import type { ArtElement } from './element.ts';
import { urlsIn, withUrls } from './urls.ts';

export type ArtReading =
  | {
      readonly ok: true;
      readonly root: ArtElement;
      /** Drawn, with every `use` followed; and what painting costs, in plain elements. */
      readonly elements: number;
      readonly cost: number;
    }
  | { readonly ok: false; readonly message: string; readonly line: number };

class Refusal extends Error {
  readonly at: number;
  constructor(message: string, at: number) {
    super(message);
    this.at = at;
  }
}

/**
 * Reads the markup of an art and refuses all that is not plain, self-contained drawing (see allowlist.ts): comments, declarations, entities of
 * its own, elements, attributes and values that are not listed, ids given twice, references that lead nowhere or round in a circle. It never rewrites.
 */
export function readArtMarkup(markup: string): ArtReading {
  try {
    const root = parse(markup);
    if (root.name !== 'svg') throw new Refusal(`the drawing begins with <${root.name}> where <svg> is needed`, 0);
    const elements = countDrawn(root);
    if (elements > MOST_ELEMENTS) throw new Refusal(`it draws more than ${MOST_ELEMENTS} elements`, 0);
    const { cost, trouble } = costOf(root);
    if (trouble !== undefined) throw new Refusal(trouble, 0);
    return { ok: true, root, elements, cost };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { ok: false, message: error.message, line: markup.slice(0, error.at).split('\n').length };
  }
}

const NAME = /[A-Za-z][\w:.-]*/y;
const ATTRIBUTE = /\s+([A-Za-z_][\w:.-]*)\s*=\s*(?:"([^"<]*)"|'([^'<]*)')/y;
const TAG_END = /\s*(\/?)>/y;
const ENTITIES: ReadonlyMap<string, string> = new Map([
  ['amp', '&'],
  ['lt', '<'],
  ['gt', '>'],
  ['quot', '"'],
  ['apos', "'"],
]);

interface Open {
  name: string;
  attributes: Record<string, string>;
  children: (ArtElement | string)[];
}

function parse(markup: string): ArtElement {
  const stack: Open[] = [];
  let root: ArtElement | undefined;
  let at = 0;
  let count = 0;
  const attempt = (pattern: RegExp): RegExpExecArray | null => {
    pattern.lastIndex = at;
    const match = pattern.exec(markup);
    if (match) at = pattern.lastIndex;
    return match;
  };
  while (at < markup.length) {
    const parent = stack[stack.length - 1];
    const next = markup.indexOf('<', at);
    const text = markup.slice(at, next < 0 ? markup.length : next);
    if (text) {
      if (parent && TEXT_ELEMENTS.has(parent.name)) parent.children.push(unescapeText(text, at));
      else if (text.trim()) throw new Refusal(`text where none is drawn: "${text.trim().slice(0, 30)}"`, at);
      at += text.length;
      continue;
    }
    if (markup.startsWith('</', at)) {
      at += 2;
      const name = attempt(NAME)?.[0];
      if (!parent || name !== parent.name || !attempt(/\s*>/y))
        throw new Refusal(`</${name ?? ''}> closes nothing that is open`, at);
      stack.pop();
      if (stack.length === 0) root = parent;
      continue;
    }
    const start = at++;
    const name = attempt(NAME)?.[0];
    if (!name || !ALLOWED_ELEMENTS.has(name))
      throw new Refusal(`<${name ?? markup.slice(at, at + 10)}> is not drawing`, start);
    if (root) throw new Refusal('more than one drawing', start);
    if (++count > MOST_ELEMENTS) throw new Refusal(`it has more than ${MOST_ELEMENTS} elements`, start);
    if (stack.length > 200) throw new Refusal('elements are nested more than 200 deep', start);
    const element: Open = { name, attributes: {}, children: [] };
    for (let match = attempt(ATTRIBUTE); match; match = attempt(ATTRIBUTE)) {
      const key = match[1] ?? '';
      const value = unescapeText(match[2] ?? match[3] ?? '', start);
      checkAttribute(name, key, value, start);
      if (Object.hasOwn(element.attributes, key)) throw new Refusal(`${key} stands twice in <${name}>`, start);
      element.attributes[key] = value;
    }
    const end = attempt(TAG_END);
    if (!end) throw new Refusal(`<${name}> is not well formed`, start);
    parent?.children.push(element);
    if (!end[1]) stack.push(element);
    else if (stack.length === 0) root = element;
  }
  const unclosed = stack[stack.length - 1];
  if (unclosed) throw new Refusal(`<${unclosed.name}> is never closed`, markup.length);
  if (!root) throw new Refusal('there is no drawing', 0);
  return root;
}

function unescapeText(text: string, at: number): string {
  return text.replace(/&([^;\s&]{0,12});?/g, (whole, name: string) => {
    const plain = ENTITIES.get(name);
    if (plain === undefined || !whole.endsWith(';')) throw new Refusal(`the entity ${whole} is not known`, at);
    return plain;
  });
}

function checkAttribute(element: string, name: string, value: string, at: number): void {
  const refuse = (): never => {
    throw new Refusal(`${name}="${value.slice(0, 40)}" is not allowed in <${element}>`, at);
  };
  if (!isAllowedAttribute(name)) refuse();
  if (name === 'xmlns') {
    if (value !== 'http://www.w3.org/2000/svg') refuse();
  } else if (name === 'href') {
    if (!LOCAL_REFERENCE.test(value)) refuse();
  } else if (name === 'id') {
    if (!/^[A-Za-z_][\w.-]*$/.test(value)) refuse();
  } else if (name === 'style') {
    if (!ALLOWED_STYLE.test(value)) refuse();
  } else if (!isHarmlessValue(value)) refuse();
}

/** Elements drawn with every `use` followed; circles and doubled ids are refused. */
function countDrawn(root: ArtElement): number {
  const byId = new Map<string, ArtElement>();
  const visit = (element: ArtElement): void => {
    const id = element.attributes['id'];
    if (id !== undefined) {
      if (byId.has(id)) throw new Refusal(`the id ${id} is given twice`, 0);
      byId.set(id, element);
    }
    for (const child of element.children) if (typeof child !== 'string') visit(child);
  };
  visit(root);
  const known = new Map<ArtElement, number>();
  const open = new Set<ArtElement>();
  const count = (element: ArtElement): number => {
    const before = known.get(element);
    if (before !== undefined) return before;
    if (open.has(element))
      throw new Refusal(`<use> leads round in a circle at ${element.attributes['id'] ?? element.name}`, 0);
    open.add(element);
    let sum = 1;
    for (const child of element.children) if (typeof child !== 'string') sum += count(child);
    if (element.name === 'use') {
      const target = byId.get((element.attributes['href'] ?? '').slice(1));
      if (target) sum += count(target);
    }
    open.delete(element);
    known.set(element, sum);
    return sum;
  };
  return count(root);
}

const escapeText = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const escapeAttribute = (text: string): string => escapeText(text).replace(/"/g, '&quot;');

/** An element as markup, in the one form that the importer writes. `prefix` is set before every id and every reference to one. */
export function writeArtElement(element: ArtElement, prefix = ''): string {
  const attributes = Object.entries(element.attributes)
    .map(([name, value]) => ` ${name}="${escapeAttribute(prefix ? withPrefix(name, value, prefix) : value)}"`)
    .join('');
  if (element.children.length === 0) return `<${element.name}${attributes}/>`;
  const inner = element.children
    .map((child) => (typeof child === 'string' ? escapeText(child) : writeArtElement(child, prefix)))
    .join('');
  return `<${element.name}${attributes}>${inner}</${element.name}>`;
}

function withPrefix(name: string, value: string, prefix: string): string {
  if (name === 'id') return prefix + value;
  if (name === 'href') return `#${prefix}${value.slice(1)}`;
  if (!value.includes('(')) return value;
  return withUrls(value, urlsIn(value) ?? [], (target) => `url(#${prefix}${target.slice(1)})`);
}
