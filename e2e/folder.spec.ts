import { once } from 'node:events';
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test } from '@playwright/test';
import { createApp } from '@pace-line/server';
import { savedScene } from './desk.ts';

const listening = async (server: Server): Promise<number> => {
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  return (server.address() as AddressInfo).port;
};

/** A proxy that shows a server under a folder and asks it for the rest of each address, or for all of it; everything else is another site's. */
const proxied = (folder: string, to: number, isStripped: boolean): Server =>
  createServer((asked, answer) => {
    const path = asked.url ?? '';
    if (!path.startsWith(folder)) return void answer.writeHead(410).end('another site');
    const rest = isStripped ? `/${path.slice(folder.length)}` : path;
    const headers = { ...asked.headers, host: 'quay.example' };
    const onward = request({ host: '127.0.0.1', port: to, path: rest, method: asked.method, headers }, (got) => {
      answer.writeHead(got.statusCode ?? 502, got.headers);
      got.pipe(answer);
    });
    asked.pipe(onward);
  });

for (const isStripped of [true, false])
  test(`behind a proxy that ${isStripped ? 'takes its folder off' : 'leaves its folder on'} every view works`, async ({
    page,
  }) => {
    const base = '/tools/pace/';
    const app = createServer(createApp('editor/dist', { hosts: ['quay.example'], base }));
    const proxy = proxied(base, await listening(app), isStripped);
    const root = `http://127.0.0.1:${await listening(proxy)}${base}`;
    const astray: string[] = [];
    page.on('response', (response) => {
      if (response.status() >= 400) astray.push(response.url());
    });
    await page.goto(root);
    await page.getByRole('button', { name: /^Open the sample Tea to the basket/ }).click();
    await expect(page.locator('.pace-line').first()).toBeVisible({ timeout: 15_000 });
    expect(page.url()).toMatch(new RegExp(`^${root}scene/`));
    await page.reload();
    await expect(page.locator('.pace-line').first()).toBeVisible();
    const { name } = await savedScene(page);
    expect(name).toBe('Tea to the basket');
    await page.getByRole('link', { name: /^Send/ }).click();
    await page
      .getByRole('button', { name: /^Web page/ })
      .first()
      .click();
    await expect(page.frameLocator('iframe').first().locator('svg').first()).toBeAttached({ timeout: 20_000 });
    await page.goto(`${root}help`);
    await expect(page.getByRole('link', { name: 'To the Shelf' })).toBeVisible();
    await page.getByRole('link', { name: 'To the Shelf' }).click();
    await expect(page).toHaveURL(root);
    expect(astray).toEqual([]);
    proxy.closeAllConnections();
    app.closeAllConnections();
    proxy.close();
    app.close();
  });
