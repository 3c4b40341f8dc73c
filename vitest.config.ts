import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  resolve: {
    alias: [
      { find: /^@pace-line\/core$/, replacement: at('core/src/index.ts') },
      { find: '@pace-line/core/findings', replacement: at('core/src/checks/all.ts') },
      { find: '@pace-line/core/lettering', replacement: at('core/src/import/art/lettering.ts') },
      { find: '@pace-line/core/art-import', replacement: at('core/src/import/art/index.ts') },
    ],
  },
  test: {
    include: [
      'core/src/**/*.test.ts',
      'cli/src/**/*.test.ts',
      'plugin/src/**/*.test.ts',
      'server/src/**/*.test.ts',
      'editor/src/**/*.test.{ts,tsx}',
      'samples/**/*.test.ts',
      'hostile/**/*.test.ts',
    ],
    // All processors: what is measured is compared within one run, in one worker.
    maxWorkers: availableParallelism(),
    // Against slow references on a machine that is shared; what hangs ends all the same.
    testTimeout: 180_000,
  },
});
