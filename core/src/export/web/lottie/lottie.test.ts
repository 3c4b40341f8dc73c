import { expect, test } from 'vitest';
import type { Scene } from '../../../scene/index.ts';
import { riderOn, sceneOf, WRITER_SCENES } from '../../../testing/scenes.ts';
import { formatById, memorySink, QUIET_RUN, send, textOf } from '../../index.ts';
import { shapesOf } from './shapes.ts';

const drawing = (inner: string, more = 'overflow="visible"') => ({
  kind: 'svg' as const,
  id: 'd',
  name: 'Drawing',
  width: 100,
  height: 80,
  pivot: [0, 0] as const,
  facing: 0,
  markup: `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="80" viewBox="0 0 100 80" ${more}>${inner}</svg>`,
});

/** Types of the items of a drawing's groups, the foremost first. */
const typesOf = (inner: string): string[][] => {
  const made = shapesOf(drawing(inner));
  if (!made.ok) throw new Error(made.why);
  return made.shapes.map((one) => (one as unknown as { it: { ty: string }[] }).it.map(({ ty }) => ty));
};

test('the foremost comes first, and a stroke before its fill', () => {
  expect(
    typesOf(
      '<rect width="9" height="9" fill="#fff" stroke="red"/><g><circle r="3"/><path d="M0 0L9 9" fill="none" stroke="#000"/></g>',
    ),
  ).toEqual([
    ['sh', 'st', 'tr'],
    ['sh', 'fl', 'tr'],
    ['sh', 'st', 'tr'],
    ['sh', 'fl', 'tr'],
  ]);
});

test('a gradient of a box that is no square is stretched with its shape', () => {
  const made = shapesOf(
    drawing(
      '<defs><radialGradient id="a"><stop offset="0" stop-color="#fff"/><stop offset="100%" stop-opacity="0"/></radialGradient></defs><rect x="10" width="40" height="20" fill="url(#a)"/>',
    ),
  );
  if (!made.ok) throw new Error(made.why);
  const [only] = made.shapes as unknown as { it: Record<string, { k: unknown }>[] }[];
  const tr = only!.it.at(-1)!;
  // Half of 40 and of 20 px, of a circle of 100.
  expect(tr['s']!.k).toEqual([20, 10]);
  expect(tr['p']!.k).toEqual([30, 10]);
  expect(only!.it[1]!['g']).toEqual({ p: 2, k: { a: 0, k: [0, 1, 1, 1, 1, 0, 0, 0, 0, 1, 1, 0] } });
});

test.each([
  ['<text>a</text>', '<text>'],
  ['<defs><filter id="f"/></defs><rect width="9" height="9" filter="url(#f)"/>', '“filter”'],
  ['<defs><pattern id="p"/></defs><rect width="9" height="9" fill="url(#p)"/>', 'a pattern'],
  ['<g transform="scale(2 1)"><path d="M0 0H9" stroke="#000"/></g>', 'stretched'],
])('what shapes cannot hold is said: %s', (inner, why) => {
  const made = shapesOf(drawing(inner));
  expect(made.ok ? '' : made.why).toContain(why);
});

test('what reaches beyond a drawing’s box is clipped where the drawing clips it', () => {
  const beyond = '<rect x="90" width="20" height="9"/>';
  expect(shapesOf(drawing(beyond, ''))).toMatchObject({ clipped: true });
  expect(shapesOf(drawing(beyond))).toMatchObject({ clipped: false });
  expect(shapesOf(drawing('<rect width="20" height="9"/>', ''))).toMatchObject({ clipped: false });
});

interface Layer {
  readonly ty: number;
  readonly nm: string;
  readonly ip: number;
  readonly op: number;
  readonly ks: { readonly p: { readonly x: { readonly k: unknown } } };
}

async function lottieOf(scene: Scene): Promise<{ op: number; fr: number; assets: { p: string }[]; layers: Layer[] }> {
  const { sink, files } = memorySink();
  const format = formatById('lottie')!;
  await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
  return JSON.parse(textOf(files[0]!)) as never;
}

test('a drawing with text is an image, is said, and moves as before', async () => {
  const scene = sceneOf({
    art: [drawing('<text x="5" y="20">Tea & “milk”</text>'.replace('&', '&amp;'))],
    riders: [riderOn('r', 'loops', [], { art: 'd', guide: null, at: [30, 40] })],
  });
  const file = await lottieOf(scene);
  expect(file.layers.find(({ ty }) => ty === 2)?.ks.p.x.k).toBe(30);
  expect(decodeURIComponent(file.assets[0]!.p)).toContain('Tea &amp; “milk”');
  expect(formatById('lottie')!.notes!(scene, {})[0]).toContain('“Drawing”, as it has a <text>');
});

test('keys are in frames of the scene, in order, within the loop', async () => {
  for (const [name, scene] of Object.entries(WRITER_SCENES)) {
    const file = await lottieOf(scene);
    expect(file.fr).toBe(scene.clock.fps);
    const visit = (value: unknown): void => {
      if (typeof value !== 'object' || value === null) return;
      if ('a' in value && value.a === 1 && 'k' in value) {
        const times = (value.k as { t: number }[]).map(({ t }) => t);
        times.forEach((time, i) => expect(time, name).toBeGreaterThan(times[i - 1] ?? -1));
        expect(times.at(-1), name).toBeLessThanOrEqual(file.op);
      }
      Object.values(value).forEach(visit);
    };
    visit(file);
  }
});
