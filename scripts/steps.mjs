// What the scripts share: running a program, installing what is missing, finding Chromium.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** Runs a program with its output shown; gives its exit code. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options });
    child.on('error', (error) => {
      console.error(`${command} cannot be started: ${error.message}`);
      resolve(127);
    });
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
}

/** Runs a program and keeps what it says; gives that and its exit code. */
export function heard(command, args) {
  return new Promise((resolve) => {
    const parts = [];
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    child.stdout.on('data', (part) => parts.push(part));
    child.stderr.on('data', (part) => parts.push(part));
    child.on('error', (error) => resolve({ code: 127, output: `${command} cannot be started: ${error.message}` }));
    child.on('close', (code) => resolve({ code: code ?? 1, output: Buffer.concat(parts).toString() }));
  });
}

/** A program of node_modules. */
export const bin = (name) => join(root, 'node_modules', '.bin', name);

/** Installs the packages of the lock file where they are missing or older than it. */
export async function ensurePackages() {
  const mark = join(root, 'node_modules', '.package-lock.json');
  const lock = join(root, 'package-lock.json');
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs) return;
  if (existsSync(mark) && sameLocks(mark, lock)) return;
  console.log('Installing packages…');
  const code = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  if (code !== 0) fail('The packages could not be installed (npm ci).');
}

function sameLocks(mark, lock) {
  const versions = (file) =>
    Object.entries(JSON.parse(readFileSync(file, 'utf8')).packages)
      .filter(([path, entry]) => path.startsWith('node_modules/') && !entry.link && !entry.optional)
      .map(([path, { version }]) => `${path}@${version}`)
      .sort()
      .join('\n');
  return versions(mark) === versions(lock);
}

export const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';

const canInstall = () =>
  process.getuid?.() === 0 && spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0;

/** Installs packages of the system, quietly; whether it went well. */
async function installed(packages) {
  const options = {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    stdio: ['ignore', 'ignore', 'inherit'],
  };
  await run('apt-get', ['update', '-qq'], options);
  return (await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], options)) === 0;
}

/** Installs Debian's Chromium where it is absent and the user may; else says which command to run. */
export async function ensureChromium() {
  if (existsSync(chromium)) return;
  if (!canInstall())
    fail('The browser tests need Chromium: run  sudo apt-get install chromium  (or set CHROMIUM to its path).');
  console.log('Installing Chromium from the system’s packages…');
  if (!(await installed(['chromium', 'fonts-dejavu-core'])) || !existsSync(chromium))
    fail('Chromium could not be installed: run  apt-get install chromium');
}

/** Installs what decodes the files of pixels in the tests; without it those tests are skipped, and it is said. */
export async function ensureDecoders() {
  const isThere = (program) => spawnSync(program, ['-version'], { stdio: 'ignore' }).error === undefined;
  if (isThere('ffmpeg') && isThere('webpmux')) return;
  if (canInstall()) {
    console.log('Installing decoders from the system’s packages…');
    if (await installed(['ffmpeg', 'webp'])) return;
  }
  console.log('Without ffmpeg and webp the tests by independent decoders are skipped: apt-get install ffmpeg webp');
}

/** Installs the two other engines, and a screen that is none for the one that needs it. */
export async function ensureEngines() {
  if (existsSync('/usr/bin/firefox-esr') && existsSync('/usr/bin/WebKitWebDriver') && existsSync('/usr/bin/xvfb-run'))
    return;
  const packages = ['firefox-esr', 'webkit2gtk-driver', 'xvfb', 'xauth'];
  const words = `apt-get install ${packages.join(' ')}`;
  if (!canInstall()) fail(`The other engines are needed: run  sudo ${words}`);
  console.log('Installing the other engines from the system’s packages…');
  if (!(await installed(packages))) fail(`They could not be installed: run  ${words}`);
}

export async function build() {
  const code = await run(bin('tsc'), ['-b', 'core', 'cli', 'server', 'plugin']);
  if (code !== 0) fail('The core, the command line or the server does not compile.');
  if ((await run(bin('vite'), ['build', 'cli', '--logLevel', 'error'])) !== 0) fail('The command line does not build.');
  if ((await run(bin('vite'), ['build', 'plugin', '--logLevel', 'error'])) !== 0) fail('The plug-in does not build.');
  if ((await run(bin('vite'), ['build', 'editor', '--logLevel', 'error'])) !== 0) fail('The editor does not build.');
}

export function fail(message) {
  console.error(message);
  process.exit(1);
}
