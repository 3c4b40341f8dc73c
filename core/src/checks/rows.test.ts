import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { sceneIn } from '../scene/index.ts';
import { LINE, riderOn, sceneOf } from '../testing/scenes.ts';
import { z } from '../zod.ts';
import { CHECKS, findingRow, findingsOf, findingsShape } from './all.ts';

const samples = new URL('../../../samples/scenes/', import.meta.url);
const files = readdirSync(samples).filter((name) => name.endsWith('.paceline.json'));

describe('findings as data', () => {
  test('docs/findings.schema.json is that of the rows', () => {
    const written = JSON.parse(
      readFileSync(new URL('../../../docs/findings.schema.json', import.meta.url), 'utf8'),
    ) as unknown;
    expect(written).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(findingsShape, { io: 'input' }))));
  });
  test.each(files)('of %s keep to it, and no figure stands in the place of what every row has', (name) => {
    const read = sceneIn(readFileSync(new URL(name, samples), 'utf8'));
    if (!read.ok) throw new Error(name);
    const found = findingsOf(read.scene);
    const rows = findingsShape.parse(JSON.parse(JSON.stringify(found.map(findingRow))));
    expect(rows.map(({ words }) => words)).toEqual(found.map(({ words }) => words));
    expect(rows.map(({ check, holds }) => [check, holds])).toEqual(found.map(({ check, holds }) => [check, holds]));
  });
  test('with what is wrong in them too', () => {
    // Two boxes through each other, one of which ends elsewhere than it began, and one beyond the canvas.
    const at = (value: number): object => ({ by: 'distance', value });
    const run = (from: number, to: number) =>
      [
        { time: 0, place: at(from) },
        { time: 4, place: at(to) },
      ] as never;
    const far = {
      id: 'far',
      name: 'Far',
      color: '#0B7A75',
      closed: false,
      nodes: [
        { id: 'f', x: 900, y: 0 },
        { id: 'g', x: 999, y: 0 },
      ],
    };
    const scene = sceneOf({
      guides: [LINE, far],
      riders: [riderOn('r', 'line', run(0, 400)), riderOn('s', 'line', run(400, 0)), riderOn('t', 'far', run(0, 99))],
    });
    const rows = findingsShape.parse(JSON.parse(JSON.stringify(findingsOf(scene).map(findingRow))));
    expect(new Set(rows.filter(({ holds }) => !holds).map(({ check }) => check))).toEqual(
      new Set(['seam', 'clearance', 'off-canvas']),
    );
    expect(rows.find(({ check }) => check === 'clearance')).toMatchObject({ rider: null, riders: ['r', 's'] });
    expect(rows.find(({ check }) => check === 'off-canvas')).toMatchObject({ rider: 't', spans: [[0, 4]] });
  });
});

test('every check has a name of its own, a page, and its line in the list of them', () => {
  const docs = new URL('../../../docs/', import.meta.url);
  const list = readFileSync(new URL('checks.md', docs), 'utf8');
  expect(new Set(CHECKS.map(({ id }) => id)).size).toBe(CHECKS.length);
  for (const { id, about } of CHECKS) {
    expect(list).toContain(`| [\`${id}\`](checks/${id}.md)`);
    expect(readFileSync(new URL(`checks/${id}.md`, docs), 'utf8')).toContain(`\`${id}\``);
    expect(about.length, id).toBeGreaterThan(20);
  }
});
