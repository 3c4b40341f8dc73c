import { parse, walk, type CssNode, type Rule, type Selector } from 'css-tree';
import type { ParsedNode } from './clean.ts';

/** Declarations times the elements that they may be written into, in all: the inlining takes some 25 µs for each. */
const MOST_WRITTEN = 150_000;

/** Selectors times elements: each is tried on each. */
const MOST_TRIED = 4_000_000;

/** How many elements have a tag, a class or an id. */
interface Census {
  readonly elements: number;
  readonly tags: ReadonlyMap<string, number>;
  readonly classes: ReadonlyMap<string, number>;
  readonly ids: ReadonlyMap<string, number>;
  /** Texts of the style sheets. */
  readonly sheets: readonly string[];
}

/** Counts what selectors ask for, without recursion: how deep it is has not been asked yet. */
function censusOf(root: ParsedNode): Census {
  const [tags, classes, ids] = [new Map<string, number>(), new Map<string, number>(), new Map<string, number>()];
  const sheets: string[] = [];
  const add = (to: Map<string, number>, key: string): void => void to.set(key, (to.get(key) ?? 0) + 1);
  let elements = 0;
  const open: ParsedNode[] = [root];
  for (let node = open.pop(); node; node = open.pop()) {
    const { name, attributes, children = [] } = node;
    if (name !== undefined) {
      elements++;
      add(tags, name);
      for (const one of new Set((attributes?.['class'] ?? '').split(/\s+/).filter(Boolean))) add(classes, one);
      if (attributes?.['id'] !== undefined) add(ids, attributes['id']);
      if (/^(?:svg:)?style$/.test(name)) sheets.push(children.map(({ value }) => value ?? '').join(''));
    }
    for (const child of children) open.push(child);
  }
  return { elements, tags, classes, ids, sheets };
}

/** How many elements a selector matches at most: as many as have the rarest of what its last part asks for. */
function matchesOf({ children }: Selector, { elements, tags, classes, ids }: Census): number {
  let most = elements;
  for (const part of children.toArray().reverse()) {
    if (part.type === 'Combinator') break;
    if (part.type === 'IdSelector') most = Math.min(most, ids.get(part.name) ?? 0);
    if (part.type === 'ClassSelector') most = Math.min(most, classes.get(part.name) ?? 0);
    if (part.type === 'TypeSelector' && part.name !== '*') most = Math.min(most, tags.get(part.name) ?? 0);
  }
  return most;
}

/**
 * What is wrong with the style sheets of a drawing that is parsed: a few lines of them may mean more work than a page has time for. Told before any of it is done, in time linear in the text;
 * undefined where nothing is.
 */
export function sheetTrouble(root: ParsedNode): string | undefined {
  const census = censusOf(root);
  let [written, tried] = [0, 0];
  for (const text of census.sheets) {
    let sheet: CssNode;
    try {
      sheet = parse(text, { parseValue: false, parseCustomProperty: false });
    } catch {
      // What cannot be read is not inlined either.
      continue;
    }
    walk(sheet, {
      visit: 'Rule',
      enter({ prelude, block }: Rule) {
        if (prelude.type !== 'SelectorList') return;
        const selectors = prelude.children.toArray().filter((one): one is Selector => one.type === 'Selector');
        const matches = selectors.reduce((sum, one) => sum + matchesOf(one, census), 0);
        tried += selectors.length * census.elements;
        written += block.children.size * matches;
      },
    });
    if (tried > MOST_TRIED) return 'its style sheets have too many selectors for so many elements';
    if (written > MOST_WRITTEN) return 'its style sheets say too much of too many elements';
  }
  return undefined;
}
