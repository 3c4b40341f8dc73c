import { existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer, get, type IncomingHttpHeaders, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { createApp } from './app.ts';
import { CONTENT_SECURITY_POLICY, PREVIEW_POLICY } from './headers.ts';

const outside = mkdtempSync(join(tmpdir(), 'pace-line-server-'));
const folder = join(outside, 'site');
writeFileSync(join(outside, 'secret.txt'), 'a secret');
mkdirSync(folder);
mkdirSync(join(folder, 'assets'));
writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Pace Line</title>');
writeFileSync(join(folder, 'assets', 'a.js'), 'export {}');
writeFileSync(join(folder, 'assets', 'a.js.br'), brotliCompressSync('export {}'));

describe('the server', () => {
  test.each(['/', '/scene/abc', '/scene/abc/send', '/help', '/help?from=abc'])(
    '%s is the editor’s page, under the policy',
    async (address) => {
      const response = await request(createApp(folder)).get(address);
      expect(response.status).toBe(200);
      expect(response.text).toContain('Pace Line');
      expect(response.headers['content-security-policy']).toBe(CONTENT_SECURITY_POLICY);
      expect(response.headers['x-content-type-options']).toBe('nosniff');
      expect(response.headers['x-powered-by']).toBeUndefined();
    },
  );
  test.each(['/nowhere', '/scene', '/scene/abc/else', '/.git/config', '/index.php'])(
    '%s is not there, which the editor says in its own look',
    async (address) => {
      const response = await request(createApp(folder)).get(address);
      expect(response.status).toBe(404);
      expect(response.text).toContain('Pace Line');
    },
  );
  test('previews run under a policy of their own, without an origin, and only in the editor’s frames', async () => {
    writeFileSync(join(folder, 'preview.html'), '<!doctype html><title>Preview</title>');
    const response = await request(createApp(folder)).get('/preview.html');
    expect(response.status).toBe(200);
    expect(response.headers['content-security-policy']).toBe(PREVIEW_POLICY);
    expect(PREVIEW_POLICY).toContain('sandbox allow-scripts');
    expect(PREVIEW_POLICY).not.toContain('allow-same-origin');
    expect(PREVIEW_POLICY).toContain("default-src 'none'");
  });
  test('the policy goes with what is sent, however its address is spelled', async () => {
    writeFileSync(join(folder, 'preview.html'), '<!doctype html><title>Preview</title>');
    const app = createApp(folder);
    const spelled = ['/preview%2Ehtml', '/%70review.html', '/./preview.html', '//preview.html', '/x/../preview.html'];
    for (const path of [
      ...spelled,
      '/PREVIEW.html',
      '/preview.html/',
      '/preview.html/x',
      '/preview.html%00',
      '/preview.htm',
    ]) {
      const { bytes, headers } = await answer(app, path);
      const isPreview = bytes.toString().includes('<title>Preview');
      expect([path, headers['content-security-policy']]).toEqual([
        path,
        isPreview ? PREVIEW_POLICY : CONTENT_SECURITY_POLICY,
      ]);
    }
  });
  test('assets are kept for long, missing ones are missing', async () => {
    const app = createApp(folder);
    expect((await request(app).get('/assets/a.js')).headers['cache-control']).toContain('immutable');
    expect((await request(app).get('/assets/none.js')).status).toBe(404);
  });
  test('what was compressed when it was built is sent so, to whom takes it', async () => {
    const app = createApp(folder);
    const brotli = await answer(app, '/assets/a.js', { 'Accept-Encoding': 'gzip, br' });
    expect(brotli.headers['content-encoding']).toBe('br');
    expect(brotli.headers['content-type']).toContain('javascript');
    expect(brotliDecompressSync(brotli.bytes).toString()).toBe('export {}');
    const plain = await request(app).get('/assets/a.js').set('Accept-Encoding', 'identity');
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.text).toBe('export {}');
  });
  test('an error is a few words: no stack, no path of this machine', async () => {
    for (const address of ['/assets/none.js', '/%', '/assets/%2e%2e/%00', '/%c0%ae']) {
      const text = await sent(createApp(folder), address);
      expect(text, address).not.toMatch(/\bat .*:\d+:\d+|node_modules|\/tmp\//);
      expect(text.length, address).toBeLessThan(300);
    }
  });
  test.each(['post', 'put', 'delete', 'patch', 'options'] as const)('%s changes nothing here', async (method) => {
    const response = await request(createApp(folder))[method]('/');
    expect(response.status).toBe(405);
    expect(response.headers['allow']).toBe('GET, HEAD');
  });
  test('only who asks for it by a name it has is answered', async () => {
    const app = createApp(folder, { hosts: ['desk.local'] });
    const by = async (host: string): Promise<number> => (await request(app).get('/').set('Host', host)).status;
    for (const host of ['127.0.0.1:4173', 'localhost', 'LOCALHOST:80', '[::1]:4173', 'desk.local:4173'])
      expect(await by(host), host).toBe(200);
    for (const host of ['elsewhere.example', '127.0.0.1.elsewhere.example', 'localhost.evil', '169.254.0.1'])
      expect(await by(host), host).toBe(421);
  });
  test('under a folder whose name begins with a dot it serves as well', async () => {
    const hidden = join(outside, '.hidden', 'site');
    mkdirSync(join(hidden, 'assets'), { recursive: true });
    writeFileSync(join(hidden, 'index.html'), '<!doctype html><title>Pace Line</title>');
    writeFileSync(join(hidden, 'assets', 'a.js'), 'export {}');
    expect((await request(createApp(hidden)).get('/scene/abc')).status).toBe(200);
    expect((await request(createApp(hidden)).get('/assets/a.js')).status).toBe(200);
  });
  test('before a build it says what to do', async () => {
    const response = await request(createApp(join(folder, 'none'))).get('/');
    expect(response.status).toBe(503);
    expect(response.text).toContain('npm run build');
  });
  test('the policy lets no script from outside in', () => {
    expect(CONTENT_SECURITY_POLICY).toContain("script-src 'self'");
    expect(CONTENT_SECURITY_POLICY).toContain("object-src 'none'");
    for (const part of ["frame-ancestors 'none'", "form-action 'none'"])
      expect(CONTENT_SECURITY_POLICY).toContain(part);
    expect(CONTENT_SECURITY_POLICY).not.toMatch(/https?:|\*|unsafe-eval/);
  });
});

interface Answer {
  readonly headers: IncomingHttpHeaders;
  readonly bytes: Buffer;
}

/** What a server sends for an address that goes out exactly as it is written; a client would tidy it up first. */
async function answer(listener: RequestListener, path: string, headers: Record<string, string> = {}): Promise<Answer> {
  const server = createServer(listener).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise<Answer>((resolve, reject) => {
      get({ port, path, host: '127.0.0.1', headers }, (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => resolve({ headers: response.headers, bytes: Buffer.concat(chunks) }));
      }).on('error', reject);
    });
  } finally {
    server.close();
  }
}

const sent = async (listener: RequestListener, path: string): Promise<string> =>
  (await answer(listener, path)).bytes.toString();

/** What a server must not be: it opens whatever the address says. */
const careless: RequestListener = (incoming, response) => {
  const file = join(folder, decodeURIComponent(incoming.url ?? ''));
  response.end(existsSync(file) ? readFileSync(file) : 'nothing');
};

describe('what lies outside the folder', () => {
  test.each([
    '/../secret.txt',
    '/..%2fsecret.txt',
    '/%2e%2e/secret.txt',
    '/assets/../../secret.txt',
    '/assets/..%2f..%2fsecret.txt',
  ])('%s gives nothing of it, where a careless server would', async (address) => {
    expect(await sent(careless, address)).toBe('a secret');
    expect(await sent(createApp(folder), address)).not.toContain('a secret');
  });
});
