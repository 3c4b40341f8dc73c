import {
  ALLOWED_ELEMENTS,
  ALLOWED_STYLE,
  isAllowedAttribute,
  isHarmlessValue,
  PRESENTATION_ATTRIBUTES,
  TEXT_ELEMENTS,
  urlsIn,
  withUrls,
  type ArtElement,
} from '../../scene/art/index.ts';
import { attributesOf, declarationsOf } from './declarations.ts';

/** What the SVG parser gives, as far as it is used here. */
export interface ParsedNode {
  readonly type: string;
  readonly name?: string;
  readonly value?: string;
  readonly attributes?: Record<string, string>;
  readonly children?: ParsedNode[];
}

/** What was left out while cleaning, in words of the person who drew it. */
export interface Leavings {
  readonly notices: Set<string>;
  readonly fonts: Set<string>;
}

const WORDING: ReadonlyMap<string, string> = new Map(
  Object.entries({
    script: 'A script in it was left out.',
    foreignObject: 'A piece of web page in it was left out.',
    image: 'A picture inside it was left out: only vector drawing is taken in.',
    feImage: 'A picture used by a filter was left out.',
    animate: 'Its own animation was left out.',
    animateTransform: 'Its own animation was left out.',
    animateMotion: 'Its own animation was left out.',
    set: 'Its own animation was left out.',
    video: 'A video in it was left out.',
    audio: 'A sound in it was left out.',
    iframe: 'A piece of web page in it was left out.',
  }),
);

/** Elements that hold no drawing and go without a word. */
const SILENT = new Set(['metadata', 'style', 'view', 'cursor', 'hkern', 'vkern', 'font', 'font-face', 'color-profile']);

const GENERIC_FONTS = new Set([
  'serif',
  'sans-serif',
  'monospace',
  'cursive',
  'fantasy',
  'system-ui',
  'inherit',
  'initial',
]);

/** The element reduced to what the allowlist holds, or undefined where nothing of it may stay. */
export function cleanElement(node: ParsedNode, ids: IdNames, leavings: Leavings): ArtElement | undefined {
  const name = localName(node);
  if (name === undefined) return undefined;
  const link = name === 'a';
  if (!link && !ALLOWED_ELEMENTS.has(name)) {
    if (!SILENT.has(name)) leavings.notices.add(WORDING.get(name) ?? `<${name.slice(0, 40)}> was left out.`);
    return undefined;
  }
  const attributes = cleanAttributes(name, node.attributes ?? {}, ids, leavings);
  if (name === 'use' && attributes['href'] === undefined) return undefined;
  const children = (node.children ?? []).flatMap((child): (ArtElement | string)[] => {
    if (child.type === 'text' || child.type === 'cdata') return TEXT_ELEMENTS.has(name) ? [child.value ?? ''] : [];
    if (child.type !== 'element') return [];
    const kept = cleanElement(child, ids, leavings);
    return kept ? [kept] : [];
  });
  return { name: link ? (insideText(node) ? 'tspan' : 'g') : name, attributes, children };
}

/** A link that holds text directly stands inside a text; elsewhere it is a group. */
const insideText = (node: ParsedNode): boolean =>
  (node.children ?? []).some((child) => child.type === 'text' && (child.value ?? '').trim() !== '');

/** The name without the prefix of the SVG namespace; undefined for elements of other namespaces. */
function localName(node: ParsedNode): string | undefined {
  const [prefix, local] = (node.name ?? '').split(':');
  if (local === undefined) return prefix;
  return prefix === 'svg' ? local : undefined;
}

/** Characters that are kept of an id. */
const LONGEST_ID = 60;

/** New names for the ids of a file: plain ones stay, the rest is spelt out; of an id given twice the first counts. */
export class IdNames {
  readonly #names = new Map<string, string>();
  readonly #given = new Set<string>();
  /** Names that are taken, and how often each was asked for. */
  readonly #taken = new Map<string, number>();

  constructor(root: ParsedNode) {
    const visit = (node: ParsedNode): void => {
      const id = node.attributes?.['id'];
      if (id !== undefined && !this.#names.has(id)) {
        this.#names.set(
          id,
          this.#free(
            id
              .slice(0, LONGEST_ID)
              .replace(/[^\w.-]/g, '_')
              .replace(/^(?![A-Za-z_])/, '_'),
          ),
        );
      }
      node.children?.forEach(visit);
    };
    visit(root);
  }

  /** A name that no other id has. */
  #free(base: string): string {
    const asked = this.#taken.get(base) ?? 0;
    this.#taken.set(base, asked + 1);
    return asked === 0 ? base : this.#free(`${base}_${asked}`);
  }

  /** The name under which an element takes its id; undefined where another has it already. */
  claim(id: string): string | undefined {
    const name = this.#names.get(id);
    if (name === undefined || this.#given.has(name)) return undefined;
    this.#given.add(name);
    return name;
  }

  find(id: string): string | undefined {
    return this.#names.get(id) ?? this.#names.get(decodeSafely(id));
  }
}

function decodeSafely(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

function cleanAttributes(
  element: string,
  given: Record<string, string>,
  ids: IdNames,
  leavings: Leavings,
): Record<string, string> {
  // Without a prototype: an attribute may be called as a property of objects is.
  const kept = Object.create(null) as Record<string, string>;
  const styles: string[] = [];
  const put = (name: string, value: string): void => {
    const safe = cleanValue(value, ids);
    if (safe === undefined) leavings.notices.add('A reference to something outside the file was left out.');
    else kept[name] = safe;
  };
  for (const [full, value] of Object.entries(given)) {
    const name = full === 'xlink:href' ? 'href' : full;
    if (name === 'style' || name === 'xmlns') continue;
    if (name === 'id') {
      const id = ids.claim(value);
      if (id !== undefined) kept['id'] = id;
    } else if (name === 'href') {
      const target = value.trim().startsWith('#') ? ids.find(value.trim().slice(1)) : undefined;
      if (target !== undefined) kept['href'] = `#${target}`;
      else if (element !== 'a') leavings.notices.add('A reference to something outside the file was left out.');
    } else if (name === 'd') put(name, withinReach(value, leavings));
    else if (isAllowedAttribute(name)) put(name, value);
    else if (/^on/i.test(name)) leavings.notices.add('A script in it was left out.');
  }
  for (const [name, value] of declarationsOf(given['style'] ?? '')) {
    if (ALLOWED_STYLE.test(`${name}:${value}`)) {
      styles.push(`${name}:${value}`);
      continue;
    }
    const attributes = attributesOf(name, value, (one) => PRESENTATION_ATTRIBUTES.has(one));
    if (attributes) for (const [key, one] of Object.entries(attributes)) put(key, one);
    else if (/var\(|calc\(/.test(value))
      leavings.notices.add(`The style "${name}: ${value}" could not be worked out and was left out.`);
    else if (/animation|transition/.test(name)) leavings.notices.add('Its own animation was left out.');
  }
  if (styles.length > 0) kept['style'] = styles.join(';');
  noteFont(kept['font-family'], leavings);
  return kept;
}

/** The largest number that a browser reads in path data: that of 32 bits. */
const LARGEST = 3.4e38;

/** Path data up to the command that holds a number beyond those; with such a number browsers draw it no further either, and complain. */
function withinReach(d: string, leavings: Leavings): string {
  // Digits enough for that, or an exponent of two of them: hardly any path has one.
  if (!/e\+?\d{2}|\d{38}/i.test(d)) return d;
  for (const { 0: number, index } of d.matchAll(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi)) {
    if (Math.abs(Number(number)) <= LARGEST) continue;
    leavings.notices.add('A path was cut off where it reaches further than can be drawn.');
    return d.slice(0, Math.max(0, d.slice(0, index).search(/[a-df-z][^a-df-z]*$/i)));
  }
  return d;
}

/** A value with its references renamed; undefined where it names something outside the drawing. */
function cleanValue(value: string, ids: IdNames): string | undefined {
  let lost = false;
  const references = value.includes('(') ? urlsIn(value) : [];
  if (references === undefined) return undefined;
  if (references.some(({ target }) => !target.startsWith('#'))) return undefined;
  const plain = withUrls(value, references, (target) => {
    const name = ids.find(target.slice(1));
    if (name === undefined) lost = true;
    return `url(#${name ?? 'none'})`;
  });
  if (lost) return 'none';
  return isHarmlessValue(plain) ? plain : undefined;
}

function noteFont(family: string | undefined, { fonts }: Leavings): void {
  const first = family
    ?.split(',')[0]
    ?.trim()
    .replace(/^["']|["']$/g, '');
  if (first && !GENERIC_FONTS.has(first.toLowerCase())) fonts.add(first);
}
