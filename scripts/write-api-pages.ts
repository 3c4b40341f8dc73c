import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import { API_FOLDER, apiPages } from './api-pages.ts';

// npm run api-pages: the pages of the programming interface, from the comments of what the packages export, once they are built. With --check they are compared.
mkdirSync(API_FOLDER, { recursive: true });
const pages = new Map<string, string>();
for (const [name, text] of apiPages())
  pages.set(name, await format(text, { parser: 'markdown', printWidth: 120, singleQuote: true }));
const there = readdirSync(API_FOLDER);
if (process.argv.includes('--check')) {
  const isAsMade = (name: string): boolean => {
    const path = join(API_FOLDER, name);
    return existsSync(path) && readFileSync(path, 'utf8') === pages.get(name);
  };
  const stale = [...new Set([...there, ...pages.keys()])].filter((name) => !isAsMade(name));
  if (stale.length > 0) console.error(`not as the comments are: ${stale.join(', ')}; run npm run api-pages`);
  process.exitCode = stale.length > 0 ? 1 : 0;
} else {
  for (const name of there) rmSync(join(API_FOLDER, name));
  for (const [name, text] of pages) writeFileSync(join(API_FOLDER, name), text);
}
