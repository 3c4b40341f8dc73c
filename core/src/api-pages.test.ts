import * as fs from 'node:fs';
import { readdirSync, readFileSync } from 'node:fs';
import { runInThisContext } from 'node:vm';
import { transform } from 'esbuild';
import { describe, expect, test, vi } from 'vitest';
import * as core from './index.ts';
import * as lettering from './import/art/lettering.ts';

const FOLDER = new URL('../../docs/api/', import.meta.url);
const pages = readdirSync(FOLDER).map((name) => ({ name, text: readFileSync(new URL(name, FOLDER), 'utf8') }));

test('every name that the packages export has its place on a page', () => {
  const told = new Set(pages.flatMap(({ text }) => [...text.matchAll(/^## (\S+)$/gm)].map(([, name]) => name)));
  // Whose words are in another package.
  const { z: _, ...own } = core;
  for (const name of [...Object.keys(own), ...Object.keys(lettering)])
    expect([name, told.has(name)], 'run `npm run build`, then `npm run api-pages`').toEqual([name, true]);
});

/** What examples import. */
const MODULES = { '@pace-line/core': core, '@pace-line/core/lettering': lettering, 'node:fs': fs };

/** What an example writes, and what it says it does: each call of console.log has its line in a comment. */
async function ran(example: string): Promise<{ written: string[]; said: string[] }> {
  const said = [...example.matchAll(/console\.log\(.*\);? \/\/ (.*)$/gm)].map(([, text]) => text!);
  const { code } = await transform(example, { loader: 'ts', format: 'esm' });
  const asked = code.replace(
    /import \{([^}]*)\} from "([^"]*)";/g,
    (_, names: string, from: string) => `const {${names.replaceAll(' as ', ': ')}} = modules[${JSON.stringify(from)}];`,
  );
  const written: string[] = [];
  const log = vi.spyOn(console, 'log').mockImplementation((...all: unknown[]) => void written.push(all.join(' ')));
  try {
    await (
      runInThisContext(`(async (modules) => {${asked}
})`) as (all: object) => Promise<void>
    )(MODULES);
  } finally {
    log.mockRestore();
  }
  return { written, said };
}

describe('examples write what they say', () => {
  const examples = pages.flatMap(({ name, text }) =>
    [...text.matchAll(/```ts\n(import [\s\S]*?)```/g)].map(([, example], i) => [`${name} ${i + 1}`, example!] as const),
  );
  test('there are some', () => expect(examples.length).toBeGreaterThanOrEqual(11));
  test.each(examples)('%s', async (_, example) => {
    const { written, said } = await ran(example);
    expect(said.length).toBeGreaterThan(0);
    expect(written).toEqual(said);
  });
});
