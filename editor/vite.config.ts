import { fileURLToPath } from 'node:url';
import paceLine from '@pace-line/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { CONTENT_SECURITY_POLICY } from '../server/src/headers.ts';

const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** The policy of the server that ships, but for what reloading while one writes needs: a script of the page's own and a socket. */
const policy = `${CONTENT_SECURITY_POLICY.replace("script-src 'self'", "script-src 'self' 'unsafe-inline'")}; connect-src 'self' ws:`;

export default defineConfig({
  root: at('.'),
  // What is built asks for its parts beside itself: the server says under which folder that is.
  base: './',
  // Compressed once, here: the server sends what a browser takes.
  plugins: [paceLine(), react(), compression({ algorithms: ['brotliCompress', 'gzip'], threshold: 1024 })],
  resolve: {
    alias: [
      { find: /^@pace-line\/core$/, replacement: at('../core/src/index.ts') },
      { find: '@pace-line/core/findings', replacement: at('../core/src/checks/all.ts') },
      { find: '@pace-line/core/lettering', replacement: at('../core/src/import/art/lettering.ts') },
      { find: '@pace-line/core/art-import', replacement: at('../core/src/import/art/index.ts') },
    ],
  },
  worker: { format: 'es' },
  build: {
    target: 'es2023',
    chunkSizeWarningLimit: 900,
    // The second page paints pixels for the command line.
    rollupOptions: { input: [at('index.html'), at('render.html')] },
  },
  server: {
    host: '127.0.0.1',
    port: 5173,
    fs: { allow: [at('..')] },
    headers: { 'Content-Security-Policy': policy },
  },
});
