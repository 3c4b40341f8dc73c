import MiniSearch from 'minisearch';
import { plainLetters } from '../words/matches.ts';
import type { FindEntry } from './entry.ts';

/** Words that ask and say nothing of what is asked for. */
const EMPTY = new Set(
  'a an the to of on in at it its my i me is be do does how can where what which when for with and or make set get put want need this that thing something'.split(
    ' ',
  ),
);

/** Entries that are shown. */
const MOST = 12;

/** Finds entries by what people call them, the best first. */
export class FindIndex {
  readonly #entries: ReadonlyMap<string, FindEntry>;
  readonly #index = new MiniSearch<FindEntry>({
    fields: ['title', 'also', 'about', 'where'],
    processTerm: (term) => {
      const plain = stemmed(plainLetters(term));
      return EMPTY.has(plain) ? null : plain;
    },
    searchOptions: {
      boost: { title: 4, also: 3, where: 0.4 },
      prefix: (term) => term.length > 1,
      fuzzy: (term) => (term.length > 4 ? 0.2 : false),
      weights: { prefix: 0.6, fuzzy: 0.3 },
      boostDocument: (id) => this.#entries.get(String(id))?.weight ?? 1,
    },
  });

  constructor(entries: readonly FindEntry[]) {
    this.#entries = new Map(entries.map((entry) => [entry.id, entry]));
    this.#index.addAll(entries);
  }

  /** The best for a question; all of them, in their own order, where nothing is asked. */
  find(question: string): readonly FindEntry[] {
    if (question.trim() === '') return [...this.#entries.values()].slice(0, MOST);
    return this.#index
      .search(question)
      .slice(0, MOST)
      .flatMap(({ id }) => this.#entries.get(String(id)) ?? []);
  }
}

/** A word without the endings that a question and a name differ by. */
const stemmed = (word: string): string =>
  word.length > 4 ? word.replace(/(ies)$/, 'y').replace(/(?<=[^s])s$/, '') : word;
