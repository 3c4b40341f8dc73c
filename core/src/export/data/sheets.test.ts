import { SaxesParser } from 'saxes';
import { describe, expect, test } from 'vitest';
import { prepare } from '../../motion/index.ts';
import { BOX_ART, LINE, riderOn, sceneOf, SQUARE } from '../../testing/scenes.ts';
import { formatById, memorySink, QUIET_RUN, send, textOf } from '../index.ts';

async function written(scene: Parameters<typeof send>[0], id: string, options: object = {}): Promise<string> {
  const format = formatById(id);
  if (!format) throw new Error(`there is no format "${id}"`);
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse(options), sink, QUIET_RUN);
  return textOf(files[0]!);
}

const lap = [
  { time: 0, place: { by: 'node', node: 'q1' }, dwell: 0.5, ease: { kind: 'flow' } },
  { time: 2, place: { by: 'node', node: 'q3' } },
  { time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
];
const HOSTILE = '<script>alert(1)</script> & "quotes" ]]>';
const scene = sceneOf({
  clock: { duration: 4, fps: 10, repeat: 'loop' },
  art: [BOX_ART],
  guides: [SQUARE, { ...LINE, name: HOSTILE }],
  riders: [
    riderOn('r', 'square', lap, { name: HOSTILE }),
    riderOn('late', 'square', lap, { pace: { marks: lap.map((mark, i) => ({ ...mark, id: `l${i}` })), delay: 1 } }),
    riderOn('unsent', 'line', [{ time: 0, place: { by: 'node', node: 'a' } }], { output: false }),
  ],
});

describe('the exposure list', () => {
  test('has each rider at each frame, and its spacings add up to the way', async () => {
    const [head, ...rows] = (await written(scene, 'exposure-csv')).trim().split('\n');
    expect(head).toBe('frame,time,guide,rider,distance,share,spacing');
    expect(rows).toHaveLength(80);
    const late = rows.filter((row) => row.includes(',late,')).map((row) => row.split(',').map(Number));
    const motion = prepare(scene).rider('late')!;
    late.forEach((row, i) => {
      expect(row[0]).toBe(i);
      expect(row[4]).toBeCloseTo(motion.distanceAt(i / 10), 6);
      expect(row[5]).toBeCloseTo(motion.distanceAt(i / 10) / 400, 6);
      expect(row[6]).toBeCloseTo(i === 0 ? 0 : motion.distanceAt(i / 10) - motion.distanceAt((i - 1) / 10), 5);
    });
  });
});

describe('the sheet as a drawing', () => {
  test('is well-formed XML with a chart for each route that has riders, whatever they are called', async () => {
    const text = await written(scene, 'chart-svg');
    const names: string[] = [];
    const words: string[] = [];
    const parser = new SaxesParser();
    parser.on('opentag', ({ name }) => names.push(name));
    parser.on('text', (word) => words.push(word));
    parser.on('error', (error) => {
      throw error;
    });
    parser.write(text).close();
    expect(names).not.toContain('script');
    expect(words.filter((word) => word === HOSTILE)).toHaveLength(1);
    // Two lines with three marks each, those of the later one that the loop shows.
    expect(names.filter((name) => name === 'circle')).toHaveLength(5);
    expect(text).not.toMatch(/NaN|Infinity|undefined/);
  });
  test('its lines run from the left edge to the right one, and without the speed it is lower', async () => {
    const text = await written(scene, 'chart-svg', { width: 800, height: 300 });
    const line = /<path d="M([^"]+)" fill="none" stroke="#3D5A99" stroke-width="2"\/>/.exec(text)?.[1] ?? '';
    const xs = line.split(/[ML]/).map((one) => Number(one.trim().split(' ')[0]));
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([120, 776]);
    const plain = await written(scene, 'chart-svg', { width: 800, height: 300, speed: false });
    const height = (svg: string): number => Number(/ height="(\d+)"/.exec(svg)?.[1]);
    expect(height(plain)).toBe(height(text) - 70);
  });
  test('a scene without riders says so', async () =>
    expect(await written(sceneOf({ guides: [LINE] }), 'chart-svg')).toContain('Nothing rides a guide.'));
  test('the same scene, the same bytes', async () =>
    expect(await written(scene, 'chart-svg')).toBe(await written(scene, 'chart-svg')));
});
