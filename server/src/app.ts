import { existsSync } from 'node:fs';
import type { ServerResponse } from 'node:http';
import { basename, join, resolve } from 'node:path';
import express, { type Express, type Response } from 'express';
import compressed from 'express-static-gzip';
import { onlyFor, onlyReading, plainErrors } from './doors.ts';
import { PREVIEW_POLICY, secured } from './headers.ts';

/** The addresses that are views of the editor; it says itself that there is nothing at any other. */
const VIEWS = ['/', '/scene/:id', '/scene/:id/send', '/help'];

/** Files are sent as they were compressed when they were built, to browsers that take that. */
const COMPRESSED = { enableBrotli: true, orderPreference: ['br', 'gz'] };

/** Whether a file is the page in which previews run, compressed or not. */
const isPreview = (path: string): boolean => /^preview\.html(?:\.br|\.gz)?$/.test(basename(path));

export interface AppOptions {
  /** Names beside those of this machine itself by which the server may be asked. */
  readonly hosts?: readonly string[];
}

/** The server of the built editor in `folder`: static files, and the editor's page for every address that is one of its views. */
export function createApp(folder: string, { hosts = [] }: AppOptions = {}): Express {
  const root = resolve(folder);
  const app = express();
  app.disable('x-powered-by');
  app.use(secured, onlyFor(hosts), onlyReading);
  // The name of a hashed asset changes with what is in it.
  app.use(
    '/assets',
    compressed(join(root, 'assets'), {
      ...COMPRESSED,
      index: false,
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }),
  );
  // The policy goes with the file that is sent, however its address was spelled.
  const setHeaders = (response: ServerResponse, path: string): void => {
    if (isPreview(path)) response.setHeader('Content-Security-Policy', PREVIEW_POLICY);
  };
  app.use(compressed(root, { ...COMPRESSED, index: false, serveStatic: { cacheControl: false, setHeaders } }));
  const page = (response: Response, status: number): void => {
    if (existsSync(join(root, 'index.html')))
      response.status(status).set('Cache-Control', 'no-cache').sendFile('index.html', { root, dotfiles: 'allow' });
    else response.status(503).type('text/plain').send('The editor is not built yet: run "npm run build".\n');
  };
  app.get(VIEWS, (_request, response) => page(response, 200));
  app.get('/{*splat}', (_request, response) => page(response, 404));
  app.use(plainErrors);
  return app;
}
