import type { z } from '../zod.ts';

type Issue = z.core.$ZodIssue;

/** What JSON values are called for people. */
const KINDS: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  object: 'an object',
  record: 'an object',
  null: 'null',
  undefined: 'nothing',
};

const kindOf = (name: string): string => KINDS[name] ?? name;

/** What was found, by the path of an issue in what was read. */
function foundAt(root: unknown, path: readonly PropertyKey[]): unknown {
  let value: unknown = root;
  for (const key of path) {
    if (typeof value !== 'object' || value === null || !Object.hasOwn(value, key)) return undefined;
    value = (value as Record<PropertyKey, unknown>)[key];
  }
  return value;
}

function wordsOfValue(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (value === null) return 'null';
  if (Array.isArray(value)) return 'a list';
  if (typeof value === 'number' && !Number.isFinite(value)) return 'no finite number';
  return kindOf(typeof value);
}

/** How much there may be of something: px and seconds as numbers, texts by letters, lists by entries. */
const measured = (origin: string, limit: number | bigint): string =>
  origin === 'string'
    ? `${limit} letters`
    : origin === 'array' || origin === 'set'
      ? `${limit} entries`
      : String(limit);

/** Why a part of a scene file was not taken, in words for people; `root` is all that was read. */
export function wordsOfIssue(issue: Issue, root: unknown): string {
  switch (issue.code) {
    case 'invalid_type':
      return `expected ${kindOf(issue.expected)}, found ${wordsOfValue(foundAt(root, issue.path))}`;
    case 'too_big':
      return `${issue.inclusive === false ? 'less than' : 'at most'} ${measured(issue.origin, issue.maximum)}`;
    case 'too_small':
      return `${issue.inclusive === false ? 'more than' : 'at least'} ${measured(issue.origin, issue.minimum)}`;
    case 'unrecognized_keys':
      return `${issue.keys.map((key) => `"${key}"`).join(', ')} ${issue.keys.length === 1 ? 'is' : 'are'} not known here`;
    case 'invalid_value':
      return `expected ${issue.values.map((value) => `"${String(value)}"`).join(' or ')}, found ${wordsOfFound(foundAt(root, issue.path))}`;
    case 'invalid_union':
      return `this is none of the kinds that are known, found ${wordsOfFound(foundAt(root, issue.path))}`;
    case 'invalid_format':
      return issue.format === 'base64' ? 'these are no pixels written as base64' : issue.message;
    default:
      return issue.message;
  }
}

/** A short text as it stands, anything else by its kind. */
const wordsOfFound = (value: unknown): string =>
  typeof value === 'string' && value.length <= 40 ? `"${value}"` : wordsOfValue(value);
