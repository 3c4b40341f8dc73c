import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { z } from '../../zod.ts';
import { prepare } from '../../motion/index.ts';
import { readScene, riderCodes, type Scene } from '../../scene/index.ts';
import { LAYERED_SCENES, LINE, riderOn, sceneOf, WRITER_SCENES } from '../../testing/scenes.ts';
import { bytesOf, formatById, framesShape, memorySink, QUIET_RUN, send, sheetShape } from '../index.ts';

async function written(scene: Scene, id: string, options: object = {}): Promise<{ text: string; bytes: Uint8Array }> {
  const format = formatById(id);
  if (!format) throw new Error(`there is no format "${id}"`);
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse(options), sink, QUIET_RUN);
  const bytes = bytesOf(files[0]!);
  return { bytes, text: new TextDecoder('latin1').decode(bytes) };
}

interface Told {
  readonly format: string;
  readonly length: number;
  readonly camera: string | null;
  readonly frames: readonly {
    readonly frame: number;
    readonly time: number;
    readonly riders: Readonly<Record<string, Readonly<Record<string, number>>>>;
  }[];
}

describe('frames as JSON', () => {
  test('each rider at each frame, with its speed', async () => {
    const scene = WRITER_SCENES['carried']!;
    const told = framesShape.parse(JSON.parse((await written(scene, 'frames-json')).text));
    const motion = prepare(scene);
    expect(told).toMatchObject({ format: 'pace-line/frames', version: 2, camera: null, length: motion.length });
    const codes = riderCodes(scene.riders);
    expect(told.riders).toEqual(Object.fromEntries(scene.riders.map(({ id, name }) => [codes.get(id), name])));
    expect(told.frames).toHaveLength(motion.length * scene.clock.fps);
    for (const { frame, time, riders } of told.frames) {
      expect(time).toBeCloseTo(frame / scene.clock.fps, 6);
      const poses = motion.poseAt(frame / scene.clock.fps);
      scene.riders.forEach(({ id: of }, i) => {
        const id = codes.get(of)!;
        expect(riders[id]!.x).toBeCloseTo(poses.of(i, 'x'), 3);
        expect(riders[id]!.angle).toBeCloseTo((poses.of(i, 'angle') * 180) / Math.PI, 3);
        expect(riders[id]!.speed).toBeCloseTo(motion.riders[i]!.speedAt(frame / scene.clock.fps), 1);
      });
    }
  });
  test('a camera that is not sent is told of all the same, and so are poses', async () => {
    const told = JSON.parse((await written(LAYERED_SCENES['a camera that rides']!, 'frames-json')).text) as Told;
    expect(told.camera).toBe('eye');
    expect(Object.keys(told.frames[0]!.riders)).toContain('eye');
    const posed = JSON.parse((await written(LAYERED_SCENES['behind and in front']!, 'frames-json')).text) as Told;
    expect(posed.frames[0]!.riders['bird']!['pose']).toBeGreaterThan(0);
  });
});

test('the scene as a format is the scene’s file', async () => {
  const scene = WRITER_SCENES['keyed']!;
  const read = readScene((await written(scene, 'scene')).text);
  expect(read.ok && read.scene).toEqual(scene);
});

test('guides are paths with their names', async () => {
  const { text } = await written({ ...WRITER_SCENES['carried']!, name: '<b>&' }, 'guides-svg', { width: 3 });
  expect(text.match(/<path /g)).toHaveLength(2);
  expect(text).toContain('stroke-width="3"');
  expect(text).toContain('<title>&lt;b&gt;&amp;</title>');
});

describe('the sheet as a PDF', () => {
  test('every object is where its table says, the stream is as long as it says, and no number is missing', async () => {
    const scene = { ...WRITER_SCENES['dwelling']!, name: 'Ärger (mit) \\ Łódź ≤ „x“' };
    const { text, bytes } = await written(scene, 'chart-pdf');
    expect(text.startsWith('%PDF-1.4\n')).toBe(true);
    expect(bytes).toHaveLength(text.length);
    const start = Number(/startxref\n(\d+)\n%%EOF\n$/.exec(text)![1]);
    expect(text.slice(start, start + 5)).toBe('xref\n');
    const offsets = [...text.slice(start).matchAll(/^(\d{10}) 00000 n $/gm)].map(([, at]) => Number(at));
    expect(offsets).toHaveLength(7);
    offsets.forEach((at, i) => expect(text.slice(at, at + 8)).toBe(`${i + 1} 0 obj\n`));
    const [, length, content] = /<< \/Length (\d+) >>\nstream\n([\s\S]*)\nendstream/.exec(text)!;
    expect(content).toHaveLength(Number(length));
    expect(text).not.toMatch(/NaN|Infinity|undefined/);
    // Brackets and backslashes in names are escaped, letters that no reader has by itself are told apart from nothing.
    expect(content).toContain('(\xC4rger \\(mit\\) \\\\ ?\xF3dz at most ?x\x93) Tj');
    // Every path is drawn, and every text ended.
    expect(content!.match(/BT /g)).toHaveLength(content!.match(/ ET/g)!.length);
  });
  test('many routes come on several pages, none longer than paper; names of many riders stand apart; the greatest speed is told whichever way', async () => {
    const guides = Array.from({ length: 5 }, (_, i) => ({
      ...LINE,
      id: `g${i}`,
      name: `Route ${i}`,
      nodes: LINE.nodes.map((node) => ({ ...node, id: `${node.id}${i}` })),
    }));
    const there = (id: string, guide: number): Record<string, unknown> =>
      riderOn(id, `g${guide}`, [
        { time: 0, place: { by: 'node', node: `c${guide}` } },
        { time: 0.5, place: { by: 'node', node: `a${guide}` } },
      ]);
    const crowd = Array.from({ length: 60 }, (_, i) => there(`crowd${i}`, 0));
    const scene = sceneOf({
      clock: { duration: 4, fps: 30, repeat: 'loop' },
      guides,
      riders: [...crowd, ...[1, 2, 3, 4].map((i) => there(`r${i}`, i))],
    });
    const { text } = await written(scene, 'chart-pdf');
    const boxes = [...text.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, w, h]) => Number(h) / Number(w));
    expect(boxes).toHaveLength(3);
    for (const ratio of boxes) expect(ratio).toBeLessThan(Math.SQRT2 + 0.01);
    expect(text).toContain('/Count 3');
    const start = Number(/startxref\n(\d+)\n%%EOF\n$/.exec(text)![1]);
    const offsets = [...text.slice(start).matchAll(/^(\d{10}) 00000 n $/gm)].map(([, at]) => Number(at));
    offsets.forEach((at, i) => expect(text.slice(at, at + 8).startsWith(`${i + 1} 0 obj`)).toBe(true));
    const streams = [...text.matchAll(/<< \/Length (\d+) >>\nstream\n([\s\S]*?)\nendstream/g)];
    expect(streams).toHaveLength(3);
    for (const [, length, content] of streams) expect(content).toHaveLength(Number(length));
    expect(text).toContain('page 2 of 3');
    // 400 px back in half a second.
    expect(text).toContain('(at most 800 px/s) Tj');
    expect(text).toContain('(backs up) Tj');
    const names = [...streams[0]![2]!.matchAll(/ 1 0 0 -1 [\d.]+ ([\d.]+) Tm \((crowd\d+|and \d+ more)\)/g)];
    const ys = names.map(([, y]) => Number(y)).sort((a, b) => a - b);
    expect(ys.length).toBeGreaterThan(20);
    ys.slice(1).forEach((y, i) => expect(y - ys[i]!).toBeGreaterThan(11.9));
    expect(names.at(-1)![2]).toBe(`and ${60 - (names.length - 1)} more`);
  });
});

test.each([
  ['frames', framesShape],
  ['sheet', sheetShape],
] as const)('docs/%s.schema.json is that of what is written', (name, shape) => {
  const text = readFileSync(new URL(`../../../../docs/${name}.schema.json`, import.meta.url), 'utf8');
  expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(shape, { io: 'input' }))));
});

describe('names of CSS', () => {
  const named = (name: string): Scene => {
    const scene = WRITER_SCENES['eased']!;
    return { ...scene, riders: scene.riders.map((rider) => ({ ...rider, name })) };
  };
  test.each([
    ['2nd boat', 'r-2nd-boat'],
    ['-- x', 'r-x'],
    ['Boot */ {}', 'boot'],
  ])('%s', async (name, wanted) => {
    expect((await written(named(name), 'pace-css')).text).toContain(`\n.${wanted} {`);
    expect((await written(named(name), 'css')).text).toContain(`\n.${wanted} {`);
  });
  test('all riders in one file, each by a name of its own', async () => {
    const scene = WRITER_SCENES['carried']!;
    const same = { ...scene, riders: scene.riders.map((rider) => ({ ...rider, name: 'Boat' })) };
    const { text } = await written(same, 'css', { rider: '*' });
    const first = await written(same, 'css', { rider: same.riders[0]!.id });
    expect(text).toContain('\n.boat {');
    expect(text).toContain('\n.boat-2 {');
    // Each as it is alone, and no keyframes are called as another's.
    expect(text.startsWith(first.text.trimEnd())).toBe(true);
    const names = [...text.matchAll(/@keyframes ([\w-]+)/g)].map(([, name]) => name);
    expect(new Set(names).size).toBe(names.length);
    await expect(written(same, 'css', { rider: '*', selector: '#boat' })).rejects.toThrow(/one rider/);
  });
  test('a rider that is not there is said, not passed over', async () => {
    await expect(written(named('boat'), 'css', { rider: 'nobody' })).rejects.toThrow(/no rider “nobody”/);
  });
});
