import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  root: at('.'),
  // Compressed once, here: the server sends what a browser takes.
  plugins: [react(), compression({ algorithms: ['brotliCompress', 'gzip'], threshold: 1024 })],
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
