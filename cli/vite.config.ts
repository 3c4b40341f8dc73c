import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

// One file: a command that answers at once is not made of three hundred.
export default defineConfig({
  root: at('.'),
  resolve: {
    alias: [
      { find: /^@pace-line\/core$/, replacement: at('../core/src/index.ts') },
      { find: '@pace-line/core/findings', replacement: at('../core/src/checks/all.ts') },
      { find: '@pace-line/core/lettering', replacement: at('../core/src/import/art/lettering.ts') },
    ],
  },
  ssr: { noExternal: true },
  build: {
    ssr: at('src/main.ts'),
    outDir: at('dist'),
    emptyOutDir: false,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'pace-line.js' } },
  },
});
