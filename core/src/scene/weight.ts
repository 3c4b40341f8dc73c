/** Characters that a scene file may have: pixels of 40 MB and as much besides. */
export const MOST_TEXT = 100 * 1024 * 1024;

/** Values (objects, lists, and what stands in them) that a scene may hold. The richest scene that a screen can show has a tenth of them. */
export const MOST_VALUES = 2_000_000;

/** How deep values may stand within each other: a scene needs a dozen. */
export const MOST_NESTED = 40;

/** Entries of one list or object, but for texts: as many as a guide may have nodes. */
export const MOST_ENTRIES = 20_000;

/** Characters that a value takes in a file at most, on a line of its own, but for the letters of a text. */
const A_LINE = 40;

const QUOTE = 34;
const BACKSLASH = 92;
const COMMA = 44;
const [OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [91, 93, 123, 125];

const manyValues = `it holds more than ${MOST_VALUES.toLocaleString('en')} values`;
const deepValues = `its values stand more than ${MOST_NESTED} deep within each other`;

/** Where a text in quotes that begins at `at` ends. Linear: a run of backslashes is counted once. */
function endOfText(json: string, at: number): number {
  let end = json.indexOf('"', at + 1);
  while (end >= 0) {
    let slashes = 0;
    while (json.charCodeAt(end - 1 - slashes) === BACKSLASH) slashes++;
    if (slashes % 2 === 0) return end;
    end = json.indexOf('"', end + 1);
  }
  return json.length;
}

/**
 * Why a text of JSON is not even read; undefined where it may be. Asked of the text itself, as reading what is nested or repeated a million times takes
 * gigabytes before anything can be said of it.
 */
export function troubleOfText(json: string): string | undefined {
  if (json.length > MOST_TEXT) return 'it is larger than 100 MB';
  let depth = 0;
  let values = 0;
  for (let i = 0; i < json.length; i++) {
    const code = json.charCodeAt(i);
    if (code === QUOTE) i = endOfText(json, i);
    else if (code === OPEN_LIST || code === OPEN_OBJECT) {
      if (++depth > MOST_NESTED) return deepValues;
      if (++values > MOST_VALUES) return manyValues;
    } else if (code === CLOSE_LIST || code === CLOSE_OBJECT) depth--;
    else if (code === COMMA && ++values > MOST_VALUES) return manyValues;
  }
  return undefined;
}

/** How much something weighs as JSON: its values, and the characters of its texts. */
interface Weight {
  readonly values: number;
  readonly letters: number;
}

/** What was weighed is never changed, only replaced. */
const weighed = new WeakMap<object, Weight>();

/** Values above which a weight is remembered: for less, asking again is as quick. */
const WORTH_REMEMBERING = 8;

class TooMuch extends Error {}

function weightOf(value: unknown, depth: number): Weight {
  if (typeof value === 'string') return { values: 1, letters: value.length };
  if (typeof value !== 'object' || value === null) return { values: 1, letters: 0 };
  const known = weighed.get(value);
  if (known) return known;
  if (depth > MOST_NESTED) throw new TooMuch(deepValues);
  const entries: readonly unknown[] = Array.isArray(value) ? value : Object.values(value);
  if (entries.length > MOST_ENTRIES)
    throw new TooMuch(`a list in it has more than ${MOST_ENTRIES.toLocaleString('en')} entries`);
  let values = 1;
  let letters = 0;
  for (const entry of entries) {
    const one = weightOf(entry, depth + 1);
    values += one.values;
    letters += one.letters;
    if (values > MOST_VALUES) throw new TooMuch(manyValues);
  }
  const weight = { values, letters };
  if (values > WORTH_REMEMBERING) weighed.set(value, weight);
  return weight;
}

/** Why a scene is too much for a file, read or made; undefined where it is not. */
export function troubleOfWeight(scene: object): string | undefined {
  try {
    const { values, letters } = weightOf(scene, 0);
    return values * A_LINE + letters > MOST_TEXT ? 'it would be larger than 100 MB as a file' : undefined;
  } catch (error) {
    if (error instanceof TooMuch) return error.message;
    throw error;
  }
}
