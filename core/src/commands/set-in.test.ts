import { describe, expect, test } from 'vitest';
import { productOf, type Matrix } from '../geometry/index.ts';
import { prepare, type Motion } from '../motion/index.ts';
import { riderById, type Scene } from '../scene/index.ts';
import { BOX_ART, colouredStrip, LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import { problemsWhenRead } from '../testing/ways.ts';
import * as s from '../scene/index.ts';
import * as c from './index.ts';
import { carriedBy } from './rider/carriers.ts';

type Json = Record<string, unknown>;

const at = (node: string, lap = 0): Json => ({ by: 'node', node, lap });
const lap = (id: string, guide: string, more: Json = {}): Json =>
  riderOn(
    id,
    guide,
    [
      { time: 0, place: at(guide === 'loops' ? 'l1' : 'q1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
      { time: 2, place: at(guide === 'loops' ? 'l1' : 'q1', 1) },
    ],
    more,
  );

/** A scene of two seconds: a rider along a guide, one that it carries on a guide of its own, one that looks at a point, a strip of poses, a rod, scenery. */
const INNER = sceneOf({
  name: 'Mill',
  canvas: { width: 600, height: 500, background: '#FBE3B5' },
  clock: { duration: 2, fps: 30, repeat: 'loop' },
  art: [BOX_ART, colouredStrip('strip', ['#aa0011', '#aa0012', '#aa0013', '#aa0014'])],
  guides: [LOOPS, { ...SQUARE, carrier: 'wheel' }],
  riders: [
    { id: 'scenery', name: 'Scenery', art: 'box', guide: null, at: [40, 30] },
    lap('wheel', 'loops', { scale: [1.5, 1.5] }),
    lap('bucket', 'square', { carrier: { rider: 'wheel', turn: false, scale: true, mirror: true } }),
    {
      ...{ id: 'vane', name: 'Vane', art: 'box', guide: null, at: [300, 250] },
      heading: { mode: 'toward', target: { kind: 'point', at: [120, 40] } },
      keys: {
        opacity: [
          { id: 'k1', time: 0, value: 0.2 },
          { id: 'k2', time: 2, value: 1 },
        ],
      },
    },
    {
      ...{ id: 'flame', name: 'Flame', art: 'strip', guide: null, at: [80, 400] },
      poses: { by: 'time', rate: 6 },
      pace: { marks: [], delay: 0.3 },
    },
    {
      id: 'rod',
      name: 'Rod',
      art: 'box',
      guide: null,
      scale: [0.5, 2],
      strung: { from: 'wheel', to: 'vane', stretch: true },
    },
  ],
});

const OUTER = sceneOf({
  clock: { duration: 6, fps: 30, repeat: 'loop' },
  guides: [LINE],
  riders: [
    riderOn('boat', 'line', [
      { time: 0, place: at('a') },
      { time: 6, place: at('c') },
    ]),
  ],
});

const KEYS = ['a', 'b', 'c', 'd', 'e', 'f'] as const;
const matrixOf = (motion: Motion, time: number, index: number): Matrix => {
  const poses = motion.poseAt(time);
  const [a, b, cc, d, e, f] = KEYS.map((key) => poses.of(index, key)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return [a, b, cc, d, e, f];
};

/** Index of the rider that came for one of the inner scene. */
const cameFor = (scene: Scene, name: string): number => scene.riders.findIndex((rider) => rider.name === name);
const holderOf = (scene: Scene): number => cameFor(scene, 'Mill');

describe('a scene set into another one', () => {
  const args = { inner: INNER, at: [500, 200] as const, size: 0.5, duration: 2 };
  const inside = c.setIn(OUTER, args);

  test('it is one rider as large as its canvas, and all that is in it is carried by that', () => {
    expect(problemsWhenRead(inside)).toEqual([]);
    const holder = inside.riders[holderOf(inside)]!;
    expect(holder).toMatchObject({ at: [500, 200], scale: [0.5, 0.5], carrier: null });
    expect(inside.art.find(({ id }) => id === holder.art)).toMatchObject({
      width: 600,
      height: 500,
      pivot: [300, 250],
    });
    expect(inside.riders.indexOf(holder)).toBe(OUTER.riders.length);
    expect(inside.riders.filter(({ carrier }) => carrier?.rider === holder.id).map(({ name }) => name)).toEqual([
      'Scenery',
      'wheel',
      'Vane',
      'Flame',
    ]);
    // The last is its edge, which something reaches beyond.
    expect(inside.guides.map(({ carrier }) => carrier)).toEqual([
      null,
      holder.id,
      inside.riders[cameFor(inside, 'wheel')]!.id,
      holder.id,
    ]);
  });

  test.each([0, 0.31, 1.2, 1.99, 2.6, 5.4])(
    'at %d s each stands where the inner scene has it in its own loop',
    (time) => {
      const [inner, outer] = [prepare(INNER), prepare(inside)];
      const holder = matrixOf(outer, time, holderOf(inside));
      for (const [index, { name }] of INNER.riders.entries()) {
        // What is turned by nobody stays level, and a rod is as wide as half of it is.
        if (name === 'bucket') continue;
        const wanted = productOf(holder, matrixOf(inner, time % 2, index));
        const found = matrixOf(outer, time, cameFor(inside, name));
        found.forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 6));
        expect(outer.poseAt(time).of(cameFor(inside, name), 'pose')).toBe(inner.poseAt(time % 2).of(index, 'pose'));
        expect(outer.poseAt(time).of(cameFor(inside, name), 'opacity')).toBeCloseTo(
          inner.poseAt(time % 2).of(index, 'opacity'),
          9,
        );
      }
    },
  );

  test('where the rider that holds it fades and turns, all of it does', () => {
    const id = inside.riders[holderOf(inside)]!.id;
    const faded = c.setRider(inside, { id, patch: { opacity: 0.5, stand: 90 } });
    const [plain, turned] = [prepare(inside), prepare(faded)];
    const wheel = cameFor(inside, 'wheel');
    expect(turned.poseAt(1.3).of(wheel, 'opacity')).toBeCloseTo(0.5 * plain.poseAt(1.3).of(wheel, 'opacity'), 9);
    const [x, y] = [plain.poseAt(1.3).of(wheel, 'x') - 500, plain.poseAt(1.3).of(wheel, 'y') - 200];
    expect(turned.poseAt(1.3).of(wheel, 'x')).toBeCloseTo(500 - y, 6);
    expect(turned.poseAt(1.3).of(wheel, 'y')).toBeCloseTo(200 + x, 6);
  });

  test('its loop may take another time, then and later', () => {
    const slow = c.setIn(OUTER, { ...args, duration: 3 });
    const later = c.setClockInside(inside, { rider: inside.riders[holderOf(inside)]!.id, seconds: 3 });
    for (const scene of [slow, later]) {
      expect(c.clockInside(scene, scene.riders[holderOf(scene)]!.id)).toBeCloseTo(3, 9);
      expect(problemsWhenRead(scene)).toEqual([]);
      const [inner, outer] = [prepare(INNER), prepare(scene)];
      const holder = matrixOf(outer, 0, holderOf(scene));
      for (const time of [0.4, 1.7, 2.9, 4.1])
        for (const name of ['wheel', 'Vane', 'Flame']) {
          const index = INNER.riders.findIndex((rider) => rider.name === name);
          const wanted = productOf(holder, matrixOf(inner, (time / 1.5) % 2, index));
          matrixOf(outer, time, cameFor(scene, name)).forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 6));
          expect(outer.poseAt(time).of(cameFor(scene, name), 'pose')).toBe(
            inner.poseAt((time / 1.5) % 2).of(index, 'pose'),
          );
        }
    }
    expect(() => c.setClockInside(inside, { rider: inside.riders[holderOf(inside)]!.id, seconds: 1e6 })).toThrow(
      'duration',
    );
    expect(c.clockInside(OUTER, 'boat')).toBeUndefined();
  });

  test('it can be set in twice, and a scene that holds one in a third', () => {
    const twice = c.setIn(inside, args);
    expect(problemsWhenRead(twice)).toEqual([]);
    expect(twice.art.filter(({ name }) => name === 'Box')).toHaveLength(1);
    expect(riderById(twice, twice.riders[cameFor(twice, 'Mill 2')]!.id)).toBeDefined();
    const nested = c.setIn(OUTER, { inner: inside, at: [400, 300], size: 1, duration: 6 });
    expect(problemsWhenRead(nested)).toEqual([]);
    const [one, all] = [prepare(inside), prepare(nested)];
    const holder = matrixOf(all, 0, cameFor(nested, 'Test'));
    const wanted = productOf(holder, matrixOf(one, 1.1, cameFor(inside, 'wheel')));
    matrixOf(all, 1.1, cameFor(nested, 'wheel')).forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 6));
  });

  test('what reaches beyond its canvas is cut off there, where anything does and that is wished for', () => {
    const edge = inside.guides.at(-1)!;
    expect(edge).toMatchObject({ name: 'Mill: edge', closed: true, visible: false });
    expect(edge.nodes.map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [600, 0],
      [600, 500],
      [0, 500],
    ]);
    const within = (scene: Scene): unknown[] => scene.riders.slice(OUTER.riders.length + 1).map((one) => one.inside);
    for (const one of within(inside)) expect(one).toEqual({ guide: edge.id, keep: 'inside' });
    expect(new Set(within(c.setIn(OUTER, { ...args, cut: false })))).toEqual(new Set([null]));
    // Nothing of this one reaches beyond: there is nothing to cut.
    const small = sceneOf({
      name: 'Small',
      riders: [{ id: 'one', name: 'One', art: 'box', guide: null, at: [200, 200] }],
    });
    const still = c.setIn(OUTER, { ...args, inner: small });
    expect(still.guides).toHaveLength(OUTER.guides.length);
    expect(within(still)).toEqual([null]);
  });

  test('what it loses is told, and more riders than a scene holds are refused', () => {
    const seen = sceneOf({
      guides: [LOOPS],
      camera: 'wheel',
      driver: [{ kind: 'enter', again: false }],
      riders: [lap('wheel', 'loops', { inside: { guide: 'loops' }, pace: { cycle: 2 } })],
    });
    expect(c.lostInside(seen)).toEqual({ uncut: [], camera: true, driver: true });
    const narrow = { ...seen, canvas: { ...seen.canvas, width: 20 } };
    expect(c.lostInside(narrow).uncut).toEqual(['wheel']);
    // It keeps the shape of its own, which is carried with it.
    const narrowed = c.setIn(OUTER, { ...args, inner: narrow, duration: 4 });
    const own = narrowed.riders[cameFor(narrowed, 'wheel')]!.inside!.guide;
    expect(narrowed.guides.find(({ id }) => id === own)).toMatchObject({ name: 'Loops' });
    expect(problemsWhenRead(c.setIn(OUTER, { ...args, inner: seen, duration: 4 }))).toEqual([]);
    const [rider] = OUTER.riders;
    const full = { ...INNER, riders: Array.from({ length: 5000 }, (_, i) => ({ ...rider!, id: `r${i}` })) };
    expect(c.setIn.can(OUTER, { ...args, inner: full })?.code).toBe('too-many-riders');
    expect(c.setIn.can(OUTER, { ...args, duration: 0 })?.code).toBe('duration');
  });
});

describe('what is pasted with its carrier', () => {
  test('a carried guide and its rider stay in the frame that came with them, and a pair that was linked is linked', () => {
    const linked = {
      ...INNER,
      riders: INNER.riders.map((rider) =>
        rider.name === 'wheel' || rider.name === 'bucket' ? { ...rider, pace: { ...rider.pace, link: 'pair' } } : rider,
      ),
    };
    const clip = c.copyThings(linked, ['loops', 'square'], ['wheel', 'bucket']);
    const { scene, riders, guides } = c.pasteThings(linked, clip, 30, ['loops', 'square']);
    expect(problemsWhenRead(scene)).toEqual([]);
    const [wheel, bucket] = riders.map((id) => riderById(scene, id)!);
    expect(bucket?.carrier).toMatchObject({ rider: wheel?.id, turn: false });
    expect(scene.guides.find(({ id }) => id === guides[1])?.carrier).toBe(wheel?.id);
    expect(wheel?.pace.link).toBe(bucket?.pace.link);
    expect(wheel?.pace.link).not.toBe('pair');
    const motion = prepare(scene);
    const moved = (name: string, id: string, key: 'x' | 'y'): number =>
      motion.poseAt(0.7).of(motion.indexOf(id), key) - motion.poseAt(0.7).of(cameFor(scene, name), key);
    for (const key of ['x', 'y'] as const) {
      expect(moved('wheel', wheel!.id, key)).toBeCloseTo(30, 6);
      expect(moved('bucket', bucket!.id, key)).toBeCloseTo(30, 6);
    }
  });
});

describe('a scene that was set in is one thing', () => {
  const once = c.setIn(OUTER, { inner: INNER, at: [500, 200], size: 0.5, duration: 2 });
  const read = s.readScene(s.writeScene(once));
  if (!read.ok) throw new Error('unsound');
  const scene = read.scene;
  const holder = scene.riders[holderOf(scene)]!.id;
  const within = scene.riders.slice(OUTER.riders.length + 1).map(({ id }) => id);

  test('all that is in it is known, also after it was written and read, and nothing else is', () => {
    const around = s.holdersAround(scene);
    for (const id of within) expect(around.get(id)).toEqual([holder]);
    for (const { id } of scene.guides.slice(OUTER.guides.length)) expect(around.get(id)).toEqual([holder]);
    expect(around.has(holder)).toBe(false);
    for (const { id } of [...OUTER.riders, ...OUTER.guides]) expect(around.has(id)).toBe(false);
    expect(s.isHolder(scene, holder)).toBe(true);
    expect(s.isHolder(scene, OUTER.riders[0]!.id)).toBe(false);
    expect(s.holdersAround(OUTER).size).toBe(0);
  });

  test('set into another once more, the outer one stands around all, the inner one around its own', () => {
    const twice = c.setIn(
      { ...OUTER, name: 'Around' },
      { inner: { ...scene, name: 'Middle' }, at: [0, 0], size: 1, duration: 4 },
    );
    const around = s.holdersAround(twice);
    const [outer, inner] = ['Middle', 'Mill'].map((name) => twice.riders.find((one) => one.name === name)!.id);
    expect(around.get(inner!)).toEqual([outer]);
    const vane = twice.riders.find(({ name }) => name === 'Vane')!;
    expect(around.get(vane.id)).toEqual([outer, inner]);
    const all = s.withAllInside(twice, [], [outer!]);
    expect(all.riders).toHaveLength(twice.riders.length - OUTER.riders.length);
    expect(all.guides).toHaveLength(twice.guides.length - OUTER.guides.length);
  });

  test('it is restacked whole, and others pass all of it', () => {
    const names = (one: Scene): string[] => one.riders.map(({ name }) => name);
    const down = c.restackRider(scene, { id: holder, to: 0 });
    expect(names(down)).toEqual([...names(scene).slice(OUTER.riders.length), ...names(OUTER)]);
    const first = OUTER.riders[0]!;
    const up = c.restackRider(scene, { id: first.id, to: holderOf(scene) });
    expect(names(up)).toEqual([...names(scene).slice(1), first.name]);
    expect(names(c.restackRider(up, { id: first.id, to: 0 }))).toEqual(names(scene));
    expect(problemsWhenRead(down)).toEqual([]);
  });
});

test('what is carried stays so where it is pasted into a scene in which nothing has its name', () => {
  const clip = c.copyThings(INNER, ['loops', 'square'], ['wheel', 'bucket']);
  const pasted = c.pasteThings(s.emptyScene('Elsewhere'), clip, 0, ['loops', 'square']).scene;
  expect(pasted.riders.find(({ name }) => name === 'bucket')!.carrier).toMatchObject({ rider: 'wheel' });
  const vane = { ...riderById(INNER, 'vane')!, carrier: carriedBy('wheel') };
  const both = { ...clip, riders: [...clip.riders, vane] };
  const again = c.pasteThings(s.emptyScene('Elsewhere'), both, 0, ['loops', 'square']).scene;
  expect(riderById(again, 'vane')!.carrier).toMatchObject({ rider: 'wheel' });
});
