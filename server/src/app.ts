import { existsSync, readFileSync } from 'node:fs';
import type { ServerResponse } from 'node:http';
import { basename, join, resolve } from 'node:path';
import express, { type Express, type Response } from 'express';
import compressed from 'express-static-gzip';
import { onlyFor, onlyReading, plainErrors } from './doors.ts';
import { PREVIEW_POLICY, secured } from './headers.ts';

/** The addresses that are views of the editor; it says itself that there is nothing at any other. */
const VIEWS = ['/', '/scene/:id', '/scene/:id/send', '/open', '/help'];

/** Files are sent as they were compressed when they were built, to browsers that take that. */
const COMPRESSED = { enableBrotli: true, orderPreference: ['br', 'gz'] };

/** Whether a file is the page in which previews run, compressed or not. */
const isPreview = (path: string): boolean => /^preview\.html(?:\.br|\.gz)?$/.test(basename(path));

export interface AppOptions {
  /** Names beside those of this machine itself by which the server may be asked. */
  readonly hosts?: readonly string[];
  /** The folder of the address under which a proxy shows it, with a slash at both ends; what the proxy leaves of it in what it asks for is taken off. */
  readonly base?: string;
}

/** A folder as it stands in an address. @throws where it is none. */
export function baseOf(given: string): string {
  const base = `/${given.replace(/^\/+|\/+$/g, '')}/`.replace('//', '/');
  if (!/^\/(?:[\w.~-]+\/)*$/.test(base)) throw new Error(`"${given}" is no folder of an address, such as /tools/pace/`);
  return base;
}

/** The editor's page, which is told its folder and asks for its parts there, whichever of its views it is. */
function pageUnder(root: string, base: string): string | undefined {
  const file = join(root, 'index.html');
  if (!existsSync(file)) return undefined;
  const page = readFileSync(file, 'utf8').replace(/((?:src|href)=")\.?\/(?!\/)/g, `$1${base}`);
  return base === '/' ? page : page.replace('<head>', `<head>\n    <meta name="pace-line-base" content="${base}" />`);
}

/** The server of the built editor in `folder`: static files, and the editor's page for every address that is one of its views. */
export function createApp(folder: string, { hosts = [], base = '/' }: AppOptions = {}): Express {
  const root = resolve(folder);
  const app = express();
  app.disable('x-powered-by');
  app.use(secured, onlyFor(hosts), onlyReading);
  app.use((request, _response, next) => {
    if (request.url.startsWith(base)) request.url = request.url.slice(base.length - 1);
    next();
  });
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
    const text = pageUnder(root, base);
    if (text !== undefined) response.status(status).set('Cache-Control', 'no-cache').type('html').send(text);
    else response.status(503).type('text/plain').send('The editor is not built yet: run "npm run build".\n');
  };
  app.get(VIEWS, (_request, response) => page(response, 200));
  app.get('/{*splat}', (_request, response) => page(response, 404));
  app.use(plainErrors);
  return app;
}
