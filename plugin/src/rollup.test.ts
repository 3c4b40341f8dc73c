import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { rollup, type OutputAsset, type OutputChunk, type Plugin } from 'rollup';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { formatById, memorySink, QUIET_RUN, readScene, send, textOf } from '@pace-line/core';
import paceLine from './index.ts';

const SCENE = 'examples/page/tea-barrel.paceline.json';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'pace-line-'));
  cpSync(SCENE, join(folder, 'barrel.paceline.json'));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** What a build without Vite makes of an entry. */
async function built(entry: string): Promise<readonly (OutputChunk | OutputAsset)[]> {
  writeFileSync(join(folder, 'entry.js'), entry);
  const build = await rollup({ input: join(folder, 'entry.js'), plugins: [paceLine() as unknown as Plugin] });
  const { output } = await build.generate({ format: 'es' });
  await build.close();
  return output;
}

/** The first file of a format, as the command line writes it. */
async function written(id: string): Promise<string> {
  const read = readScene(readFileSync(SCENE, 'utf8'));
  if (!read.ok) throw new Error('no scene');
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(read.scene, format, format.options.parse({}), sink, QUIET_RUN);
  return textOf(files[0]!);
}

test('a build by Rollup alone imports modules, drawings and frames, the same as the command line writes', async () => {
  const [chunk, asset] = await built(
    `import { mount } from './barrel.paceline.json?module';
import svg from './barrel.paceline.json?svg';
import url from './barrel.paceline.json?url';
import frames from './barrel.paceline.json?frames';
export { mount, svg, url, frames };`,
  );
  if (chunk?.type !== 'chunk' || asset?.type !== 'asset') throw new Error('no chunk and file');
  expect(asset.source).toBe(await written('animated-svg'));
  expect(asset.fileName).toMatch(/\.svg$/);
  expect(chunk.code).toContain(asset.fileName);
  const svg = await written('animated-svg');
  const module = await written('module');
  expect(chunk.code).toContain(JSON.stringify(svg));
  expect(chunk.code).toContain(/const TRACKS = [\s\S]*?\n\];/.exec(module)![0]);
  expect(chunk.code).toContain(JSON.stringify((JSON.parse(await written('frames-json')) as { name: string }).name));
  expect(chunk.exports).toEqual(['frames', 'mount', 'svg', 'url']);
});

test('so does it import a component, whose library stays outside', async () => {
  const [chunk] = await built(`export { default } from './barrel.paceline.json?react';`);
  expect(chunk?.type === 'chunk' && chunk.imports).toEqual(['react']);
  expect(chunk?.type === 'chunk' && chunk.code).toContain('const TRACKS');
});

test('what is wrong is said with the file', async () => {
  writeFileSync(join(folder, 'barrel.paceline.json'), '{');
  await expect(built(`import './barrel.paceline.json?svg';`)).rejects.toThrow(/barrel\.paceline\.json/);
});
