import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { describe, expect, test } from 'vitest';
import {
  fileStem,
  formatById,
  FORMATS,
  memorySink,
  QUIET_RUN,
  readScene,
  send,
  textOf,
  writeScene,
  type Output,
  type Scene,
} from '@pace-line/core';
import { CHECKS } from '@pace-line/core/findings';
import { findBrowser } from './pixels/browser.ts';
import { run } from './run.ts';

const ferries = 'samples/scenes/two-ferries.paceline.json';
const folder = mkdtempSync(join(tmpdir(), 'pace-line-'));

async function call(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let out = '';
  let err = '';
  const code = await run(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, out, err };
}

describe('check', () => {
  /** The ferries with something changed in their file. */
  function changed(name: string, change: (text: string) => string): string {
    const path = join(folder, name);
    writeFileSync(path, change(readFileSync(ferries, 'utf8')));
    return path;
  }

  test('prints a line for each finding; 0 where all hold', async () => {
    const { code, out, err } = await call('check', ferries);
    const lines = out.trim().split('\n');
    expect([code, err]).toEqual([0, '']);
    expect(lines[0]).toBe('ok  closing  everything closes: after 1 loop, 12.00 s');
    expect(lines).toContain('ok  seam     "Ferry A": 0.00 px');
    expect(lines.every((line) => line.startsWith('ok  '))).toBe(true);
  });

  test('what is wrong comes first, and is 1; names give no orders to the terminal', async () => {
    // The ferry comes to the other landing at the loop's end: 848 px to the east, as the file has it.
    const broken = changed('broken.paceline.json', (text) =>
      text
        .replace(/("id": "ferry-a-home",[^}]*"node": )"west-landing",\s*"lap": 1/, '$1"east-landing"')
        .replace('"name": "Ferry A"', '"name": "Ferry \\u001b[31mA"'),
    );
    const { code, out } = await call('check', broken);
    expect(code).toBe(1);
    expect(out.split('\n')[0]).toBe('no  seam     "Ferry [31mA": jumps 848.0 px');
    expect(out).toContain('ok  seam     "Ferry B"');
  });

  test('as JSON with all that was measured', async () => {
    const { code, out } = await call('check', ferries, '--json');
    const rows = JSON.parse(out) as { check: string; holds: boolean; rider: string | null; gap?: number }[];
    expect(code).toBe(0);
    expect(rows[0]).toEqual({
      check: 'closing',
      holds: true,
      rider: null,
      words: 'after 1 loop, 12.00 s',
      at: null,
      spans: [],
      loops: 1,
      length: 12,
      open: [],
    });
    expect(rows.find(({ rider }) => rider === 'ferry-a')).toMatchObject({ check: 'seam', holds: true, turnSpeed: 0 });
  });

  test('--only keeps to the checks that it names; an unknown one is an error in a line', async () => {
    expect((await call('check', ferries, '--only', 'closing')).out.trim().split('\n')).toHaveLength(1);
    expect(await call('check', ferries, '--only', 'clearance')).toMatchObject({
      code: 0,
      out: 'ok  nothing found by clearance\n',
    });
    expect(await call('check', ferries, '--only', 'seem')).toMatchObject({
      code: 2,
      err: 'pace-line: there is no check "seem": closing, jump, seam, frame-leap, slip, stall, clearance, corridor, off-canvas, reading, flashes, meeting\n',
    });
  });

  test('bodies that overlap are told with both riders; what is meant so holds, until it is otherwise', async () => {
    const order = 'samples/scenes/tea-order.paceline.json';
    const open = join(folder, 'order.paceline.json');
    const scene = JSON.parse(readFileSync(order, 'utf8')) as { checks: { meant: { found: string; why: string }[] } };
    const [meant] = scene.checks.meant;
    writeFileSync(open, JSON.stringify({ ...scene, checks: {} }));
    const found = await call('check', open, '--only', 'clearance');
    expect(found.code).toBe(1);
    expect(found.out).toBe(`no  clearance  "Basket", "Tea-leaf chip": ${meant!.found}\n`);
    const accepted = await call('check', order, '--only', 'clearance');
    expect(accepted).toMatchObject({
      code: 0,
      out: `ok  clearance  "Basket", "Tea-leaf chip": ${meant!.found}, meant so: ${meant!.why}\n`,
    });
    const rows = JSON.parse((await call('check', open, '--only', 'clearance', '--json')).out) as object[];
    expect(rows).toMatchObject([
      { check: 'clearance', holds: false, rider: null, gap: 0, names: ['Basket', 'Tea-leaf chip'] },
    ]);
    expect((rows[0] as { riders: string[] }).riders).toHaveLength(2);
    writeFileSync(open, JSON.stringify({ ...scene, checks: { meant: [{ ...meant, found: 'overlap 0.10–0.20 s' }] } }));
    expect((await call('check', open, '--only', 'clearance')).code).toBe(1);
  });

  test('--limits checks against those of a file; what is wrong with it is an error in a line', async () => {
    const limits = join(folder, 'limits.json');
    const given = (text: string): Promise<{ code: number; out: string; err: string }> => {
      writeFileSync(limits, text);
      return call('check', ferries, '--only', 'clearance,corridor', '--limits', limits);
    };
    // The two ferries are half a loop apart, and a skiff rides beside them.
    expect((await given('{ "clearance": 0 }')).code).toBe(0);
    const near = await given('{ "clearance": 200 }');
    expect(near.code).toBe(1);
    expect(near.out).toMatch(/^no {2}clearance {2}"Ferry [AB]", "Skiff": [\d.]+ px at [\d.]+ s\n/);
    const guide = (JSON.parse(readFileSync(ferries, 'utf8')) as { guides: { id: string }[] }).guides[0]!.id;
    const out = await given(JSON.stringify({ bounds: [{ rider: 'ferry-a', area: { kind: 'inside', guide } }] }));
    expect(out.out).toMatch(/^no {2}corridor {2}"Ferry A": leaves “Ferry service” by [\d.]+ px, /);
    for (const [text, words] of [
      ['{ "clearance": -1 }', 'checks.clearance'],
      ['{ "clearence": 1 }', '"clearence" is not known here'],
      ['[1]', 'limits are one JSON object'],
      ['clearance: 1', 'limits are JSON'],
    ] as const) {
      const bad = await given(text);
      expect(bad.code).toBe(2);
      expect(bad.err).toContain(words);
      expect(bad.err.trim().split('\n')).toHaveLength(1);
    }
    expect((await call('check', ferries, '--limits', join(folder, 'none.json'))).code).toBe(2);
  });

  test('a scene that plays once has nothing to close', async () => {
    const once = changed('once.paceline.json', (text) => {
      const scene = JSON.parse(text) as { clock: object };
      return JSON.stringify({ ...scene, clock: { ...scene.clock, repeat: 'once' }, camera: null, riders: [] });
    });
    expect(await call('check', once)).toMatchObject({
      code: 0,
      out: 'ok  nothing to check: it plays once, or nothing rides\n',
    });
    expect((await call('check', once, '--json')).out).toBe('[\n]\n');
  });
});

describe('sample', () => {
  test('prints each time and rider in order, six decimals', async () => {
    const { code, out } = await call('sample', ferries, '--times', '0,3.5');
    const lines = out.trim().split('\n');
    expect(code).toBe(0);
    expect(lines[0]).toBe('time,rider,x,y,angle,scaleX,scaleY,skew,opacity,distance,pose');
    expect(lines).toHaveLength(1 + 2 * 8);
    expect(lines[10]).toMatch(
      /^3\.500000,ferry-a,640\.000000,190\.000000,0\.000000,1\.000000,1\.000000,0\.000000,1\.000000,497\.\d{6},1\.000000$/,
    );
  });
  test('the pose has a column where some art has poses, the camera a row where there is one', async () => {
    const kite = (await call('sample', 'samples/scenes/kite.paceline.json', '--times', '0')).out;
    expect(kite.split('\n')[0]).toBe('time,rider,x,y,angle,scaleX,scaleY,skew,opacity,distance');
    const walks = (await call('sample', 'samples/scenes/heron.paceline.json', '--fps', '2', '--rider', 'heron-1')).out;
    const poses = walks
      .trim()
      .split('\n')
      .slice(1)
      .map((line) => Number(line.split(',')[10]));
    expect(new Set(poses).size).toBeGreaterThan(5);
    expect(poses.every((pose) => Number.isInteger(pose) && pose >= 1 && pose <= 12)).toBe(true);
    const seen = join(folder, 'seen.paceline.json');
    writeFileSync(seen, readFileSync(ferries, 'utf8').replace('"riders": [', '"camera": "ferry-b",\n  "riders": ['));
    const [, row] = (await call('sample', seen, '--times', '1', '--rider', 'camera')).out.split('\n');
    const [, same] = (await call('sample', seen, '--times', '1', '--rider', 'ferry-b')).out.split('\n');
    expect(row).toBe(same?.replace('ferry-b', 'camera'));
  });
  test('one rider, as JSON, by frames', async () => {
    const { out } = await call('sample', ferries, '--fps', '1', '--rider', 'ferry-b', '--format', 'json');
    const rows = JSON.parse(out) as {
      time: number;
      rider: string;
    }[];
    expect(rows).toHaveLength(12);
    expect(rows.every((row, i) => row.rider === 'ferry-b' && row.time === i)).toBe(true);
    expect(Object.keys(rows[0]!)).toEqual([
      'time',
      'rider',
      'x',
      'y',
      'angle',
      'scaleX',
      'scaleY',
      'skew',
      'opacity',
      'distance',
      'pose',
    ]);
  });
  test('without times: the scene’s own frames', async () =>
    expect((await call('sample', ferries, '--rider', 'ferry-a')).out.trim().split('\n')).toHaveLength(361));
});

async function written(scene: Scene, id: string, given: object): Promise<string> {
  const { sink, files } = memorySink();
  const format = formatById(id)!;
  await send(scene, format, format.options.parse(given), sink, QUIET_RUN);
  return textOf(files[0]!);
}

describe('export', () => {
  const scene = (): Scene => {
    const read = readScene(readFileSync(ferries, 'utf8'));
    if (!read.ok) throw new Error('the sample is broken');
    return read.scene;
  };
  test('several files that name each other go into a folder, which is made', async () => {
    const folder = join(mkdtempSync(join(tmpdir(), 'pace-line-')), 'loop');
    const { code, out } = await call('export', ferries, '--to', 'react', '--out', folder);
    expect(code).toBe(0);
    expect(out.trim().split('\n')).toHaveLength(4);
    const component = readdirSync(folder).find((name) => name.endsWith('.jsx'))!;
    const [, imported] = /from '\.\/([^']+\.module\.js)'/.exec(readFileSync(join(folder, component), 'utf8'))!;
    expect(readdirSync(folder)).toContain(imported);
  });
  test('pixels are said to need a browser, where there is none', async () => {
    const out = join(folder, 'x.gif');
    const env = { ...process.env };
    try {
      process.env['CHROMIUM'] = '/nowhere/chromium';
      expect(await call('export', ferries, '--to', 'gif', '--out', out)).toMatchObject({
        code: 2,
        err: expect.stringMatching(/there is no such file|not built yet/) as string,
      });
      expect(existsSync(out)).toBe(false);
    } finally {
      process.env = env;
    }
    expect(() => findBrowser({ PATH: '/nowhere' })).toThrow(/install Chromium, or set CHROMIUM/);
    expect(() => findBrowser({ CHROMIUM: '/nowhere/chromium' })).toThrow(/no such file/);
    expect(findBrowser({ CHROMIUM: process.execPath })).toBe(process.execPath);
  });
  test('a set that the scene holds is written, each output with its own options', async () => {
    const file = join(folder, 'kept.paceline.json');
    const outputs: Output[] = [
      { format: 'animated-svg', options: { background: false } },
      { format: 'animated-svg', options: { scale: 2 } },
      { format: 'react', options: {} },
    ];
    writeFileSync(file, writeScene({ ...scene(), sets: [{ id: 's', name: 'For the site', outputs }] }));
    const out = join(folder, 'kept');
    const { code } = await call('export', file, '--kept', 'For the site', '--out', out);
    expect(code).toBe(0);
    expect(readdirSync(out).sort()).toEqual(['animated-svg-2x', 'react', 'two-ferries-one-loop.svg']);
    const kept = readFileSync(join(out, 'two-ferries-one-loop.svg'), 'utf8');
    expect(kept).toBe(await written(scene(), 'animated-svg', { background: false }));
    const double = readFileSync(join(out, 'animated-svg-2x', 'two-ferries-one-loop.svg'), 'utf8');
    expect(double).toBe(await written(scene(), 'animated-svg', { scale: 2 }));
    for (const [args, words] of [
      [['--kept', 'Nothing'], 'there is no set "Nothing"; there is: For the site'],
      [['--kept', 'For the site', '--set', 'scale=2'], '--set does not go with --kept'],
      [['--kept', 'For the site', '--all'], 'not both'],
      [['--to', 'css', '--pixels'], '--pixels goes with --all'],
    ] as const) {
      const refused = await call('export', file, '--out', join(folder, 'none'), ...args);
      expect(refused.code).toBe(2);
      expect(refused.err).toContain(words);
    }
  });
  test('writes what the format writes, byte for byte', async () => {
    const out = join(folder, 'ferries.svg');
    expect((await call('export', ferries, '--to', 'animated-svg', '--out', out)).code).toBe(0);
    expect(readFileSync(out, 'utf8')).toBe(await written(scene(), 'animated-svg', {}));
    expect((await call('export', ferries, '--to', 'web-page', '--out', folder)).out).toContain(
      'two-ferries-one-loop.html',
    );
  });
  test('takes the options of the format', async () => {
    const out = join(folder, 'titled.html');
    const set = ['--set', 'title=A = B', '--set', 'background=false', '--set', 'fit=size'];
    await call('export', ferries, '--to', 'web-page', '--out', out, ...set);
    const options = { title: 'A = B', background: false, fit: 'size' };
    expect(readFileSync(out, 'utf8')).toBe(await written(scene(), 'web-page', options));
  });
  test('one file goes to standard output where that is asked, several do not', async () => {
    const { code, out, err } = await call('export', ferries, '--to', 'animated-svg', '--out', '-');
    expect([code, err]).toEqual([0, '']);
    expect(out).toBe(await written(scene(), 'animated-svg', {}));
    const several = await call('export', ferries, '--to', 'module', '--out', '-');
    expect([several.code, several.out]).toEqual([2, '']);
    expect(several.err).toContain('several files');
  });
  test('several files are called as the file that was asked for, beside it, and name each other so', async () => {
    const place = mkdtempSync(join(tmpdir(), 'pace-line-'));
    await call('export', ferries, '--to', 'module', '--out', join(place, 'loop.js'));
    expect(readdirSync(place).sort()).toEqual(['loop.d.ts', 'loop.js']);
    const react = await call('export', ferries, '--to', 'react', '--out', join(place, 'Two.jsx'));
    expect(
      react.out
        .trim()
        .split('\n')
        .map((path) => basename(path)),
    ).toEqual(['Two.jsx', 'Two.d.ts', 'Two.module.js', 'Two.module.d.ts']);
    expect(readFileSync(join(place, 'Two.jsx'), 'utf8')).toContain("from './Two.module.js'");
    // A folder is a folder, whatever it is called, and so is what ends otherwise.
    mkdirSync(join(place, 'there.js'));
    await call('export', ferries, '--to', 'module', '--out', join(place, 'there.js'));
    await call('export', ferries, '--to', 'module', '--out', join(place, 'new'), '--set', 'file=barge');
    expect(readdirSync(join(place, 'there.js'))).toContain('two-ferries-one-loop.js');
    expect(readdirSync(join(place, 'new')).sort()).toEqual(['barge.d.ts', 'barge.js']);
  });
  test('what a format changes of a scene is said on standard error once it is written; where that fails, the failure alone', async () => {
    const place = mkdtempSync(join(tmpdir(), 'pace-line-'));
    const { err, code } = await call('export', ferries, '--to', 'lottie', '--out', join(place, 'a.json'));
    expect(code).toBe(0);
    const notes = formatById('lottie')!.notes!(scene(), {});
    expect(notes.length).toBeGreaterThan(0);
    expect(err).toBe(notes.map((note) => `pace-line: lottie: ${note}\n`).join(''));
    const failed = await call('export', ferries, '--to', 'lottie', '--out', join(place, 'a.json', 'b.json'));
    expect(failed.code).toBe(2);
    expect(failed.err.trimEnd().split('\n')).toHaveLength(1);
  });
  test('its version is that of its package', async () => {
    const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as {
      version: string;
    };
    expect(await call('--version')).toEqual({ code: 0, out: `pace-line ${version}\n`, err: '' });
  });
  test('a table of frames is streamed: a line for each rider and frame', async () => {
    const out = join(folder, 'frames.csv');
    await call('export', ferries, '--to', 'frames-csv', '--out', out);
    // As they are sampled, but for what riders are called: by their names.
    const [head, ...rows] = (await call('sample', ferries)).out.trimEnd().split('\n');
    const [header, ...lines] = readFileSync(out, 'utf8').trimEnd().split('\n');
    expect(header).toBe(`${head},name`);
    const names = new Map(scene().riders.map(({ id, name }) => [id, name]));
    const named = rows.map((row) => {
      const [time, id = '', ...rest] = row.split(',');
      const name = names.get(id) ?? '';
      return [time, name.toLowerCase().replaceAll(' ', '-'), ...rest, name].join(',');
    });
    expect(lines).toEqual(named);
  });
  test('one rider is asked for by its id, its name, or what code calls it', async () => {
    const asked = async (rider: string): Promise<string> => (await call('sample', ferries, '--rider', rider)).out;
    const byId = await asked('ferry-a-paddle-1');
    expect(byId.split('\n').length).toBeGreaterThan(100);
    expect(await asked('Paddle A1')).toBe(byId);
    expect(await asked('paddle-a1')).toBe(byId);
    expect((await call('sample', ferries, '--rider', 'Paddle')).code).toBe(2);
  });
  test('--all writes every format that needs no canvas into a folder of its own, byte for byte', async () => {
    const all = join(mkdtempSync(join(tmpdir(), 'pace-line-')), 'all');
    const set = ['--set', 'background=false', '--set', 'web-page.title=One page'];
    const { code, out } = await call('export', ferries, '--all', '--out', all, ...set);
    expect(code).toBe(0);
    const ids = FORMATS.filter(({ needs }) => needs !== 'pixels').map(({ id }) => id);
    expect(readdirSync(all).sort()).toEqual([...ids].sort());
    const paths = out.trim().split('\n');
    expect(new Set(paths).size).toBe(paths.length);
    for (const [id, options] of [
      ['lottie', { background: false }],
      ['web-page', { background: false, title: 'One page' }],
      ['frames-json', {}],
    ] as const) {
      const [path] = readdirSync(join(all, id));
      expect(readFileSync(join(all, id, path!), 'utf8'), id).toBe(await written(scene(), id, options));
    }
  });
  test.each([
    [['--to', 'css', '--all'], 'not both'],
    [['--all', '--set', 'nonsense=1'], 'no format has an option "nonsense"'],
    [['--all', '--set', 'gif.scale=1'], 'no format "gif" among what is written'],
    [['--all', '--set', 'css.scale=1'], 'css has no option "scale"'],
  ])('%j is refused before anything is written', async (args, words) => {
    const all = join(folder, 'nothing');
    const { code, err } = await call('export', ferries, '--out', all, ...args);
    expect(code).toBe(2);
    expect(err).toContain(words);
    expect(existsSync(all)).toBe(false);
  });
  test('--watch writes again after each change, and goes on after a broken one', async () => {
    const here = mkdtempSync(join(tmpdir(), 'pace-line-'));
    const file = join(here, 'scene.json');
    const path = join(here, 'out.svg');
    copyFileSync(ferries, file);
    const ending = new AbortController();
    const said = { out: '', err: '' };
    const args = ['export', file, '--to', 'animated-svg', '--out', path, '--watch'];
    const code = run(args, { out: (text) => (said.out += text), err: (text) => (said.err += text) }, ending.signal);
    await expect.poll(() => said.out).toBe(`${path}\n`);
    writeFileSync(file, '{');
    await expect.poll(() => said.err, { timeout: 5000 }).toContain('scene.json');
    const renamed = { ...scene(), name: 'Another name' };
    writeFileSync(file, writeScene(renamed));
    await expect.poll(() => readFileSync(path, 'utf8'), { timeout: 5000 }).toContain('Another name');
    ending.abort();
    expect(await code).toBe(0);
  });
  test('a sent file that carries its scene is read as that scene', async () => {
    const carrying = join(folder, 'carrying.svg');
    await call('export', ferries, '--to', 'animated-svg', '--out', carrying, '--set', 'carry=true');
    expect((await call('validate', carrying)).out).toContain('valid, "Two ferries, one loop"');
  });
  test('with --hash names hold what files hold: those that name each other have one, and still find each other', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'pace-line-'));
    const one = await call('export', ferries, '--to', 'animated-svg', '--out', join(folder, 'loop.svg'), '--hash');
    expect(one.out).toMatch(/loop-[\da-f]{8}\.svg\n$/);
    const path = one.out.trim();
    const digest = createHash('sha256').update(readFileSync(path)).digest('hex').slice(0, 8);
    expect(path).toContain(digest);
    const again = await call('export', ferries, '--to', 'animated-svg', '--out', join(folder, 'loop.svg'), '--hash');
    expect(again.out).toBe(one.out);
    const other = ['export', ferries, '--to', 'animated-svg', '--out', join(folder, 'loop.svg'), '--hash'];
    expect((await call(...other, '--set', 'title=Other')).out).not.toBe(one.out);
    const react = await call('export', ferries, '--to', 'react', '--out', `${folder}/`, '--hash');
    const names = react.out
      .trim()
      .split('\n')
      .map((name) => basename(name));
    expect(new Set(names.map((name) => /-([\da-f]{8})\./.exec(name)?.[1])).size).toBe(1);
    const component = readFileSync(
      join(
        folder,
        names.find((name) => name.endsWith('.jsx'))!,
      ),
      'utf8',
    );
    const [, imported] = /from '\.\/([^']+\.module\.js)'/.exec(component)!;
    expect(names).toContain(imported);
    expect((await call('export', ferries, '--to', 'animated-svg', '--out', '-', '--hash')).err).toContain(
      'has no name',
    );
    expect((await call('export', ferries, '--to', 'sprite-sheet', '--out', folder, '--hash')).err).toContain(
      '--hash is not for it',
    );
  });
  test('--help lists every check with what it looks for', async () => {
    const { out } = await call('--help');
    for (const { id, about } of CHECKS) expect(out).toMatch(new RegExp(`^  ${id} +${about.slice(0, 20)}`, 'm'));
  });

  test('--help lists every format with its options', async () => {
    const { out } = await call('--help');
    for (const word of ['animated-svg', 'web-page', 'frames-csv', '--set fit=window|size']) expect(out).toContain(word);
  });
});

test('validate says what is in a good file', async () =>
  expect(await call('validate', ferries)).toMatchObject({ code: 0, err: '' }));

const broken = join(folder, 'broken.json');
writeFileSync(broken, '{"format":"pace-line/scene","version":1,"name":3}');

test.each([
  [['validate', 'nowhere.json'], /no such file/],
  [['validate', broken], /broken\.json: name: .+and \d+ more/],
  [['validate'], /which scene file/],
  [['sample', ferries, '--times', '0,x'], /"x" is not a number/],
  [['sample', ferries, '--times', '0', '--fps', '3'], /not both/],
  [['sample', ferries, '--rider', 'nobody'], /no rider "nobody"/],
  [['sample', ferries, '--format', 'xml'], /csv or json/],
  [['sample', ferries, '--fps', '0'], /--fps/],
  [['export', ferries, '--to', 'film', '--out', 'x'], /no format "film"; there is: animated-svg, web-page, /],
  [['export', ferries, '--to', 'animated-svg'], /--out/],
  [['export', ferries, '--to', 'web-page', '--out', 'x', '--set', 'fit'], /NAME=VALUE/],
  [['export', ferries, '--to', 'web-page', '--out', 'x', '--set', 'fit=moon'], /fit/],
  [['export', ferries, '--to', 'web-page', '--out', 'x', '--set', 'moon=1'], /no option "moon"; it has: title/],
  [['export', ferries, '--to', 'web-page', '--out', 'x', '--set', 'background=no'], /true or false/],
  [['dance'], /no command "dance"/],
  [[], /which command/],
  [['sample', ferries, '--nonsense'], /nonsense/],
  [['sample', ferries, 'second'], /one file at a time/],
])('%j: one line on standard error, exit 2', async (args, wording) => {
  const { code, out, err } = await call(...args);
  expect(code).toBe(2);
  expect(out).toBe('');
  expect(err).toMatch(wording);
  expect(err.trim().split('\n')).toHaveLength(1);
});

describe('the terminal', () => {
  test('is sent no orders from names, ids or addresses', async () => {
    const file = join(folder, 'orders.paceline.json');
    const scene = JSON.parse(readFileSync(ferries, 'utf8')) as Record<string, unknown>;
    writeFileSync(file, JSON.stringify({ ...scene, name: 'a\u009b31mred\u202eder' }));
    const valid = await call('validate', file);
    expect(valid.code).toBe(0);
    writeFileSync(file, JSON.stringify({ ...scene, '\u001b]0;owned\u0007': 1 }));
    const wrong = await call('validate', file);
    expect(wrong.code).toBe(2);
    for (const text of [valid.out, wrong.err, (await call('\u001b[2J')).err])
      expect(text.replace(/\n$/, '')).not.toMatch(/[\u0000-\u001f\u007f-\u009f\u202e]/);
  });
  test('and files whose names can be written', () => {
    expect(fileStem('\uFDFA'.repeat(200)).length).toBeLessThanOrEqual(80);
    expect(fileStem('Two ferries, one loop')).toBe('two-ferries-one-loop');
  });
});
