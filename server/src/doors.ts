import type { ErrorRequestHandler, RequestHandler } from 'express';

/** Names by which this machine reaches itself. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/** The name in a Host header, without its port. */
const hostOf = (header: string): string => header.replace(/:\d*$/, '').toLowerCase();

/** Answers only those who asked for this server by a name it has: a page elsewhere could reach it by a name of its own that leads here. */
export const onlyFor =
  (hosts: readonly string[]): RequestHandler =>
  (request, response, next) => {
    const known = new Set([...LOOPBACK, ...hosts.map((host) => host.toLowerCase())]);
    if (known.has(hostOf(request.headers.host ?? ''))) return next();
    response.status(421).type('text/plain').send('This server answers only to the names it was given.\n');
  };

/** Nothing is changed through this server: it is only read. */
export const onlyReading: RequestHandler = (request, response, next) => {
  if (request.method === 'GET' || request.method === 'HEAD') return next();
  response.status(405).set('Allow', 'GET, HEAD').type('text/plain').send('This server is only read: GET or HEAD.\n');
};

const WORDS: Readonly<Record<number, string>> = {
  400: 'That address is not well written.',
  403: 'That is not served.',
  404: 'There is nothing at this address.',
};

/** An error in a few words: no stack and no path of this machine leaves it. */
export const plainErrors: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) return next(error);
  const given = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500;
  const status = given >= 400 && given < 600 ? given : 500;
  if (status >= 500) console.error(error);
  response
    .status(status)
    .type('text/plain')
    .send(`${WORDS[status] ?? 'Something went wrong here; the terminal says what.'}\n`);
};
