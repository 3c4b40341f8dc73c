import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { toldProgress } from './progress.ts';

function said(isAsked: boolean, isWatched: boolean): string {
  let text = '';
  const { onProgress, end } = toldProgress((more) => (text += more), isAsked, isWatched);
  for (const share of [0.02, 0.04, 0.31, 0.35, 0.98]) onProgress(share);
  end();
  text += 'loop.webp;';
  end();
  return text;
}

test('where nobody looks nothing is said; else one line that is rewritten, and wiped out before the next', () => {
  expect(said(false, false)).toBe('loop.webp;');
  const line = (share: number): string => `\rpace-line: ${share} % `;
  expect(said(false, true)).toBe([2, 4, 31, 35, 98].map(line).join('') + '\r\u001b[Kloop.webp;');
});

test('where it is asked for, each tenth that is reached has a line', () => {
  const lines = 'pace-line: 30 %\npace-line: 90 %\nloop.webp;';
  expect(said(true, false)).toBe(lines);
  expect(said(true, true)).toBe(lines);
});

test('the command says so on standard error, of what a browser paints, and only paths on standard output', () => {
  const path = join(mkdtempSync(join(tmpdir(), 'pace-line-')), 'loop.png');
  const scene = 'samples/scenes/tea-barrel.paceline.json';
  const args = ['cli/bin/pace-line.js', 'export', scene, '--to', 'apng', '--out', path, '--progress'];
  const { stdout, stderr, status } = spawnSync(process.execPath, args, { encoding: 'utf8' });
  expect([status, stdout]).toEqual([0, `${path}\n`]);
  expect(stderr).toMatch(/^(?:pace-line: \d+0 %\n)+$/);
});
