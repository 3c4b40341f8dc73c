import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { format as formatted } from 'prettier';
import { afterAll, describe, expect, test } from 'vitest';
import { build, type Rolldown } from 'vite';
import { pluginTypes } from '../../scripts/plugin-types.ts';
import { run } from '../../cli/src/run.ts';
import paceLine from './index.ts';
import { placeOfPath } from './place.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
const sample = join(root, 'samples/scenes/two-ferries.paceline.json');
// Below the project, whose packages it has.
const folder = mkdtempSync(join(root, 'plugin/.test-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

type Settings = Parameters<typeof paceLine>[0];

/** A project whose entry is a text, with the sample beside it; what is built of it. */
async function built(
  name: string,
  entry: string,
  settings: Settings = {},
  scene?: string,
): Promise<Rolldown.OutputChunk[] | Rolldown.RolldownOutput['output']> {
  const project = join(folder, name);
  mkdirSync(project, { recursive: true });
  if (scene === undefined) cpSync(sample, join(project, 'ferries.paceline.json'));
  else writeFileSync(join(project, 'ferries.paceline.json'), scene);
  writeFileSync(join(project, 'main.js'), entry);
  const { output } = (await build({
    root: project,
    configFile: false,
    logLevel: 'silent',
    cacheDir: join(project, '.cache'),
    plugins: [paceLine(settings)],
    build: {
      write: false,
      minify: false,
      cssCodeSplit: false,
      rollupOptions: { input: join(project, 'main.js'), external: /^react/, preserveEntrySignatures: 'strict' },
    },
  })) as Rolldown.RolldownOutput;
  return output;
}

const chunkOf = (output: Awaited<ReturnType<typeof built>>): string => {
  const [chunk] = output;
  return chunk?.type === 'chunk' ? chunk.code : '';
};

const assetOf = (output: Awaited<ReturnType<typeof built>>, ending: string): string => {
  const asset = output.find((one) => one.type === 'asset' && one.fileName.endsWith(ending));
  return asset?.type === 'asset' ? String(asset.source) : '';
};

/** What the command line writes. */
async function byCommand(format: string, ...settings: string[]): Promise<string> {
  const out = join(folder, 'by-command', format);
  const said: string[] = [];
  const set = settings.flatMap((one) => ['--set', one]);
  await run(['export', sample, '--to', format, '--out', `${out}/`, ...set], {
    out: (text) => said.push(text),
    err: (text) => said.push(text),
  });
  return readFileSync(said[0]!.trim(), 'utf8');
}

const loaded = (code: string): Promise<Record<string, unknown>> =>
  import(/* @vite-ignore */ `data:text/javascript;base64,${Buffer.from(code).toString('base64')}`) as Promise<
    Record<string, unknown>
  >;

describe('in a build', () => {
  test('each way of importing a scene gives the bytes that the command line writes', async () => {
    const output = await built(
      'all',
      `import svg from './ferries.paceline.json?svg';
import small from './ferries.paceline.json?svg&background=false&scale=0.5';
import address from './ferries.paceline.json?url';
import frames from './ferries.paceline.json?frames';
import './ferries.paceline.json?css';
import { sample } from './ferries.paceline.json?module';
export { svg, small, address, frames, sample };`,
    );
    const { svg, small, address, frames, sample: told } = await loaded(chunkOf(output));
    const drawing = await byCommand('animated-svg');
    expect(svg).toBe(drawing);
    expect(small).toBe(await byCommand('animated-svg', 'background=false', 'scale=0.5'));
    expect(address).toMatch(/^\/assets\/ferries-[\w-]+\.svg$/);
    expect(assetOf(output, '.svg')).toBe(drawing);
    expect(frames).toEqual(JSON.parse(await byCommand('frames-json')));
    const rules = await byCommand('css', 'rider=*');
    expect(assetOf(output, '.css').replace(/\s/g, '')).toContain('@keyframesferry-a-x');
    expect(rules).toContain('@keyframes ferry-a-x');
    const own = (await loaded(await byCommand('module')))['sample'] as (share: number) => object;
    expect((told as typeof own)(0.3)).toEqual(own(0.3));
  });

  test('a component imports its module, and is what the command line writes', async () => {
    const code = chunkOf(await built('react', `export { default } from './ferries.paceline.json?react';`));
    expect(code).toContain('aspectRatio: "1280 / 720"');
    expect(code).toMatch(/from ['"]react['"]/);
    expect(code).toMatch(/TRACKS = \[/);
  });

  test('what was made is kept, and not made again until the scene or the options are others', async () => {
    const entry = `export { default } from './ferries.paceline.json?svg';`;
    const code = chunkOf(await built('kept', entry));
    const cache = join(folder, 'kept/.cache/pace-line');
    const [name] = (await import('node:fs')).readdirSync(cache);
    const kept = JSON.parse(readFileSync(join(cache, name!), 'utf8')) as { text: string }[];
    writeFileSync(join(cache, name!), JSON.stringify([{ ...kept[0], text: '<svg>kept</svg>' }]));
    expect(chunkOf(await built('kept', entry))).toContain('<svg>kept</svg>');
    expect(chunkOf(await built('kept', entry, { svg: { title: 'Another' } }))).not.toContain('<svg>kept</svg>');
    expect(code).not.toContain('<svg>kept</svg>');
  });

  test('what is wrong is said with the file and its place', async () => {
    const text = readFileSync(sample, 'utf8');
    const at = text.indexOf('"duration"');
    const wrong = text.replace(/"duration": ?[\d.]+/, '"duration": -4');
    const line = text.slice(0, at).split('\n').length;
    const entry = `export { default } from './ferries.paceline.json?svg';`;
    await expect(built('wrong', entry, {}, wrong)).rejects.toThrow(/ferries\.paceline\.json: clock\.duration: /);
    const error = await built('wrong', entry, {}, wrong).catch(
      (one: unknown) => one as { errors?: { loc?: { line: number } }[] },
    );
    expect(JSON.stringify(error, ['errors', 'loc', 'line', 'file'])).toContain(`"line":${line}`);
    await expect(built('none', entry, {}, '{ "format": ')).rejects.toThrow(/ferries\.paceline\.json: /);
    await expect(built('option', `export { default } from './ferries.paceline.json?svg&colour=red';`)).rejects.toThrow(
      'animated-svg has no option "colour"',
    );
  });

  test('types name the riders and their marks: a misspelt one does not compile', async () => {
    await built(
      'typed',
      `export { mount } from './ferries.paceline.json?module';\nexport { default } from './ferries.paceline.json?react';`,
      {
        types: 'loops.d.ts',
      },
    );
    const project = join(folder, 'typed');
    expect(existsSync(join(project, 'loops.d.ts'))).toBe(true);
    expect(problemsIn(project, 'loops.d.ts')).toEqual([
      expect.stringContaining(`"ferry-z"`),
      expect.stringContaining(`'"ferry-a 99"'`),
    ]);
  });

  test('without them there are types that all loops have in common, as core has them', async () => {
    const project = join(folder, 'common');
    mkdirSync(project, { recursive: true });
    const text = await formatted(await pluginTypes(), { parser: 'typescript', printWidth: 120, singleQuote: true });
    expect(readFileSync(join(root, 'plugin/client.d.ts'), 'utf8')).toBe(text);
    expect(problemsIn(project, join(root, 'plugin/client.d.ts'))).toEqual([expect.stringContaining(`'"ferry-a"'`)]);
  });
});

/** What a compiler finds wrong in a page that names riders and marks. */
function problemsIn(project: string, types: string): string[] {
  const page = join(project, 'page.ts');
  const isCommon = !types.startsWith('loops');
  writeFileSync(
    page,
    `import { mount, sample } from './ferries.paceline.json?module';
import Loop from './ferries.paceline.json?react';
const made = mount(document.body, { driver: 'click' });
export const x: number = sample('ferry-a', 0.5).x;
made.seek('ferry-a 2');
made.on('mark', ({ mark }) => mark.toFixed());
${isCommon ? `made.seek('ferry-a');` : `sample('ferry-z');\nmade.seek('ferry-a 99');`}
export { Loop };
`,
  );
  const program = ts.createProgram(
    [page, join(types.startsWith('/') ? dirname(types) : project, types.split('/').pop()!)],
    {
      strict: true,
      noEmit: true,
      skipLibCheck: false,
      types: [],
      module: ts.ModuleKind.ESNext,
      moduleResolution: ts.ModuleResolutionKind.Bundler,
      target: ts.ScriptTarget.ES2022,
      lib: ['lib.es2022.d.ts', 'lib.dom.d.ts', 'lib.dom.iterable.d.ts'],
    },
  );
  return ts.getPreEmitDiagnostics(program).map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, ' '));
}

test('the place of a path in a text', () => {
  const text = '{\n  "a": [1, {"b": "x]\\"", "c":\n    [2, 30]}],\n  "d": true\n}';
  expect(placeOfPath(text, 'a.1.c.1')).toEqual({ line: 3, column: 8 });
  expect(placeOfPath(text, 'd')).toEqual({ line: 4, column: 7 });
  expect(placeOfPath(text, 'a.1.b')).toEqual({ line: 2, column: 17 });
  // As far as it leads.
  expect(placeOfPath(text, 'a.1.z.9')).toEqual({ line: 2, column: 11 });
  expect(placeOfPath(text, '')).toEqual({ line: 1, column: 0 });
  expect(placeOfPath('{ "a": ', 'a.b')).toEqual({ line: 1, column: 7 });
});
