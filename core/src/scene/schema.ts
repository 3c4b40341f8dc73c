import { z } from 'zod';
import { EASE_FAMILIES, EASE_MODES, REPEATS } from '../pace/index.ts';
import { readArtMarkup } from './art/markup.ts';
import { color, degrees, guide, id, name, px, tracing, vec } from './guide-schema.ts';

/** The version that this program writes. */
export const SCENE_VERSION = 2;
export const SCENE_FORMAT = 'pace-line/scene';

/** 40 MB of pixels in all, as base64 characters. */
const MOST_ASSET_CHARACTERS = Math.ceil((40 * 1024 * 1024 * 4) / 3);

const seconds = z.number().min(0).max(36_000);
const part = z
  .tuple([z.number().min(0).max(1), z.number().min(0).max(1)])
  .readonly()
  .refine(([from, to]) => from < to, 'a part runs from a smaller share to a larger one')
  .optional();

const points = z
  .array(z.tuple([z.number().min(0).max(1), z.number().min(-100).max(100)]).readonly())
  .min(2)
  .max(1000)
  .readonly()
  .refine((list) => list[0]?.[0] === 0 && list[0][1] === 0, 'the first point is [0, 0]')
  .refine((list) => list.at(-1)?.[0] === 1 && list.at(-1)?.[1] === 1, 'the last point is [1, 1]')
  .refine(
    (list) => list.every(([time], i) => i === 0 || time >= (list[i - 1]?.[0] ?? 0)),
    'time shares never decrease',
  );

const ease = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('steady') }),
  z.strictObject({ kind: z.literal('hold') }),
  z.strictObject({ kind: z.literal('family'), family: z.enum(EASE_FAMILIES), mode: z.enum(EASE_MODES), part }),
  z.strictObject({
    kind: z.literal('bezier'),
    values: z
      .tuple([
        z.number().min(0).max(1),
        z.number().min(-100).max(100),
        z.number().min(0).max(1),
        z.number().min(-100).max(100),
      ])
      .readonly(),
    part,
  }),
  z.strictObject({ kind: z.literal('points'), points, part }),
]);

const place = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('node'),
    node: id,
    along: z.number().min(0).max(1).default(0),
    lap: z.int().min(-1000).max(1000).default(0),
  }),
  z.strictObject({ by: z.literal('share'), value: z.number().min(-1000).max(1000) }),
  z.strictObject({ by: z.literal('distance'), value: px }),
]);

const mark = z.strictObject({
  id,
  time: seconds,
  place,
  dwell: seconds.default(0),
  ease: ease.default({ kind: 'steady' }),
});

const pace = z.strictObject({
  marks: z.array(mark).max(10_000).readonly(),
  cycle: z.number().positive().max(36_000).nullable().default(null),
  delay: z.number().min(-36_000).max(36_000).default(0),
  repeat: z.enum(REPEATS).nullable().default(null),
});

const heading = z.strictObject({ mode: z.enum(['level', 'along']).default('level'), offset: degrees.default(0) });

const rider = z.strictObject({
  id,
  name,
  art: id,
  guide: id.nullable(),
  at: vec.default([0, 0]),
  visible: z.boolean().default(true),
  locked: z.boolean().default(false),
  output: z.boolean().default(true),
  pace: pace.default({ marks: [], cycle: null, delay: 0, repeat: null }),
  heading: heading.default({ mode: 'level', offset: 0 }),
  lift: px.default(0),
  lead: px.default(0),
  scale: z
    .tuple([z.number().min(-1000).max(1000), z.number().min(-1000).max(1000)])
    .readonly()
    .default([1, 1]),
  opacity: z.number().min(0).max(1).default(1),
});

const art = z.strictObject({
  id,
  name,
  kind: z.literal('svg'),
  markup: z.string().max(8_000_000),
  width: z.number().positive().max(100_000),
  height: z.number().positive().max(100_000),
  pivot: vec,
  facing: degrees.default(0),
});

const assets = z
  .record(z.string().regex(/^[0-9a-f]{64}$/, 'an asset is called by its SHA-256'), z.base64())
  .refine(
    (all) => Object.values(all).reduce((sum, text) => sum + text.length, 0) <= MOST_ASSET_CHARACTERS,
    'assets are 40 MB at most',
  );

/** The shape of a scene file. The invariants that join its parts are in `sceneSchema`. */
export const sceneShape = z.strictObject({
  format: z.literal(SCENE_FORMAT),
  version: z.literal(SCENE_VERSION),
  name,
  canvas: z.strictObject({
    width: z.number().min(1).max(16_384),
    height: z.number().min(1).max(16_384),
    background: color.nullable(),
  }),
  clock: z.strictObject({
    duration: z.number().positive().max(3600),
    fps: z.number().min(1).max(240),
    repeat: z.enum(REPEATS),
  }),
  art: z.array(art).max(10_000).readonly(),
  guides: z.array(guide).max(10_000).readonly(),
  riders: z.array(rider).max(10_000).readonly(),
  tracing: z.array(tracing).max(100).readonly().default([]),
  assets: assets.default({}),
});

type Issue = (path: (string | number)[], message: string) => void;
type Shape = z.infer<typeof sceneShape>;

function checkIds(scene: Shape, issue: Issue): void {
  const seen = new Set<string>();
  const claim = (value: string, path: (string | number)[]): void => {
    if (seen.has(value)) issue([...path, 'id'], `the id "${value}" is used twice`);
    seen.add(value);
  };
  scene.art.forEach((one, i) => claim(one.id, ['art', i]));
  scene.guides.forEach((one, i) => {
    claim(one.id, ['guides', i]);
    one.nodes.forEach((each, j) => claim(each.id, ['guides', i, 'nodes', j]));
  });
  scene.riders.forEach((one, i) => {
    claim(one.id, ['riders', i]);
    one.pace.marks.forEach((each, j) => claim(each.id, ['riders', i, 'pace', 'marks', j]));
  });
  scene.tracing.forEach((one, i) => claim(one.id, ['tracing', i]));
}

/** Marks in order, none overlapping the next, none past the cycle. The sum is compared with a hair's breadth for rounding. */
function checkMarks(rider: Shape['riders'][number], index: number, duration: number, issue: Issue): void {
  const slack = 1e-9;
  const cycle = rider.pace.cycle ?? duration;
  rider.pace.marks.forEach((one, j) => {
    const next = rider.pace.marks[j + 1];
    const path = ['riders', index, 'pace', 'marks', j];
    if (next && next.time < one.time) issue([...path, 'time'], 'marks are in order of time');
    else if (next && one.time + one.dwell > next.time + slack)
      issue([...path, 'dwell'], 'a mark rests past the next one');
    else if (!next && one.time + one.dwell > cycle + slack)
      issue([...path, 'time'], `a mark lies past the end of the cycle (${cycle} s)`);
  });
}

function checkReferences(scene: Shape, issue: Issue): void {
  const arts = new Set(scene.art.map((one) => one.id));
  const guides = new Map(scene.guides.map((one) => [one.id, new Set(one.nodes.map((each) => each.id))]));
  scene.riders.forEach((one, i) => {
    if (!arts.has(one.art)) issue(['riders', i, 'art'], `there is no art "${one.art}"`);
    const nodes = one.guide === null ? undefined : guides.get(one.guide);
    if (one.guide !== null && !nodes) issue(['riders', i, 'guide'], `there is no guide "${one.guide}"`);
    one.pace.marks.forEach((each, j) => {
      if (each.place.by === 'node' && !nodes?.has(each.place.node))
        issue(['riders', i, 'pace', 'marks', j, 'place', 'node'], `its guide has no node "${each.place.node}"`);
    });
  });
}

/** Links lead to a guide that is there and follows none itself; a drawing rider and a picture's pixels are there. */
function checkLinks(scene: Shape, issue: Issue): void {
  const guides = new Map(scene.guides.map((one) => [one.id, one]));
  const riders = new Set(scene.riders.map((one) => one.id));
  scene.guides.forEach((one, i) => {
    const original = one.link && guides.get(one.link.of);
    if (one.link && !original) issue(['guides', i, 'link', 'of'], `there is no guide "${one.link.of}"`);
    if (original?.link || (one.link && one.link.of === one.id))
      issue(['guides', i, 'link', 'of'], 'a linked guide follows one that is not linked itself');
    if (one.stroke?.draws != null && !riders.has(one.stroke.draws))
      issue(['guides', i, 'stroke', 'draws'], `there is no rider "${one.stroke.draws}"`);
  });
  scene.tracing.forEach((one, i) => {
    if (!(one.asset in scene.assets)) issue(['tracing', i, 'asset'], 'its picture is not in the assets');
  });
}

/** The one definition of a scene: shape, references, order of marks, unique ids, verified art. */
export const sceneSchema = sceneShape.superRefine((scene, context) => {
  const issue: Issue = (path, message) => context.addIssue({ code: 'custom', path, message });
  checkIds(scene, issue);
  checkReferences(scene, issue);
  checkLinks(scene, issue);
  scene.riders.forEach((one, i) => checkMarks(one, i, scene.clock.duration, issue));
  scene.art.forEach((one, i) => {
    const read = readArtMarkup(one.markup);
    if (!read.ok) issue(['art', i, 'markup'], `line ${read.line}: ${read.message}`);
  });
});

type Immutable<T> = T extends (infer U)[]
  ? readonly Immutable<U>[]
  : T extends object
    ? { readonly [K in keyof T]: Immutable<T[K]> }
    : T;

export type Scene = Immutable<z.infer<typeof sceneShape>>;
export type Art = Scene['art'][number];
export type Guide = Scene['guides'][number];
export type Node = Guide['nodes'][number];
export type Join = Node['join'];
export type Rider = Scene['riders'][number];
export type Pace = Rider['pace'];
export type Mark = Pace['marks'][number];
export type Place = Mark['place'];
export type Heading = Rider['heading'];
export type Clock = Scene['clock'];
export type GuideLink = NonNullable<Guide['link']>;
export type GuideStroke = NonNullable<Guide['stroke']>;
export type Tracing = Scene['tracing'][number];
