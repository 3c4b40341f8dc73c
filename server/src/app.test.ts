import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { CONTENT_SECURITY_POLICY, createApp } from './app.ts';

const folder = mkdtempSync(join(tmpdir(), 'pace-line-server-'));
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
    expect((await request(app).get('/assets/..%2f..%2fetc%2fpasswd')).text).not.toContain('root:');
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
