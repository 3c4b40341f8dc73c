import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  root: at('.'),
  plugins: [react()],
  resolve: {
    alias: [
      { find: /^@pace-line\/core$/, replacement: at('../core/src/index.ts') },
      { find: '@pace-line/core/art-import', replacement: at('../core/src/import/art/index.ts') },
    ],
  },
  worker: { format: 'es' },
  build: { target: 'es2023', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 5173, fs: { allow: [at('..')] } },
});
