// npm run dev: the editor with hot reload.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { bin, ensurePackages, fail, root, run } from './steps.mjs';

await ensurePackages();
// It draws the samples' pictures for the Shelf.
if (!existsSync(join(root, 'plugin', 'dist', 'index.js')) && (await run(bin('vite'), ['build', 'plugin'])) !== 0)
  fail('The plug-in does not build.');
process.exitCode = await run(bin('vite'), ['editor']);
