// npm run demo: installs what is missing, builds, serves the application with its samples.
import { build, ensurePackages, root, run } from './steps.mjs';
import { join } from 'node:path';

await ensurePackages();
console.log('Building…');
await build();
process.exitCode = await run(process.execPath, [join(root, 'server', 'dist', 'main.js')]);
