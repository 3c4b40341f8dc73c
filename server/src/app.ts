import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';

/** Everything the editor loads comes from here; previews of outputs run in sandboxed frames. */
export const CONTENT_SECURITY_POLICY = [
  "default-src 'self'",
  "script-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' blob: data:",
  "font-src 'self'",
  "worker-src 'self' blob:",
  "frame-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'none'",
].join('; ');

/** The server of the built editor in `folder`: static files, and the editor's page for every address that is one of its views. */
export function createApp(folder: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.set({
      'Content-Security-Policy': CONTENT_SECURITY_POLICY,
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
      'Cross-Origin-Opener-Policy': 'same-origin',
    });
    next();
  });
  app.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(folder, { index: false, cacheControl: false }));
  app.get('/{*splat}', (_request, response) => {
    const page = join(folder, 'index.html');
    if (existsSync(page)) response.set('Cache-Control', 'no-cache').sendFile(page);
    else response.status(503).type('text/plain').send('The editor is not built yet: run "npm run build".\n');
  });
  return app;
}
