import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import { API_FOLDER, apiPages } from './api-pages.ts';

// npm run api-pages: the pages of the programming interface, from the comments of what the packages export. The packages are built before.
mkdirSync(API_FOLDER, { recursive: true });
for (const name of readdirSync(API_FOLDER)) rmSync(join(API_FOLDER, name));
for (const [name, text] of apiPages())
  writeFileSync(join(API_FOLDER, name), await format(text, { parser: 'markdown', printWidth: 120, singleQuote: true }));
