import { brotliCompressSync, gzipSync } from 'node:zlib';
import { expect, test } from 'vitest';
import { prepare } from '../../motion/index.ts';
import { riderCodes, type Scene } from '../../scene/index.ts';
import { WRITER_SCENES } from '../../testing/scenes.ts';
import { formatById, memorySink, QUIET_RUN, send, textOf } from '../index.ts';

type Samples = Record<string, Record<string, number>>;
interface Module {
  readonly sample: ((progress: number) => Samples) & ((rider: string, progress: number) => Samples[string]);
}

async function filesOf(scene: Scene, id: string): Promise<ReadonlyMap<string, string>> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
  return new Map(files.map((file) => [file.name, textOf(file)]));
}

const loaded = (text: string): Promise<Module> =>
  import(/* @vite-ignore */ `data:text/javascript;base64,${Buffer.from(text).toString('base64')}`) as Promise<Module>;

test.each(Object.entries(WRITER_SCENES))(
  'a module of %s tells without a page where every rider is',
  async (_, scene) => {
    const files = await filesOf(scene, 'module');
    const { sample } = await loaded([...files.values()][0]!);
    const motion = prepare(scene);
    const codes = riderCodes(scene.riders);
    const events = motion.riders.flatMap((rider) => rider.events(0, motion.length));
    for (let i = 0; i < 60; i++) {
      const time = ((i * 0.6180339887 + 0.017) % 1) * motion.length;
      if (events.some((event) => Math.abs(event - time) < 1e-3)) continue;
      const now = sample(time / motion.length);
      const poses = motion.poseAt(time);
      scene.riders.forEach((rider, k) => {
        if (!rider.output) return;
        const { x, y, opacity } = now[codes.get(rider.id)!]!;
        expect(Math.hypot(x! - poses.of(k, 'x'), y! - poses.of(k, 'y')), `${rider.id} at ${time}`).toBeLessThan(0.3);
        expect(Math.abs(opacity! - poses.of(k, 'opacity'))).toBeLessThan(0.01);
      });
    }
  },
);

test('what a module is beside its drawing and its keys is less than 5.5 kB by brotli, 6 kB by gzip', async () => {
  const [text = ''] = (await filesOf(WRITER_SCENES['eased']!, 'module')).values();
  const bare = text.replace(/^const (MARKUP|TRACKS|RIDERS|MARKS) = [\s\S]*?;\n(?=const |\n)/gm, '');
  for (const data of ['MARKUP', 'TRACKS', 'RIDERS', 'MARKS']) expect(bare).not.toContain(`const ${data} =`);
  expect(bare).toContain('export{mount,picture,sample}');
  expect(brotliCompressSync(bare).length).toBeLessThan(5632);
  expect(gzipSync(bare, { level: 9 }).length).toBeLessThan(6144);
});

test('nothing in a scene’s names ends the text that they stand in', async () => {
  const plain = WRITER_SCENES['eased']!;
  const bad = '</script>`${x}` "\\ \u2028<!--';
  const scene = { ...plain, name: bad, riders: plain.riders.map((rider) => ({ ...rider, name: bad })) };
  const files = await filesOf(scene, 'module');
  const [text = ''] = files.values();
  expect(text).not.toMatch(/<\/script|<!--/);
  expect((await loaded(text)).sample(0)).toHaveProperty(riderCodes(scene.riders).get(scene.riders[0]!.id)!);
  const named = await filesOf({ ...scene, name: '42 *boats*' }, 'react');
  expect([...named.keys()]).toEqual(['42-boats.jsx', '42-boats.d.ts', '42-boats.module.js', '42-boats.module.d.ts']);
  expect(named.get('42-boats.jsx')).toContain('export const Loop42Boats');
});

test.each(['constructor', '__proto__', 'toString'])(
  'a rider may be called %s, as what every object has',
  async (name) => {
    const scene = WRITER_SCENES['eased']!;
    const odd = { ...scene, riders: scene.riders.map((rider) => ({ ...rider, id: '__proto__', name })) };
    const [text = ''] = (await filesOf(odd, 'module')).values();
    const { sample } = await loaded(text);
    const told = Object.entries(sample(0));
    expect(told).toHaveLength(1);
    const x = prepare(odd).poseAt(0).of(0, 'x');
    expect(told[0]).toMatchObject([riderCodes(odd.riders).get('__proto__'), { x }]);
    expect(sample(name, 0)).toMatchObject({ x });
    expect(() => sample('valueOf', 0)).toThrow('there is no rider valueOf');
  },
);

test('code calls riders by their names, and asks for one by either; types know both', async () => {
  const scene = WRITER_SCENES['carried']!;
  const named = {
    ...scene,
    riders: scene.riders.map((rider, i) => ({ ...rider, name: i === 0 ? 'Tea "Glider"' : 'Lamp' })),
  };
  const files = await filesOf(named, 'module');
  const [text = '', types = ''] = files.values();
  const { sample } = await loaded(text);
  const all = sample(0.3);
  expect(Object.keys(all)).toEqual([...riderCodes(named.riders).values()]);
  expect(sample('Tea "Glider"', 0.3)).toEqual(all['tea-glider']);
  expect(sample('tea-glider', 0.3)).toEqual(all['tea-glider']);
  expect(types).toContain('export type RiderCode = "tea-glider" | "lamp"');
  expect(types).toContain('export type RiderName = "Tea \\"Glider\\"" | "Lamp"');
  expect(types).toContain('sample(rider: RiderCode | RiderName, progress?: number): Sample');
});
