// npm run hostile: attacks the built application and writes bench/reliability.md. Parts by name: npm run hostile -- mutations kills=50
import { bin, build, ensureChromium, ensurePackages, run } from './steps.mjs';

await ensurePackages();
await ensureChromium();
await build();
process.exitCode = await run(bin('tsx'), [
  '--tsconfig',
  'tsconfig.tools.json',
  'hostile/run.ts',
  ...process.argv.slice(2),
]);
