import { brotliCompressSync, gzipSync } from 'node:zlib';
import { expect, test } from 'vitest';
import { prepare } from '../../motion/index.ts';
import type { Scene } from '../../scene/index.ts';
import { WRITER_SCENES } from '../../testing/scenes.ts';
import { formatById, memorySink, QUIET_RUN, send, textOf } from '../index.ts';

type Samples = Record<string, Record<string, number>>;
interface Module {
  readonly sample: (progress: number) => Samples;
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
    const events = motion.riders.flatMap((rider) => rider.events(0, motion.length));
    for (let i = 0; i < 60; i++) {
      const time = ((i * 0.6180339887 + 0.017) % 1) * motion.length;
      if (events.some((event) => Math.abs(event - time) < 1e-3)) continue;
      const now = sample(time / motion.length);
      const poses = motion.poseAt(time);
      scene.riders.forEach((rider, k) => {
        if (!rider.output) return;
        const { x, y, opacity } = now[rider.id]!;
        expect(Math.hypot(x! - poses.of(k, 'x'), y! - poses.of(k, 'y')), `${rider.id} at ${time}`).toBeLessThan(0.3);
        expect(Math.abs(opacity! - poses.of(k, 'opacity'))).toBeLessThan(0.01);
      });
    }
  },
);

test('what a module is beside its drawing and its keys is less than 4 kB by brotli, 4.5 kB by gzip', async () => {
  const [text = ''] = (await filesOf(WRITER_SCENES['eased']!, 'module')).values();
  const bare = text.replace(/^const (MARKUP|TRACKS|RIDERS) = [\s\S]*?;\n(?=const |\n)/gm, '');
  for (const data of ['MARKUP', 'TRACKS', 'RIDERS']) expect(bare).not.toContain(`const ${data} =`);
  expect(bare).toContain('export{mount,sample}');
  expect(brotliCompressSync(bare).length).toBeLessThan(4096);
  expect(gzipSync(bare, { level: 9 }).length).toBeLessThan(4608);
});

test('nothing in a scene’s names ends the text that they stand in', async () => {
  const scene = { ...WRITER_SCENES['eased']!, name: '</script>`${x}` "\\ \u2028' };
  const files = await filesOf(scene, 'module');
  const [text = ''] = files.values();
  expect(text).not.toContain('</script>');
  expect((await loaded(text)).sample(0)).toHaveProperty(scene.riders[0]!.id);
  const named = await filesOf({ ...scene, name: '42 *boats*' }, 'react');
  expect([...named.keys()]).toEqual(['42-boats.jsx', '42-boats.d.ts', '42-boats.module.js', '42-boats.module.d.ts']);
  expect(named.get('42-boats.jsx')).toContain('export const Loop42Boats');
});

test('a rider may be called as what every object has', async () => {
  const scene = WRITER_SCENES['eased']!;
  const odd = { ...scene, riders: scene.riders.map((rider) => ({ ...rider, id: '__proto__' })) };
  const [text = ''] = (await filesOf(odd, 'module')).values();
  const told = Object.entries((await loaded(text)).sample(0));
  expect(told).toHaveLength(1);
  expect(told[0]).toMatchObject(['__proto__', { x: prepare(odd).poseAt(0).of(0, 'x') }]);
});
