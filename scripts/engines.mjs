// npm run engines: plays outputs in three engines and writes bench/engines.md.
import { bin, build, ensureChromium, ensureEngines, ensurePackages, run } from './steps.mjs';

await ensurePackages();
await ensureChromium();
await ensureEngines();
await build();
process.exitCode = await run(bin('tsx'), ['--tsconfig', 'tsconfig.tools.json', 'bench/engines/run.ts']);
