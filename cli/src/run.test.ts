import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { bake, formatById, readScene } from '@pace-line/core';
import { run } from './run.ts';

const ferries = 'samples/scenes/two-ferries.paceline.json';
const folder = mkdtempSync(join(tmpdir(), 'pace-line-'));

function call(...args: string[]): { code: number; out: string; err: string } {
  let out = '';
  let err = '';
  const code = run(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, out, err };
}

describe('sample', () => {
  test('prints each time and rider in order, six decimals', () => {
    const { code, out } = call('sample', ferries, '--times', '0,3.5');
    const lines = out.trim().split('\n');
    expect(code).toBe(0);
    expect(lines[0]).toBe('time,rider,x,y,angle,scaleX,scaleY,skew,opacity,distance');
    expect(lines).toHaveLength(1 + 2 * 3);
    expect(lines[5]).toMatch(
      /^3\.500000,ferry-a,640\.000000,190\.000000,0\.000000,1\.000000,1\.000000,0\.000000,1\.000000,497\.\d{6}$/,
    );
  });
  test('one rider, as JSON, by frames', () => {
    const rows = JSON.parse(call('sample', ferries, '--fps', '1', '--rider', 'ferry-b', '--format', 'json').out) as {
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
    ]);
  });
  test('without times: the scene’s own frames', () =>
    expect(call('sample', ferries, '--rider', 'ferry-a').out.trim().split('\n')).toHaveLength(361));
});

test('export writes what the format writes, byte for byte', () => {
  const out = join(folder, 'ferries.svg');
  expect(call('export', ferries, '--to', 'animated-svg', '--out', out).code).toBe(0);
  const read = readScene(readFileSync(ferries, 'utf8'));
  const format = formatById('animated-svg')!;
  expect(read.ok && format.write(bake(read.scene), format.options.parse({}))[0]!.text).toBe(readFileSync(out, 'utf8'));
  expect(call('export', ferries, '--to', 'web-page', '--out', folder).out).toContain('two-ferries-one-loop.html');
});

test('validate says what is in a good file', () =>
  expect(call('validate', ferries)).toMatchObject({ code: 0, err: '' }));

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
  [['export', ferries, '--to', 'film', '--out', 'x'], /no format "film"; there is: animated-svg, web-page/],
  [['export', ferries, '--to', 'animated-svg'], /--out/],
  [['dance'], /no command "dance"/],
  [[], /which command/],
  [['sample', ferries, '--nonsense'], /nonsense/],
  [['sample', ferries, 'second'], /one file at a time/],
])('%j: one line on standard error, exit 2', (args, wording) => {
  const { code, out, err } = call(...args);
  expect(code).toBe(2);
  expect(out).toBe('');
  expect(err).toMatch(wording);
  expect(err.trim().split('\n')).toHaveLength(1);
});
