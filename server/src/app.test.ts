import { existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer, get, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { CONTENT_SECURITY_POLICY, createApp } from './app.ts';

const outside = mkdtempSync(join(tmpdir(), 'pace-line-server-'));
const folder = join(outside, 'site');
writeFileSync(join(outside, 'secret.txt'), 'a secret');
mkdirSync(folder);
mkdirSync(join(folder, 'assets'));
writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Pace Line</title>');
writeFileSync(join(folder, 'assets', 'a.js'), 'export {}');

describe('the server', () => {
  test.each(['/', '/scene/abc', '/scene/abc/send', '/help', '/nowhere'])(
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
  test('assets are kept for long, missing ones are missing', async () => {
    const app = createApp(folder);
    expect((await request(app).get('/assets/a.js')).headers['cache-control']).toContain('immutable');
    expect((await request(app).get('/assets/none.js')).status).toBe(404);
  });
  test('before a build it says what to do', async () => {
    const response = await request(createApp(join(folder, 'none'))).get('/');
    expect(response.status).toBe(503);
    expect(response.text).toContain('npm run build');
  });
  test('the policy lets no script from outside in', () => {
    expect(CONTENT_SECURITY_POLICY).toContain("script-src 'self'");
    expect(CONTENT_SECURITY_POLICY).toContain("object-src 'none'");
    expect(CONTENT_SECURITY_POLICY).not.toMatch(/https?:|\*|unsafe-eval/);
  });
});

/** What a server sends for an address that goes out exactly as it is written; a client would tidy it up first. */
async function sent(listener: RequestListener, path: string): Promise<string> {
  const server = createServer(listener).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise<string>((resolve, reject) => {
      get({ port, path, host: '127.0.0.1' }, (response) => {
        let text = '';
        response.on('data', (chunk) => (text += String(chunk)));
        response.on('end', () => resolve(text));
      }).on('error', reject);
    });
  } finally {
    server.close();
  }
}

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
