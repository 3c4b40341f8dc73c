// npm run bench: measures core, export and editor, and writes bench/results.md. The code is bundled as the editor's is, then run by Node.
import { join } from 'node:path';
import { build as bundle } from 'vite';
import { build, ensureChromium, ensurePackages, root, run } from './steps.mjs';

await ensurePackages();
await ensureChromium();
await build();
const outDir = join(root, 'bench', 'dist');
await bundle({
  configFile: false,
  logLevel: 'error',
  root,
  resolve: { alias: [{ find: /^@pace-line\/core$/, replacement: join(root, 'core/src/index.ts') }] },
  build: { ssr: 'bench/run.ts', outDir, emptyOutDir: true, minify: false, target: 'node20' },
});
process.exitCode = await run(process.execPath, ['--expose-gc', join(outDir, 'run.js'), ...process.argv.slice(2)]);
