import { expect, test } from 'vitest';
import { riderCodes, type Scene } from '../../../scene/index.ts';
import { riderOn, sceneOf, WRITER_SCENES } from '../../../testing/scenes.ts';
import { formatById, memorySink, QUIET_RUN, send, textOf } from '../../index.ts';
import { partsOf } from './parts.ts';
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

interface Written {
  readonly op: number;
  readonly fr: number;
  readonly assets: readonly { readonly p?: string }[];
  readonly markers: readonly { readonly tm: number; readonly cm: string; readonly dr: number }[];
  readonly layers: readonly Layer[];
}

async function lottieOf(scene: Scene): Promise<Written> {
  const { sink, files } = memorySink();
  const format = formatById('lottie')!;
  await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
  return JSON.parse(textOf(files[0]!)) as never;
}

test('a drawing of text alone is an image, is said, and moves as before', async () => {
  const scene = sceneOf({
    art: [drawing('<text x="5" y="20">Tea &amp; “milk”</text>')],
    riders: [riderOn('r', 'loops', [], { art: 'd', guide: null, at: [30, 40] })],
  });
  const file = await lottieOf(scene);
  expect(file.layers.find(({ ty }) => ty === 2)?.ks.p.x.k).toBe(30);
  expect(decodeURIComponent(file.assets[0]!.p!)).toContain('Tea &amp; “milk”');
  expect(formatById('lottie')!.notes!(scene, {})[0]).toContain(': “Drawing”, as it has a <text>');
});

/** The kinds of a drawing's parts, the rearmost first, with how many shapes and outlines, or the text of the picture. */
const partsIn = (inner: string, more?: string): string[] =>
  partsOf(drawing(inner, more)).parts.map((part) =>
    part.kind === 'shapes'
      ? `${part.shapes.length} shapes${part.within.length > 0 ? ` within ${part.within.length}` : ''}`
      : (part.picture as { markup: string }).markup.replace(/^<svg[^>]*>|<\/svg>$|<defs>.*<\/defs>/g, ''),
  );

test('of a drawing, what shapes cannot hold is a picture in its place, with what is around it; the rest is shapes', () => {
  expect(
    partsIn(
      '<rect width="9" height="9"/><circle r="3"/><g fill="red" transform="translate(3)"><rect width="2" height="2"/><text>a</text><text>b</text></g><rect width="4" height="4"/>',
    ),
  ).toEqual(['3 shapes', '<g fill="red" transform="translate(3)"><text>a</text><text>b</text></g>', '1 shapes']);
  // A group that fades as a whole stays one.
  expect(partsIn('<rect width="9" height="9"/><g opacity=".5"><rect width="2" height="2"/><text>a</text></g>')).toEqual(
    ['1 shapes', '<g opacity=".5"><rect width="2" height="2"/><text>a</text></g>'],
  );
  expect(partsIn('<text>a</text>')).toEqual(['<text>a</text>']);
  expect(partsIn('<rect width="9" height="9"/><text>a</text>', 'opacity=".5"')).toEqual([
    '<rect width="9" height="9"/><text>a</text>',
  ]);
  const many = Array.from({ length: 30 }, () => '<rect width="9" height="9"/><text>a</text>').join('');
  expect(partsIn(many)).toHaveLength(1);
});

test.each([
  ['<circle r="9"/>', '1 shapes within 1'],
  ['<circle r="9"/><rect width="5" height="5" transform="scale(2)"/>', '1 shapes within 2'],
  // Two outlines of one path may be a hole, a text has none that are known.
  ['<path d="M0 0H9V9ZM1 1H5V5Z"/>', '<rect width="9" height="9" clip-path="url(#c)"/>'],
  ['<text>a</text>', '<rect width="9" height="9" clip-path="url(#c)"/>'],
  ['', '<rect width="9" height="9" clip-path="url(#c)"/>'],
])('a clip of plain outlines is geometry: %s', (clip, made) => {
  const [first, second] = partsIn(
    `<defs><clipPath id="c">${clip}</clipPath></defs><rect width="3" height="3"/><rect width="9" height="9" clip-path="url(#c)"/>`,
  );
  expect([first, second]).toEqual(['1 shapes', made]);
});

test('what lies in a clip and reaches out of its box is cut by both: masks alone would show all that is in either', async () => {
  const scene = sceneOf({
    art: [
      drawing(
        '<defs><clipPath id="c"><circle cx="90" cy="40" r="20"/></clipPath></defs><rect width="300" height="80" clip-path="url(#c)"/>',
        '',
      ),
    ],
    riders: [riderOn('r', 'loops', [], { art: 'd', guide: null, at: [30, 40] })],
  });
  const file = await lottieOf(scene);
  expect(file.layers.find(({ nm }) => nm === 'r')).toMatchObject({ ty: 0, w: 100, h: 80 });
  const [inner] = (file.assets[0] as unknown as { layers: { masksProperties: unknown[] }[] }).layers;
  expect(inner!.masksProperties).toHaveLength(1);
});

test('marks are markers, by the rider’s name in code and the number of the mark, in frames', async () => {
  const scene = WRITER_SCENES['eased']!;
  const file = await lottieOf(scene);
  const code = riderCodes(scene.riders).get(scene.riders[0]!.id)!;
  const [first, second] = scene.riders[0]!.pace.marks;
  expect(file.markers[0]).toEqual({
    tm: expect.closeTo(first!.time * scene.clock.fps, 3) as number,
    cm: `${code} 1`,
    dr: 0,
  });
  expect(file.markers[1]).toMatchObject({
    tm: expect.closeTo(second!.time * scene.clock.fps, 3) as number,
    cm: `${code} 2`,
  });
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
