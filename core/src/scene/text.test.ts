import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { z } from '../zod.ts';
import { sceneShape } from './schema/index.ts';

// The scene file's text (docs/scene-file.md), beside the schema.

interface Schema {
  readonly default?: unknown;
  readonly const?: unknown;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
}

type Defaults = Map<string, Record<string, unknown>>;

/** What the text calls a place of the schema: alike ones by one name. */
const nameOf = (path: string): string =>
  path
    .replace(/^.*\.ease(?=\()/, 'ease')
    .replace(/^riders\[\]\.keys\.\w+\[\]/, 'riders[].keys.*[]')
    .replace(/^guides\[\]\.shape\([a-z-]+\)/, 'guides[].shape')
    .replace(/^art\[\]\([a-z]+\)/, 'art[]')
    .replace(/^.*\.(place|from|to)\(node\)$/, 'place(node)');

/** Every key that may be left out, by the object that it is of. */
function defaultsIn(schema: Schema, path: string, found: Defaults): Defaults {
  for (const one of [...(schema.anyOf ?? []), ...(schema.oneOf ?? []), ...(schema.allOf ?? [])]) {
    const kind = one.properties?.['kind']?.const ?? one.properties?.['by']?.const;
    defaultsIn(one, typeof kind === 'string' ? `${path}(${kind})` : path, found);
  }
  if (schema.items) defaultsIn(schema.items, `${path}[]`, found);
  for (const [key, one] of Object.entries(schema.properties ?? {})) {
    if ('default' in one) {
      const name = nameOf(path) || 'scene';
      const known = found.get(name) ?? {};
      if (key in known) expect(known[key], `${name}.${key}`).toEqual(one.default);
      found.set(name, { ...known, [key]: one.default });
    }
    defaultsIn(one, path === '' ? key : `${path}.${key}`, found);
  }
  return found;
}

/** The rows of the table under "Left out". */
function defaultsOfText(text: string): Defaults {
  const section = text.split('\n## Left out\n')[1]?.split('\n## ')[0] ?? '';
  const rows = section.split('\n').filter((line) => line.startsWith('| `'));
  return new Map(
    rows.map((line) => {
      const [, of = '', all = ''] = line.split('|').map((cell) => cell.trim());
      const pairs = [...all.matchAll(/`(\w+)` `([^`]*)`/g)];
      return [
        of.replaceAll('`', ''),
        Object.fromEntries(pairs.map(([, key, value]): [string, unknown] => [key ?? '', JSON.parse(value ?? '')])),
      ];
    }),
  );
}

test('the text says of every key that may be left out what is meant then, and of no other', () => {
  const schema = z.toJSONSchema(sceneShape, { io: 'input' }) as Schema;
  const text = defaultsOfText(readFileSync(new URL('../../../docs/scene-file.md', import.meta.url), 'utf8'));
  expect(text.size).toBeGreaterThan(30);
  expect(Object.fromEntries(text)).toEqual(Object.fromEntries(defaultsIn(schema, '', new Map())));
});
