import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

// One file that needs no package: it is installed by itself.
export default defineConfig({
  root: at('.'),
  resolve: { alias: [{ find: /^@pace-line\/core$/, replacement: at('../core/src/index.ts') }] },
  ssr: { noExternal: true },
  build: {
    ssr: at('src/index.ts'),
    outDir: at('dist'),
    emptyOutDir: false,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'index.js' } },
  },
});
