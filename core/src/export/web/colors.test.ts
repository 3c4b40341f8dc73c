import { describe, expect, test } from 'vitest';
import { BOX_ART, LINE, riderOn, sceneOf } from '../../testing/scenes.ts';
import {
  colorsOf,
  formatById,
  memorySink,
  QUIET_RUN,
  readColors,
  readOptions,
  send,
  textOf,
  writeColors,
} from '../index.ts';

const scene = sceneOf({
  canvas: { width: 800, height: 600, background: '#F0E0D0' },
  guides: [{ ...LINE, stroke: { color: '#0b7a75', width: 2, dash: null, draws: null } }],
  art: [
    {
      ...BOX_ART,
      markup:
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40"><rect width="60" height="40" fill="teal"/><rect width="6" height="4" fill="#0B7A75" stroke="currentColor"/><path d="M0 0h4" stroke="#0b7a7580"/></svg>',
    },
  ],
  riders: [riderOn('box1', 'line', [{ time: 0, place: { by: 'node', node: 'a' } }])],
});

async function written(id: string, options: object): Promise<string> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse(options), sink, QUIET_RUN);
  return textOf(files[0]!);
}

test('the colours of a scene, the most used first, however they are written', () => {
  expect(colorsOf(scene)).toEqual(['#0b7a75', '#008080', '#f0e0d0']);
});

describe('names of colours', () => {
  test('are read, and written as they are read', () => {
    const text = 'ink=#0b7a75/#cfe0f0, sail=teal';
    const read = readColors(text);
    expect(read).toEqual({
      colors: [
        { name: 'ink', value: '#0b7a75', dark: '#cfe0f0' },
        { name: 'sail', value: '#008080', dark: null },
      ],
    });
    expect('colors' in read && writeColors(read.colors)).toBe('ink=#0b7a75/#cfe0f0, sail=#008080');
    expect(readColors(' , ')).toEqual({ colors: [] });
  });
  test.each([
    ['ink', 'NAME=COLOUR'],
    ['1ink=#000', 'NAME=COLOUR'],
    ['ink=;}body{x:y', 'a colour is written'],
    ['ink=#0008', 'a colour is written'],
    ['ink=#000/', 'a colour is written'],
    ['ink=#000, ink=#111', 'is there twice'],
    ['ink=#000, pen=black', 'has two names'],
    [Array.from({ length: 41 }, (_, i) => `c${i}=#0000${10 + i}`).join(), 'more than 40'],
  ])('%s is refused with what is wrong', (text, words) => {
    const format = formatById('animated-svg')!;
    const read = readOptions(format, { colors: text });
    expect(read).toMatchObject({ ok: false, message: expect.stringContaining(words) as string });
  });
});

test('named colours are what a page says, else what they are on dark pages, else what they are; others stay', async () => {
  const plain = await written('animated-svg', {});
  expect(plain).not.toContain('var(');
  const text = await written('animated-svg', { colors: 'ink=#0b7a75/#cfe0f0, paper=#f0e0d0' });
  const [, property] = /fill="var\(--ink,var\((--pl\w+_ink),#0b7a75\)\)"/.exec(text)!;
  expect(text).toContain(`@media (prefers-color-scheme:dark){:root{${property}:#cfe0f0}}`);
  expect(text).toContain(`stroke="var(--ink,var(${property},#0b7a75))"`);
  expect(text).toContain('fill="var(--paper,#f0e0d0)"');
  expect(text).toContain('fill="teal"');
  expect(text).toContain('stroke="currentColor"');
  expect(text).toContain('stroke="#0b7a7580"');
  const page = await written('web-page', { colors: 'paper=#f0e0d0/#101010' });
  expect(page).toMatch(/body\{background:var\(--paper,var\(--pl\w+_paper,#f0e0d0\)\);/i);
});
