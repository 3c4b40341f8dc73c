// npm run dev: the editor with hot reload.
import { bin, ensurePackages, run } from './steps.mjs';

await ensurePackages();
process.exitCode = await run(bin('vite'), ['editor']);
