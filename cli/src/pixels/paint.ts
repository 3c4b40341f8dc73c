import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import { writeScene, type Format, type Scene } from '@pace-line/core';
import { UsageError } from '../errors.ts';
import { findBrowser, openHeadless } from './browser.ts';

/** Something of pixels that is to be written, with all its options. */
export interface Painted {
  readonly format: Format;
  readonly options: Readonly<Record<string, unknown>>;
}

/** The editor as it is built: its program paints. */
const EDITOR = fileURLToPath(new URL('../../editor/dist', import.meta.url));

/** ms. A browser that says nothing for so long is given up. */
const SILENCE = 120_000;

/** Nothing but the page's own program runs, and nothing is asked for elsewhere. */
const POLICY =
  "default-src 'self'; script-src 'self'; worker-src 'self' blob:; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; font-src 'self' data:";

/** Who is told what is painted: each file by the output's place in the list, and from time to time the share of all, from 0 to 1. */
export interface Hears {
  readonly onFile: (output: number, name: string, bytes: Buffer) => void;
  readonly onProgress: (share: number) => void;
}

/** Writes outputs of pixels by a browser without a window; each file is handed over as it is there. */
export async function paintInBrowser(
  scene: Scene,
  outputs: readonly Painted[],
  { onFile, onProgress }: Hears,
  editor = EDITOR,
): Promise<void> {
  if (!existsSync(`${editor}/render.html`))
    throw new UsageError('the editor is not built yet; run "npm run build" first');
  const browser = findBrowser();
  const place = randomUUID();
  const asked = JSON.stringify({
    scene: writeScene(scene),
    outputs: outputs.map(({ format, options }) => ({ format: format.id, options })),
  });
  const talk = conversation(asked, { onFile, onProgress });
  const files = sirv(editor, { dev: false, brotli: true });
  const server = createServer((request, response) => {
    response.setHeader('content-security-policy', POLICY);
    const { port } = server.address() as AddressInfo;
    // Pages of elsewhere whose name leads here are not answered.
    if (request.headers.host !== `127.0.0.1:${port}`) return void response.writeHead(421).end();
    const path = request.url ?? '/';
    if (path.startsWith(`/${place}/`)) void talk.answer(request, response, path.slice(place.length + 2));
    else files(request, response, () => void response.writeHead(404).end());
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const headless = openHeadless(browser, `http://127.0.0.1:${port}/render.html#${place}`);
  headless.process.once('error', (error) => talk.fail(`${browser}: it cannot be run (${error.message})`));
  headless.process.once('exit', () => talk.fail(`${browser}: it ended before all was painted`));
  try {
    await talk.ended;
  } finally {
    server.closeAllConnections();
    server.close();
    await headless.close();
  }
}

interface Conversation {
  readonly answer: (request: IncomingMessage, response: ServerResponse, what: string) => Promise<void>;
  readonly fail: (message: string) => void;
  /** Settles when all is painted, or cannot be. */
  readonly ended: Promise<void>;
}

/** What the page asks and says. */
function conversation(asked: string, { onFile, onProgress }: Hears): Conversation {
  let resolve: () => void = () => undefined;
  let reject: (error: UsageError) => void = () => undefined;
  const ended = new Promise<void>((done, failed) => {
    resolve = done;
    reject = failed;
  });
  let timer: NodeJS.Timeout;
  const fail = (message: string): void => {
    clearTimeout(timer);
    reject(new UsageError(message));
  };
  const heard = (): void => {
    clearTimeout(timer);
    // The server is what is waited for: a last word that comes late holds nothing up.
    timer = setTimeout(() => fail('the browser that paints does not answer'), SILENCE).unref();
  };
  heard();
  const answer = async (request: IncomingMessage, response: ServerResponse, what: string): Promise<void> => {
    heard();
    if (request.method === 'GET' && what === 'asked')
      return void response.writeHead(200, { 'content-type': 'application/json' }).end(asked);
    try {
      const chunks: Buffer[] = [];
      for await (const chunk of request) {
        heard();
        chunks.push(chunk as Buffer);
      }
      const body = Buffer.concat(chunks);
      const [, output, name] = /^file\/(\d+)\/([^/]+)$/.exec(what) ?? [];
      if (name !== undefined) onFile(Number(output), basename(decodeURIComponent(name)), body);
      response.end();
      if (what === 'progress') onProgress(Number(body.toString()));
      if (what === 'failed') fail(body.toString());
      if (what === 'done') {
        clearTimeout(timer);
        resolve();
      }
    } catch (error) {
      response.destroy();
      fail(error instanceof Error ? error.message : String(error));
    }
  };
  return { answer, fail, ended };
}
