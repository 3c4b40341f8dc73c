/* eslint-disable @typescript-eslint/no-explicit-any, @typescript-eslint/no-unsafe-assignment, @typescript-eslint/no-unsafe-member-access, @typescript-eslint/no-unsafe-call, @typescript-eslint/no-unsafe-return -- files are broken on purpose, in every place */
import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { z } from '../zod.ts';
import { BOX_ART, LINE, riderOn, sceneOf, WRITER_SCENES } from '../testing/scenes.ts';
import {
  asName,
  leadInOf,
  migrate,
  readArtMarkup,
  readScene,
  sceneFromJson,
  sceneShape,
  wordingOf,
  writeScene,
  type Scene,
  type SvgArt,
} from './index.ts';

const base = () =>
  JSON.parse(
    writeScene(
      sceneOf({ guides: [LINE], riders: [riderOn('r', 'line', [{ time: 0, place: { by: 'node', node: 'a' } }])] }),
    ),
  ) as Record<string, never>;

/** The first problem's path after a change to a good scene. */
function problemAfter(change: (scene: any) => void): string | undefined {
  const json = base();
  change(json);
  const read = sceneFromJson(json);
  return read.ok ? undefined : read.problems[0]?.path;
}

describe('the schema refuses, with the path', () => {
  const cases: [string, (scene: any) => void, string][] = [
    ['an unknown key', (s) => (s.riders[0].speed = 1), 'riders.0'],
    ['an unknown key of the scene', (s) => (s.extra = 1), ''],
    ['an art that is not there', (s) => (s.riders[0].art = 'none'), 'riders.0.art'],
    ['a guide that is not there', (s) => (s.riders[0].guide = 'none'), 'riders.0.guide'],
    ['a node of no guide', (s) => (s.riders[0].pace.marks[0].place.node = 'z'), 'riders.0.pace.marks.0.place.node'],
    ['an id used twice', (s) => (s.riders[0].id = 'a'), 'riders.0.id'],
    ['a negative time', (s) => (s.riders[0].pace.marks[0].time = -1), 'riders.0.pace.marks.0.time'],
    [
      'marks out of order',
      (s) => s.riders[0].pace.marks.unshift({ id: 'm0', time: 1, place: { by: 'share', value: 0 } }),
      'riders.0.pace.marks.0.time',
    ],
    [
      'a rest past the next mark',
      (s) => s.riders[0].pace.marks.unshift({ id: 'm0', time: 0, dwell: 0.5, place: { by: 'share', value: 0 } }),
      'riders.0.pace.marks.0.dwell',
    ],
    ['a mark past the cycle', (s) => (s.riders[0].pace.marks[0].time = 4.5), 'riders.0.pace.marks.0.time'],
    ['a rest past the cycle', (s) => (s.riders[0].pace.marks[0].dwell = 4.5), 'riders.0.pace.marks.0.time'],
    ['a colour that is none', (s) => (s.canvas.background = 'url(x)'), 'canvas.background'],
    ['a duration of 0', (s) => (s.clock.duration = 0), 'clock.duration'],
    [
      'art that runs',
      (s) => (s.art[0].markup = '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
      'art.0.markup',
    ],
    [
      'points that go back in time',
      (s) =>
        (s.riders[0].pace.marks[0].ease = {
          kind: 'points',
          points: [
            [0, 0],
            [0.6, 1],
            [0.5, 1],
            [1, 1],
          ],
        }),
      'riders.0.pace.marks.0.ease.points',
    ],
    ['an asset with a wrong name', (s) => (s.assets = { cat: 'AAAA' }), 'assets.cat'],
  ];
  test.each(cases)('%s', (_, change, path) => expect(problemAfter(change)).toBe(path));
  test('not JSON, not an object, not a scene, a newer version', () => {
    for (const text of ['{', '[]', '"x"', '{}', '{"format":"other"}']) expect(readScene(text).ok).toBe(false);
    const newer = readScene('{"format":"pace-line/scene","version":99}');
    expect(!newer.ok && newer.problems[0]?.message).toMatch(/version 99.*newer/);
  });
  test('the untouched scene is good', () => expect(problemAfter(() => undefined)).toBeUndefined());
});

describe('file → scene → file', () => {
  test.each(Object.entries(WRITER_SCENES))('%s keeps its bytes', (_, scene) => {
    const text = writeScene(scene);
    const read = readScene(text);
    expect(read.ok && read.scene).toEqual(scene);
    expect(read.ok && writeScene(read.scene)).toBe(text);
  });
  test('defaults are left out and come back', () => {
    const text = writeScene(WRITER_SCENES['eased']!);
    expect(text).not.toContain('"opacity"');
    expect(text).not.toContain('"dwell"');
    expect(text).toContain('"out": [0, -90]');
  });
  test('strings that look like lists of numbers stay as they are', () => {
    const scene = { ...WRITER_SCENES['eased']!, name: '[ 1, 2 ]' };
    const read = readScene(writeScene(scene));
    expect(read.ok && read.scene.name).toBe('[ 1, 2 ]');
  });
});

describe('what is said of a bad file', () => {
  const saidAfter = (change: (scene: any) => void): string => {
    const json = base();
    change(json);
    const read = sceneFromJson(json);
    return read.ok ? 'nothing' : read.problems.map(wordingOf)[0]!;
  };
  test.each<[(scene: any) => void, string]>([
    [(s) => (s.canvas.width = 'wide'), 'canvas.width: expected a number, found text'],
    [(s) => delete s.canvas.height, 'canvas.height: expected a number, found nothing'],
    [(s) => (s.canvas.height = 0), 'canvas.height: at least 1'],
    [(s) => (s.riders = {}), 'riders: expected a list, found an object'],
    [(s) => (s.clock.repeat = 'twice'), 'clock.repeat: expected "loop" or "there-and-back" or "once", found "twice"'],
    [(s) => (s.riders[0].opacity = 2), 'riders.0.opacity: at most 1'],
    [(s) => (s.riders[0].speed = 1), 'riders.0: "speed" is not known here'],
    [(s) => (s.name = 'n'.repeat(201)), 'name: at most 200 letters'],
    [(s) => (s.guides[0].nodes[0].in = [1]), 'guides.0.nodes.0.in: at least 2 entries'],
    [(s) => (s.riders[0].pace.marks[0].place = 5), 'riders.0.pace.marks.0.place: expected an object, found a number'],
  ])('%#: in words, with the place', (change, words) => {
    expect(saidAfter(change)).toBe(words);
  });
  test('what is no scene is said to be just that, first', () => {
    for (const text of ['', '{', '[]', '"a"', 'null', '{"format":"other"}', '<svg/>']) {
      const read = readScene(text);
      expect(read.ok ? '' : read.problems[0]?.message).toMatch(/^this is not a Pace Line scene/);
    }
  });
});

describe('at the edge of what a scene may hold', () => {
  test('half characters and characters that XML forbids do not come in', () => {
    const json = base() as any;
    json.name = 'a\uD800b\u0000c😀\uFFFE';
    json.art[0].markup = json.art[0].markup.replace('</svg>', '<title>\uDC00</title></svg>');
    const read = sceneFromJson(json);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.scene.name).toBe('a\uFFFDbc😀');
    expect(() => encodeURIComponent(writeScene(read.scene))).not.toThrow();
    expect(() => encodeURIComponent((read.scene.art[0] as SvgArt).markup)).not.toThrow();
  });
  test('names are made to fit: on one line, whole characters, at most 200', () => {
    expect(asName('  a\tb\nc ')).toBe('a b c');
    expect(asName('😀'.repeat(150))).toBe('😀'.repeat(100));
    expect(asName(`x${'😀'.repeat(150)}`)).toBe(`x${'😀'.repeat(99)}`);
  });
  test('cycles and durations too short for any frame, and places out of this world, are refused', () => {
    expect(problemAfter((s) => (s.clock.duration = 1e-300))).toBe('clock.duration');
    expect(problemAfter((s) => (s.riders[0].pace.cycle = 5e-324))).toBe('riders.0.pace.cycle');
    expect(problemAfter((s) => (s.guides[0].nodes[0].x = 1e9))).toBe('guides.0.nodes.0.x');
  });
  test('an asset is called by its SHA-256, not by a property of objects', () => {
    const picture = { id: 't', name: '', type: 'image/png', width: 1, height: 1, x: 0, y: 0 };
    for (const asset of ['constructor', 'f'.repeat(64)])
      expect(problemAfter((s) => (s.tracing = [{ ...picture, asset }]))).toBe('tracing.0.asset');
  });
});

describe('versions', () => {
  test('the frozen scene of version 1 is read, and means what it meant', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-1.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const [ferry] = read.scene.riders;
    expect(ferry).toMatchObject({
      lift: 0,
      lead: 0,
      scale: [1, 1],
      opacity: 1,
      visible: true,
      output: true,
      locked: false,
    });
    expect(ferry?.pace.marks[0]).toMatchObject({ dwell: 0.5, place: { by: 'node', node: 'n1', along: 0.25, lap: 0 } });
    expect(ferry?.pace.marks[1]).toMatchObject({ dwell: 0, ease: { kind: 'steady' } });
  });
  test('the frozen scene of version 2 is read, with what guides and pictures may leave out', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-2.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const [canal, beside, ring] = read.scene.guides;
    expect(canal).toMatchObject({ thickness: 6, stroke: { dash: null, draws: 'ferry' } });
    expect(canal?.nodes[0]?.name).toBe('Landing');
    expect(beside?.link).toEqual({ kind: 'parallel', of: 'canal', distance: 40 });
    expect(ring?.shape).toMatchObject({ kind: 'circle', turn: 0, reversed: false, start: 0 });
    expect(read.scene.tracing[0]).toMatchObject({ scale: 1, opacity: 0.5, visible: true, locked: true });
  });
  test('the frozen scene of version 3 is read, with what riders may leave out', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-3.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const [ferry, lamp, barrel, gull, sledge] = read.scene.riders;
    expect(ferry?.heading).toEqual({
      ...{ mode: 'along', offset: 5, smooth: 20, reverse: 'turn', left: 'mirror', limit: 360 },
      ...{ base: 40, target: { kind: 'point', at: [0, 0] } },
    });
    expect(ferry?.keys.turn[0]).toEqual({ id: 'k1', time: 0, value: 0, ease: { kind: 'hold' }, mark: null });
    expect(lamp).toMatchObject({ stand: 15, carrier: { rider: 'ferry', turn: false, scale: true, mirror: true } });
    expect(barrel?.roll).toEqual({ radius: 9, guide: 'centre', side: 'right' });
    expect(gull?.heading.target).toEqual({ kind: 'rider', rider: 'lamp' });
    expect(sledge?.squash).toEqual({
      ...{ by: 'speed', axis: 'heading', angle: 90, about: null, strength: 0.3, limit: 1.4 },
    });
    expect(read.scene.guides.find(({ id }) => id === 'deck')?.carrier).toBe('ferry');
  });
  test('the frozen scene of version 4 is read, with what riders and guides may leave out', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-4.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { riders, guides, camera } = read.scene;
    expect(camera).toBe('eye');
    const [ferry, splash, rope] = ['ferry', 'splash-1', 'rope'].map((id) => riders.find((one) => one.id === id));
    expect(ferry).toMatchObject({ raise: 25, parallax: 1, inside: null, strung: null, pace: { link: 'ferries' } });
    expect(ferry?.behind[0]).toMatchObject({ by: 'places', from: { along: 0.25, lap: 0 }, to: { value: 0.5 } });
    expect(splash?.poses).toMatchObject({ by: 'mark', first: 1, rate: 8, stride: 100, around: 'hidden' });
    expect(splash).toMatchObject({ parallax: 0.5, inside: { keep: 'outside' } });
    expect(rope?.strung).toEqual({ from: 'ferry', to: 'splash-1', fromAt: null, toAt: [0, 10], stretch: true });
    expect(guides.map(({ depth }) => depth?.speed ?? null)).toContain(true);
  });
  test('the frozen scene of version 5 is read, with what eases and recipes may leave out', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-5.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const [ferry, barrel, sledge] = ['ferry', 'barrel', 'sledge'].map((id) =>
      read.scene.riders.find((one) => one.id === id),
    );
    // What softer meant then is a mixture with steady by name.
    expect(ferry?.pace.marks[0]?.ease).toMatchObject({ kind: 'family', even: 0.5 });
    expect(ferry?.pace.recipe).toBeNull();
    expect(ferry?.keys.turn[0]?.ease).toMatchObject({
      points: [
        { time: 0.4, slope: null },
        { time: 0.7, slope: [-1, 2] },
      ],
      ends: [null, null],
    });
    expect(sledge?.pace.marks[0]?.ease).toEqual({ kind: 'flow' });
    expect(barrel?.pace.recipe).toEqual({
      ...{ kind: 'fall', gravity: 800, down: 90, start: 0, least: 30, friction: 0, fit: true },
    });
  });
  test('the frozen scene of version 6 is read, with what clocks, drivers and wavers may leave out', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-6.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { clock, driver, riders } = read.scene;
    expect(clock.tempo).toEqual({ beats: 96, from: 0 });
    expect(driver).toEqual([{ kind: 'click', again: 'back' }]);
    expect(riders.find(({ id }) => id === 'ferry')?.pace.on).toBe(2);
    expect(riders.find(({ id }) => id === 'barrel')?.pace.recipe).toEqual({
      ...{ kind: 'waver', speed: 0.4, sway: 12, waves: 6, seed: 1 },
    });
    expect(read.scene.sets).toEqual([]);
  });
  test('the frozen scene of version 7 is read, with sets of outputs that may be of a later program', () => {
    const text = readFileSync(new URL('./frozen/version-7.paceline.json', import.meta.url), 'utf8');
    const read = readScene(text);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.scene.sets).toEqual([
      {
        id: 'for-the-site',
        name: 'For the site',
        outputs: [
          { format: 'animated-svg', options: {} },
          { format: 'gif', options: { scale: 0.5, dither: true, background: true } },
          { format: 'hologram', options: { depth: 3, title: 'Of a later version' } },
        ],
      },
    ]);
    const again = readScene(writeScene(read.scene));
    expect(again.ok && again.scene.sets).toEqual(read.scene.sets);
  });
  test('the frozen scene of version 8 is read, with entrances and what they may leave out', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-8.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const entrances = read.scene.riders.flatMap(({ entrance }) => entrance ?? []);
    expect(entrances).toEqual([
      {
        ...{ start: 0.2, seconds: 0.75, from: [-80, 24], turn: -15, scale: 0.5, opacity: 0 },
        ease: { kind: 'spring', overshoot: 12, settle: 0.9 },
      },
      {
        ...{ start: 0, seconds: 0.6, from: [0, 40], turn: 0, scale: 1, opacity: 0 },
        ease: { kind: 'family', family: 'cubic', mode: 'out' },
      },
    ]);
    expect(leadInOf(read.scene)).toBeCloseTo(0.95, 9);
  });
  test('the frozen scene of version 9 is read, with a rider that is seen within a carried guide', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-9.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { riders, guides } = read.scene;
    expect(guides.find(({ id }) => id === 'porthole')).toMatchObject({ closed: true, carrier: 'ferry' });
    expect(riders.map(({ id, inside }) => [id, inside])).toEqual([
      ['ferry', null],
      ['gull', { guide: 'porthole', keep: 'inside' }],
      ['smoke', { guide: 'porthole', keep: 'outside' }],
    ]);
  });
  test('the frozen scene of version 12 is read, with what it is checked against', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-12.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.scene.checks).toEqual({
      clearance: 12,
      bounds: [
        { rider: 'gull', side: 'out', area: { kind: 'art', rider: 'ferry', part: null }, by: 'pivot' },
        { rider: 'ferry', side: 'in', area: { kind: 'lane', guide: 'canal' }, by: 'body' },
      ],
      meant: [{ check: 'clearance', riders: ['ferry', 'gull'], found: 'overlap 0.50–1.25 s', why: 'it lands on it' }],
    });
  });
  test('the frozen scene of version 11 is read, with a first round', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-11.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.scene.riders.map(({ pace: { only, hidden, leadIn } }) => [only, hidden, leadIn])).toEqual([
      [true, false, null],
      [false, true, null],
      [false, false, 'stands'],
    ]);
    // 0.5 + 4 s for who comes once, in whole loops as the gull runs in it.
    expect(leadInOf(read.scene)).toBe(8);
  });
  test('the frozen scene of version 10 is read, with several triggers and a pivot of a rider’s own', () => {
    const read = readScene(readFileSync(new URL('./frozen/version-10.paceline.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.scene.driver).toEqual([
      { kind: 'over', leaving: 'finish' },
      { kind: 'click', again: 'back' },
    ]);
    expect(read.scene.riders.map(({ pivot }) => pivot)).toEqual([[10, 12.5], null, null]);
    const [ferry, gull] = read.scene.riders;
    expect(ferry).toMatchObject({
      ...{ liftBy: 'rounded', rounding: 40, shift: [3, -4], squash: { axis: 'own', angle: 30 } },
      keys: { squash: [{}, { value: 0.8, mark: 'm2', edge: 'end' }], axis: [{ value: 15 }] },
      pace: { times: 3, marks: [{ ease: { strength: 0.5, even: 0.25 } }, {}] },
    });
    expect(gull).toMatchObject({ liftBy: 'normal', shift: [0, 0], keys: { opacity: [{ mark: 'm1' }] } });
    const wrong = (driver: unknown): string =>
      JSON.stringify(sceneFromJson({ ...read.scene, driver: driver as Scene['driver'] }));
    expect(wrong([{ kind: 'scroll' }, { kind: 'click' }])).toMatch(/scrolling drives alone/);
    expect(wrong([{ kind: 'click' }, { kind: 'click' }])).toMatch(/once/);
    expect(wrong([])).toMatch(/"ok":false/);
  });
  test.each([
    ['a camera that is nobody', (scene: Scene) => ({ ...scene, camera: 'nobody' }), /no rider "nobody"/],
    [
      'strung to nobody',
      changed('rope', { strung: { from: 'ferry', to: 'nobody', stretch: true } }),
      /no rider "nobody"/,
    ],
    ['strung and on a guide', changed('rope', { guide: 'canal' }), /strung between two riders has no guide/],
    [
      'strung in a circle',
      changed('ferry', {
        carrier: null,
        guide: null,
        pace: { marks: [] },
        behind: [],
        strung: { from: 'rope', to: 'eye' },
      }),
      /circle|guide/,
    ],
    [
      'behind itself',
      changed('splash-1', {
        behind: [{ by: 'places', rider: 'splash-1', from: { by: 'share', value: 0 }, to: { by: 'share', value: 1 } }],
      }),
      /behind itself/,
    ],
    [
      'behind from a mark that is not there',
      changed('eye', { behind: [{ by: 'marks', rider: 'rope', from: 'x', to: 'y' }] }),
      /no mark "x"/,
    ],
    ['seen inside an open guide', changed('eye', { inside: { guide: 'canal' } }), /closed guide/],
    [
      'poses from no mark',
      changed('eye', { poses: { by: 'mark', mark: { rider: 'ferry', mark: 'zz' } } }),
      /no mark "zz"/,
    ],
  ])('%s is refused', (_, change, words) => {
    const json = JSON.parse(
      readFileSync(new URL('./frozen/version-4.paceline.json', import.meta.url), 'utf8'),
    ) as Scene;
    const read = sceneFromJson(change(json));
    expect(read.ok ? '' : read.problems.map(({ message }) => message).join('; ')).toMatch(words);
  });
  test('every migration is exercised: version 1 becomes what this program writes', () => {
    const json = JSON.parse(
      readFileSync(new URL('./frozen/version-1.paceline.json', import.meta.url), 'utf8'),
    ) as object;
    expect(migrate(json as Record<string, unknown>)).toMatchObject({ ok: true, scene: { version: 12 } });
  });
  test('links that lead nowhere, to themselves or on to another link are refused', () => {
    const text = readFileSync(new URL('./frozen/version-2.paceline.json', import.meta.url), 'utf8');
    for (const of of ['nowhere', 'beside'])
      expect(readScene(text.replace('"of": "canal"', `"of": "${of}"`)).ok).toBe(false);
    expect(readScene(text.replace('"draws": "ferry"', '"draws": "nobody"')).ok).toBe(false);
  });
  test('migrations run one after the other, before validation', () => {
    const steps = { 1: (s: object) => ({ ...s, one: true }), 2: (s: object) => ({ ...s, two: 'one' in s }) };
    expect(migrate({ version: 1 }, steps, 3)).toEqual({ ok: true, scene: { version: 3, one: true, two: true } });
    expect(migrate({ version: 1 }, {}, 2).ok).toBe(false);
    expect(migrate({ version: 'x' }).ok).toBe(false);
  });
  test('docs/scene.schema.json is that of the schema', () => {
    const written = JSON.parse(
      readFileSync(new URL('../../../docs/scene.schema.json', import.meta.url), 'utf8'),
    ) as object;
    expect(written).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(sceneShape, { io: 'input' }))));
  });
});

describe('the verifier of art', () => {
  const svg = (inner: string, more = ''): string => `<svg xmlns="http://www.w3.org/2000/svg" ${more}>${inner}</svg>`;
  test.each([
    ['a path', svg('<path d="M0 0L1 1"/>')],
    [
      'a gradient by id',
      svg(
        '<defs><linearGradient id="g"><stop offset="0" stop-color="#fff"/></linearGradient></defs><rect fill="url(#g)"/>',
      ),
    ],
    ['use', svg('<defs><g id="a"><path d="M0 0"/></g></defs><use href="#a"/>')],
    ['text', svg('<text>A &amp; B</text>')],
    ['white space and single quotes', "<svg xmlns='http://www.w3.org/2000/svg'>\n  <path d='M0 0'/>\n</svg>"],
    ['blending', svg('<rect style="mix-blend-mode:multiply"/>')],
  ])('lets through %s', (_, markup) => expect(readArtMarkup(markup)).toMatchObject({ ok: true }));
  test.each([
    ['script', svg('<script/>')],
    ['an event', svg('<path onclick="x()"/>')],
    ['foreignObject', svg('<foreignObject/>')],
    ['an image', svg('<image href="x.png"/>')],
    ['animation', svg('<animate/>')],
    ['a style sheet', svg('<style>a{}</style>')],
    ['a link', svg('<a href="https://example.org"/>')],
    ['a remote use', svg('<use href="other.svg#a"/>')],
    ['a data reference', svg('<use href="data:image/svg+xml,x#a"/>')],
    ['a remote fill', svg('<rect fill="url(https://example.org/a#b)"/>')],
    ['a fill with quotes', svg(`<rect fill="url('//example.org#b')"/>`)],
    ['an escaped url', svg('<rect fill="u\\72l(x)"/>')],
    ['javascript', svg('<rect fill="javascript:x"/>')],
    ['any style', svg('<rect style="background:url(x)"/>')],
    ['a comment', svg('<!-- x -->')],
    ['a doctype', `<!DOCTYPE svg>${svg('')}`],
    ['an entity', svg('<text>&x;</text>')],
    ['a numeric entity', svg('<text>&#60;</text>')],
    ['text outside text', svg('hello')],
    ['an unclosed element', svg('<g>')],
    ['two roots', svg('') + svg('')],
    ['another root', '<g/>'],
    ['the same id twice', svg('<g id="a"/><g id="a"/>')],
    ['use round in a circle', svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')],
    ['another namespace', '<svg xmlns="http://www.w3.org/1999/xhtml"/>'],
    ['an attribute twice', svg('<rect x="1" x="2"/>')],
    ['nothing', ''],
  ])('refuses %s', (_, markup) => expect(readArtMarkup(markup)).toMatchObject({ ok: false }));
  test('counts what use draws: a small file that would grow to millions is refused at once', () => {
    const levels = Array.from(
      { length: 12 },
      (_, i) => `<g id="l${i}">${`<use href="#l${i + 1}"/>`.repeat(10)}</g>`,
    ).join('');
    // It ends at all: 10¹² elements would not be counted one by one.
    expect(readArtMarkup(svg(`${levels}<g id="l12"><path d="M0 0"/></g><use href="#l0"/>`))).toMatchObject({
      ok: false,
    });
  });
  test('the box of the tests is verified', () => expect(readArtMarkup(BOX_ART.markup).ok).toBe(true));
});

/** A scene's JSON with some keys of one rider given anew. */
function changed(id: string, patch: object): (scene: Scene) => unknown {
  return (scene) => ({ ...scene, riders: scene.riders.map((one) => (one.id === id ? { ...one, ...patch } : one)) });
}
