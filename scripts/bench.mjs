// npm run bench: measures core, export and editor, and writes bench/results.md.
import { bin, build, ensureChromium, ensurePackages, run } from './steps.mjs';

await ensurePackages();
await ensureChromium();
await build();
process.exitCode = await run(bin('tsx'), ['bench/run.ts', ...process.argv.slice(2)]);
