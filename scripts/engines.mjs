// npm run engines: plays outputs in three engines and writes bench/engines.md.
import { bin, ensureChromium, ensureEngines, ensurePackages, run } from './steps.mjs';

await ensurePackages();
await ensureChromium();
await ensureEngines();
process.exitCode = await run(bin('tsx'), ['--tsconfig', 'tsconfig.tools.json', 'bench/engines/run.ts']);
