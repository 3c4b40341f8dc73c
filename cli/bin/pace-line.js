#!/usr/bin/env node
import { existsSync } from 'node:fs';

const main = new URL('../dist/pace-line.js', import.meta.url);
if (existsSync(main)) await import(main.href);
else {
  process.stderr.write('pace-line: not built yet; run "npm run build" first\n');
  process.exit(2);
}
