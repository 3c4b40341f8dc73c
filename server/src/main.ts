import { fileURLToPath } from 'node:url';
import { baseOf, createApp } from './app.ts';

const DEFAULT_PORT = 4173;

const given = process.env['PORT'];
const port = given === undefined || given === '' ? DEFAULT_PORT : Number(given);
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  console.error(`PORT is "${given}"; a whole number from 0 to 65535 is needed.`);
  process.exit(2);
}

const folder = process.env['PACE_LINE_EDITOR'] ?? fileURLToPath(new URL('../../editor/dist', import.meta.url));
const hosts = (process.env['PACE_LINE_HOSTS'] ?? '')
  .split(',')
  .map((host) => host.trim())
  .filter(Boolean);
const base = baseOf(process.env['PACE_LINE_BASE'] ?? '/');
const server = createApp(folder, { hosts, base }).listen(port, '127.0.0.1');
server.on('listening', () => {
  const address = server.address();
  const actual = typeof address === 'object' && address ? address.port : port;
  console.log(`Pace Line is at http://127.0.0.1:${actual}${base}  (Ctrl+C ends it)`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE')
    console.error(
      `Port ${port} is taken by another program. End that one, or choose another port: PORT=${port + 1} npm run demo`,
    );
  else console.error(`The server cannot start: ${error.message}`);
  process.exit(1);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
