import { expect, test } from 'vitest';
import { read, utils } from 'xlsx';
import { BOX_ART, LINE, riderOn, sceneOf } from '../../testing/scenes.ts';
import { formatById, memorySink, QUIET_RUN, send, textOf } from '../index.ts';

/** Names that a spreadsheet takes for formulas, or that end a cell. */
const NAMES = ['=1+1', '+1+1', '-1+1', '@SUM(A1)', '=HYPERLINK("http://x","y")', '\t=1+1', 'plain', 'a,b "c"'];

const scene = sceneOf({
  art: [BOX_ART],
  guides: [{ ...LINE, name: '=cmd|calc!A0' }],
  riders: NAMES.map((name, i) => ({
    ...riderOn(['=1+1', '-2', '+3', '@x', 'e', 'f', 'g', 'h'][i]!, LINE.id, [
      { time: 0, place: { by: 'share', value: 0 } },
      { time: 1, place: { by: 'share', value: 1 } },
    ]),
    name,
    lift: 2000,
  })),
});

test.each(['frames-csv', 'exposure-csv'])('no cell of %s is a formula, and numbers stay numbers', async (id) => {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
  const text = textOf(files[0]!);
  const sheet = read(text, { type: 'string', raw: false }).Sheets['Sheet1']!;
  const cells = Object.entries(sheet).filter(([key]) => !key.startsWith('!')) as [
    string,
    { t: string; f?: string; v: unknown },
  ][];
  expect(cells.length).toBeGreaterThan(100);
  expect(cells.filter(([, { f }]) => f !== undefined)).toEqual([]);
  const [first] = utils.sheet_to_json<Record<string, unknown>>(sheet);
  expect(Object.entries(first!).filter(([, value]) => typeof value === 'number').length).toBeGreaterThan(4);
  if (id === 'frames-csv') {
    expect(first).toMatchObject({ rider: 'r-1-1', name: "'=1+1" });
    expect(cells.some(([, { t, v }]) => t === 'n' && (v as number) < 0)).toBe(true);
  } else {
    const riders = utils
      .sheet_to_json<{ rider: string }>(sheet)
      .slice(0, NAMES.length)
      .map(({ rider }) => rider);
    expect(riders.slice(0, 4)).toEqual(NAMES.slice(0, 4).map((name) => `'${name}`));
    expect(riders.slice(6)).toEqual(NAMES.slice(6));
  }
});

test('the reader would have taken them for formulas', () => {
  const cell = (text: string) => (read(`a\n${text}`, { type: 'string' }).Sheets['Sheet1']!['A2'] as { f?: string }).f;
  expect([cell('=1+1'), cell('"=1+1"'), cell("'=1+1")]).toEqual(['1+1', '1+1', undefined]);
});
