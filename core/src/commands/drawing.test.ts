import { describe, expect, test } from 'vitest';
import { matrixAbout, nearestOnPath, nodesOfShape, type GuideShape } from '../geometry/index.ts';
import { prepare } from '../motion/index.ts';
import { newRider, pathOfGuide, sceneFromJson, type Guide, type Scene } from '../scene/index.ts';
import { countedRandom } from '../testing/random.ts';
import { BOX_ART, LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import * as commands from './index.ts';
import { furthest, placesOf, problemsWhenRead, timesOf } from '../testing/ways.ts';
import {
  actedMotion,
  addGuide,
  addLinked,
  addTracing,
  beThere,
  deleteGuides,
  deleteNodes,
  deleteTracing,
  fairGuide,
  closesAt,
  joinGuides,
  moveGuides,
  moveNodes,
  nameNode,
  pullSpan,
  restartGuide,
  reverseGuide,
  rideActed,
  setDown,
  setDwell,
  setShape,
  shapeNodes,
  simplifyGuide,
  straightenSpans,
  transformGuides,
  transformNodes,
  unlinkGuide,
  addRider,
  insertNode,
} from './index.ts';

const looped = (
  marks = [
    { time: 0, place: { by: 'node', node: 'l1' } },
    { time: 1.5, dwell: 0.5, place: { by: 'node', node: 'l2', along: 0.4 } },
    { time: 3, place: { by: 'share', value: 0.8 } },
    { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
  ],
) => sceneOf({ guides: [LOOPS, LINE], riders: [riderOn('r', 'loops', marks, { lift: 12, lead: 5 })] });
const guideIn = (scene: Scene, id = 'loops'): Guide => scene.guides.find((guide) => guide.id === id)!;
const times = Array.from({ length: 41 }, (_, i) => i / 10);
const LIFT_KEY = { ease: { kind: 'steady' }, mark: null } as const;
const isValid = (scene: Scene): void => expect(problemsWhenRead(scene)).toEqual([]);

describe('direction', () => {
  test('reversed with riders keeping their place, everyone is where it was at every time, and faces the other way', () => {
    const scene = looped();
    const after = reverseGuide(scene, { guide: 'loops', riders: 'place' });
    isValid(after);
    expect(timesOf(after)).toEqual(timesOf(scene));
    expect(furthest(placesOf(scene), placesOf(after))).toBeLessThan(1e-4);
    const turn = (s: Scene): number => prepare(s).poseAt(0.7).of(0, 'angle');
    expect(Math.cos(turn(after) - turn(scene))).toBeCloseTo(-1, 5);
    const back = reverseGuide(after, { guide: 'loops', riders: 'place' });
    expect(furthest(placesOf(scene), placesOf(back))).toBeLessThan(1e-4);
    expect(guideIn(back).nodes).toEqual(guideIn(scene).nodes);
  });
  test.each(['up', 'rounded'] as const)('lifted %s, with keys, they are where they were as well', (liftBy) => {
    const scene = looped();
    const keys = {
      ...scene.riders[0]!.keys,
      lift: [0, 2].map((time, i) => ({ ...LIFT_KEY, id: `l${i}`, time, value: 20 * i })),
    };
    const lifted = {
      ...scene,
      riders: scene.riders.map((rider) => ({ ...rider, liftBy, shift: [4, -6] as const, keys })),
    };
    const after = reverseGuide(lifted, { guide: 'loops', riders: 'place' });
    expect(furthest(placesOf(lifted), placesOf(after))).toBeLessThan(1e-4);
  });
  test('reversed with riders keeping their way, they run along from the new start at the same pace', () => {
    const scene = looped();
    const after = reverseGuide(scene, { guide: 'loops', riders: 'way' });
    for (const time of times)
      expect(prepare(after).poseAt(time).of(0, 'distance')).toBeCloseTo(
        prepare(scene).poseAt(time).of(0, 'distance'),
        5,
      );
  });
  test('started at another node, everyone stays where it is; an open guide cannot', () => {
    const scene = looped();
    for (const node of ['l2', 'l3', 'l4']) {
      const after = restartGuide(scene, { guide: 'loops', node });
      isValid(after);
      expect(guideIn(after).nodes[0]?.id).toBe(node);
      expect(furthest(placesOf(scene), placesOf(after))).toBeLessThan(1e-4);
    }
    expect(restartGuide.can(scene, { guide: 'line', node: 'b' })?.code).toBe('open-guide-starts-at-end');
  });
});

describe('joining', () => {
  const other = (nodes: [number, number][]): Guide => ({
    ...guideIn(looped(), 'line'),
    id: 'other',
    name: 'Other',
    nodes: nodes.map(([x, y], i) => ({ id: `o${i}`, x, y, join: 'corner' })),
  });
  const two = (nodes: [number, number][]): Scene => {
    const scene = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('ra', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'b', along: 0.5 } },
        ]),
      ],
    });
    const both = addGuide(scene, { guide: other(nodes) });
    return addRider(both, {
      rider: {
        ...both.riders[0]!,
        id: 'rb',
        name: 'b',
        guide: 'other',
        pace: {
          ...both.riders[0]!.pace,
          marks: [
            {
              id: 'b1',
              time: 0,
              place: { by: 'node', node: 'o0', along: 0.25, lap: 0 },
              dwell: 0,
              ease: { kind: 'steady' },
            },
            { id: 'b2', time: 4, place: { by: 'share', value: 1 }, dwell: 0, ease: { kind: 'steady' } },
          ],
        },
      },
    });
  };
  const line = guideIn(
    two([
      [0, 0],
      [1, 1],
    ]),
    'line',
  );
  const end = line.nodes.at(-1)!;
  const start = line.nodes[0]!;
  test.each([
    [
      'its start at my end',
      [
        [end.x, end.y],
        [end.x + 80, end.y + 60],
      ],
    ],
    [
      'its end at my end',
      [
        [end.x + 80, end.y + 60],
        [end.x, end.y],
      ],
    ],
    [
      'its end near my start',
      [
        [start.x - 90, start.y + 200],
        [start.x - 10, start.y],
      ],
    ],
    [
      'its start near my start',
      [
        [start.x - 10, start.y],
        [start.x - 90, start.y + 200],
      ],
    ],
  ] as [string, [number, number][]][])('%s: riders of both stay where they were', (_, nodes) => {
    const scene = two(nodes);
    const after = joinGuides(scene, { first: 'line', second: 'other' });
    isValid(after);
    expect(after.guides).toHaveLength(1);
    expect(after.riders.map((rider) => rider.guide)).toEqual(['line', 'line']);
    expect(furthest(placesOf(scene, 0), placesOf(after, 0))).toBeLessThan(1e-4);
    expect(furthest(placesOf(scene, 1), placesOf(after, 1))).toBeLessThan(1e-4);
    expect(timesOf(after)).toEqual(timesOf(scene));
  });
  test('closed guides and one guide with itself are refused', () => {
    expect(joinGuides.can(looped(), { first: 'line', second: 'loops' })?.code).toBe('join-open-only');
    expect(joinGuides.can(looped(), { first: 'line', second: 'line' })?.code).toBe('join-needs-two');
  });
});

describe('bending and straightening', () => {
  test('a pulled span passes under the pointer; no mark is touched, no node added', () => {
    const scene = looped();
    const after = pullSpan(scene, { guide: 'loops', span: 1, t: 0.5, to: [500, 420] });
    expect(nearestOnPath(pathOfGuide(guideIn(after)), 500, 420)!.gap).toBeLessThan(1e-6);
    expect(after.riders).toBe(scene.riders);
    expect(guideIn(after).nodes.map(({ id }) => id)).toEqual(guideIn(scene).nodes.map(({ id }) => id));
  });
  test('a straight span pulled with the arc key becomes an arc through the pointer', () => {
    const scene = sceneOf({ guides: [SQUARE] });
    const [a, b] = guideIn(scene, 'square').nodes;
    const to = [(a!.x + b!.x) / 2, (a!.y + b!.y) / 2 - 60] as const;
    const after = pullSpan(scene, { guide: 'square', span: 0, t: 0.4, to, arc: true });
    expect(nearestOnPath(pathOfGuide(guideIn(after, 'square')), ...to)!.gap).toBeLessThan(0.5);
    const straight = straightenSpans(after, { guide: 'square', spans: [0] });
    expect(guideIn(straight, 'square').nodes).toEqual(guideIn(scene, 'square').nodes);
  });
});

describe('moving, scaling and turning', () => {
  test('a whole guide turned about a point; widths stay', () => {
    const scene = { ...looped(), guides: looped().guides.map((guide) => ({ ...guide, corridor: 40, thickness: 5 })) };
    const after = transformGuides(scene, { ids: ['loops'], matrix: matrixAbout([300, 300], 2, 2, Math.PI / 2) });
    expect(pathOfGuide(guideIn(after)).length).toBeCloseTo(2 * pathOfGuide(guideIn(scene)).length, 6);
    expect(guideIn(after)).toMatchObject({ corridor: 40, thickness: 5 });
    expect(after.riders).toBe(scene.riders);
  });
  test('flipped twice, nodes are as before; only the chosen nodes move', () => {
    const scene = looped();
    const flip = matrixAbout([400, 300], -1, 1, 0);
    const once = transformNodes(scene, { guide: 'loops', nodes: ['l2'], matrix: flip });
    expect(guideIn(once).nodes[0]).toBe(guideIn(scene).nodes[0]);
    const twice = transformNodes(once, { guide: 'loops', nodes: ['l2'], matrix: flip });
    expect(guideIn(twice).nodes[1]!.x).toBeCloseTo(guideIn(scene).nodes[1]!.x, 9);
    expect(guideIn(twice).nodes[1]!.out![0]).toBeCloseTo(guideIn(scene).nodes[1]!.out![0], 9);
  });
});

describe('fewer nodes', () => {
  const wobbly = (seed = 4): Scene => {
    const random = countedRandom(seed);
    const scene = sceneOf({});
    return addGuide(scene, {
      guide: {
        id: 'w',
        name: 'W',
        closed: false,
        color: '#0B7A75',
        visible: true,
        locked: false,
        corridor: null,
        carrier: null,
        depth: null,
        nodes: Array.from({ length: 40 }, (_, i) => ({
          id: `w${i}`,
          x: 100 + 20 * i,
          y: 300 + 90 * Math.sin(i / 6) + (random() - 0.5) * 8,
          join: 'smooth' as const,
          in: [-7, 0] as const,
          out: [7, 0] as const,
        })),
      },
    });
  };
  test('simplified within its tolerance, both ways; corners, names and marked nodes stay', () => {
    const scene = nameNode(looped(), { guide: 'loops', node: 'l3', name: 'Landing' });
    let dense = scene;
    for (let i = 0; i < 12; i++) dense = insertNode(dense, { guide: 'loops', span: i, t: 0.4, id: `d${i}` });
    const after = simplifyGuide(dense, { guide: 'loops', tolerance: 1 });
    isValid(after);
    expect(guideIn(after).nodes.length).toBeLessThan(guideIn(dense).nodes.length);
    for (const id of ['l1', 'l3']) expect(guideIn(after).nodes.some((node) => node.id === id)).toBe(true);
    const [p, q] = [pathOfGuide(guideIn(dense)), pathOfGuide(guideIn(after))];
    for (let i = 0; i <= 400; i++) {
      const a = p.frameAtDistance((p.length * i) / 400);
      const b = q.frameAtDistance((q.length * i) / 400);
      expect(nearestOnPath(q, a.x, a.y)!.gap).toBeLessThan(1.05);
      expect(nearestOnPath(p, b.x, b.y)!.gap).toBeLessThan(1.05);
    }
    expect(timesOf(after)).toEqual(timesOf(dense));
    expect(simplifyGuide.can(scene, { guide: 'loops', tolerance: 0 })?.code).toBe('tolerance');
  });
  test('faired, a wobbly line turns less in all and keeps its ends', () => {
    const scene = wobbly();
    const after = fairGuide(scene, { guide: 'w', nodes: [], strength: 0.6 });
    const turning = (s: Scene): number => {
      const path = pathOfGuide(guideIn(s, 'w'));
      let sum = 0;
      for (let i = 1; i < 600; i++)
        sum += Math.abs(path.frameAtDistance((path.length * i) / 600).curvature) * (path.length / 600);
      return sum;
    };
    expect(turning(after)).toBeLessThan(turning(scene) * 0.6);
    expect(guideIn(after, 'w').nodes[0]).toMatchObject({
      x: guideIn(scene, 'w').nodes[0]!.x,
      y: guideIn(scene, 'w').nodes[0]!.y,
    });
    expect(guideIn(after, 'w').nodes.at(-1)).toMatchObject({ x: 880 });
    expect(fairGuide(scene, { guide: 'w', nodes: [], strength: 0 })).toBe(scene);
  });
  test('a deleted node is made good by its neighbours: a node set in and deleted again leaves the shape', () => {
    const scene = looped();
    const inserted = insertNode(scene, { guide: 'loops', span: 1, t: 0.35, id: 'x' });
    const refit = deleteNodes(inserted, { guide: 'loops', nodes: ['x'], refit: true });
    const plain = deleteNodes(inserted, { guide: 'loops', nodes: ['x'] });
    const off = (s: Scene): number => {
      const path = pathOfGuide(guideIn(s));
      const old = pathOfGuide(guideIn(scene));
      return Math.max(
        ...Array.from({ length: 200 }, (_, i) => old.frameAtDistance((old.length * i) / 200)).map(
          (f) => nearestOnPath(path, f.x, f.y)!.gap,
        ),
      );
    };
    expect(off(refit)).toBeLessThan(0.5);
    expect(off(plain)).toBeGreaterThan(2 * off(refit));
  });
});

describe('live shapes', () => {
  const circle: GuideShape = { kind: 'circle', radius: 100, x: 300, y: 200, turn: 0, reversed: false, start: 0 };
  const withCircle = (): Scene => {
    const scene = sceneOf({});
    return addGuide(scene, {
      guide: {
        id: 'c',
        name: 'C',
        color: '#0B7A75',
        visible: true,
        locked: false,
        corridor: null,
        carrier: null,
        depth: null,
        ...shapeNodes(scene, 'c', [], circle),
        shape: circle,
      },
    });
  };
  test('parameters stay live: nodes follow, ids and marks stay, moving keeps it, editing a node ends it', () => {
    const scene = withCircle();
    isValid(scene);
    const wider = setShape(scene, { guide: 'c', shape: { ...circle, radius: 150 } });
    expect(guideIn(wider, 'c').nodes.map(({ id }) => id)).toEqual(guideIn(scene, 'c').nodes.map(({ id }) => id));
    expect(guideIn(wider, 'c').nodes[0]!.x).toBeCloseTo(450, 9);
    const moved = moveGuides(wider, { ids: ['c'], dx: 10, dy: 0 });
    expect(guideIn(moved, 'c').shape).toMatchObject({ x: 310 });
    const given = nodesOfShape(guideIn(moved, 'c').shape!).nodes;
    guideIn(moved, 'c').nodes.forEach((node, i) => expect(node.x).toBeCloseTo(given[i]!.x, 9));
    const named = nameNode(moved, { guide: 'c', node: guideIn(moved, 'c').nodes[0]!.id, name: 'East' });
    expect(guideIn(named, 'c').shape).toBeDefined();
    const edited = moveNodes(moved, { guide: 'c', nodes: [guideIn(moved, 'c').nodes[0]!.id], dx: 3, dy: 0 });
    expect(guideIn(edited, 'c').shape).toBeUndefined();
    expect(setShape.can(edited, { guide: 'c', shape: circle })?.code).toBe('no-shape');
  });
  test('reversed and started elsewhere, it is still the shape that its parameters say', () => {
    const scene = withCircle();
    for (const after of [
      reverseGuide(scene, { guide: 'c', riders: 'way' }),
      restartGuide(scene, { guide: 'c', node: guideIn(scene, 'c').nodes[3]!.id }),
      restartGuide(reverseGuide(scene, { guide: 'c', riders: 'way' }), {
        guide: 'c',
        node: guideIn(scene, 'c').nodes[1]!.id,
      }),
    ]) {
      const { nodes } = nodesOfShape(guideIn(after, 'c').shape!);
      guideIn(after, 'c').nodes.forEach((node, i) => {
        expect(node.x).toBeCloseTo(nodes[i]!.x, 6);
        expect(node.y).toBeCloseTo(nodes[i]!.y, 6);
      });
    }
  });
});

describe('linked guides', () => {
  const scene = looped();
  const beside = addLinked(scene, {
    id: 'p',
    name: 'Beside',
    link: { kind: 'parallel', of: 'loops', distance: 20 },
    linked: true,
  });
  const twin = addLinked(scene, {
    id: 't',
    name: 'Twin',
    link: { kind: 'copy', of: 'loops', dx: 200, dy: 30 },
    linked: true,
  });
  test('a parallel keeps its distance when its original is bent', () => {
    isValid(beside);
    const bent = moveNodes(beside, { guide: 'loops', nodes: ['l2'], dx: 60, dy: -40 });
    const path = pathOfGuide(guideIn(bent));
    const parallel = pathOfGuide(guideIn(bent, 'p'));
    for (let i = 0; i < 300; i++) {
      const { x, y } = parallel.frameAtDistance((parallel.length * i) / 300);
      expect(nearestOnPath(path, x, y)!.gap).toBeLessThan(20.1);
    }
    expect(moveNodes.can(bent, { guide: 'p', nodes: [guideIn(bent, 'p').nodes[0]!.id], dx: 1, dy: 1 })?.code).toBe(
      'linked',
    );
    expect(moveGuides.can(bent, { ids: ['p'], dx: 1, dy: 1 })?.code).toBe('parallel-bound');
  });
  test('a copy stands elsewhere, keeps its riders’ marks at their nodes, and can be moved', () => {
    isValid(twin);
    const riding = addRider(twin, {
      rider: {
        ...twin.riders[0]!,
        id: 'q',
        name: 'q',
        guide: 't',
        pace: {
          ...twin.riders[0]!.pace,
          marks: [
            {
              id: 'q1',
              time: 0,
              place: { by: 'node', node: 't.l2', along: 0.5, lap: 0 },
              dwell: 0,
              ease: { kind: 'steady' },
            },
          ],
        },
      },
    });
    const bent = moveNodes(riding, { guide: 'loops', nodes: ['l3'], dx: 30, dy: 10 });
    expect(guideIn(bent, 't').nodes[2]).toMatchObject({
      x: guideIn(bent).nodes[2]!.x + 200,
      y: guideIn(bent).nodes[2]!.y + 30,
    });
    expect(bent.riders[1]!.pace.marks[0]!.place).toMatchObject({ node: 't.l2', along: 0.5 });
    const moved = moveGuides(bent, { ids: ['t'], dx: 5, dy: 0 });
    expect(guideIn(moved, 't').nodes[0]!.x).toBeCloseTo(guideIn(moved).nodes[0]!.x + 205, 9);
  });
  test('unlinked it stays as it is; without its original it stands on its own', () => {
    const free = unlinkGuide(twin, { id: 't' });
    expect(moveNodes(free, { guide: 'loops', nodes: ['l1'], dx: 9, dy: 9 }).guides.find((g) => g.id === 't')).toBe(
      guideIn(free, 't'),
    );
    const alone = deleteGuides(twin, { ids: ['loops'], time: 0 });
    expect(guideIn(alone, 't').link).toBeUndefined();
    isValid(alone);
    expect(
      addLinked.can(twin, { id: 'z', name: 'Z', link: { kind: 'copy', of: 't', dx: 0, dy: 0 }, linked: true })?.code,
    ).toBe('original-linked');
  });
});

describe('setting down', () => {
  const parked = addRider(sceneOf({ art: [BOX_ART] }), {
    rider: newRider({ id: 'k', name: 'Kite', art: 'box', at: [100, 300] }),
  });
  let made = 0;
  const down = (scene: Scene, time: number, to: readonly [number, number], closes = false): Scene => {
    made++;
    return setDown(scene, {
      rider: 'k',
      time,
      to,
      name: 'Way',
      closes,
      ids: { guide: `way${made}`, nodes: [`a${made}`, `b${made}`], marks: [`m${made}`, `o${made}`] },
    });
  };
  const at = (scene: Scene, time: number): [number, number] => {
    const pose = prepare(scene).poseAt(time);
    return [Math.round(pose.of(0, 'x') * 1e4) / 1e4, Math.round(pose.of(0, 'y') * 1e4) / 1e4];
  };
  const spots: [number, [number, number]][] = [
    [1, [300, 120]],
    [2.5, [620, 340]],
    [3.5, [900, 160]],
  ];
  test('parked at the start it is moved; later a guide begins, with a node and a mark for each placement', () => {
    expect(down(parked, 0, [130, 310]).riders[0]!.at).toEqual([130, 310]);
    const scene = spots.reduce((sum, [time, to]) => down(sum, time, to), parked);
    isValid(scene);
    expect(scene.guides).toHaveLength(1);
    expect(scene.guides[0]!.nodes).toHaveLength(4);
    expect(at(scene, 0)).toEqual([100, 300]);
    for (const [time, to] of spots) expect(at(scene, time)).toEqual(to);
  });
  test('in any order of time it comes out the same', () => {
    for (const order of [
      [2, 0, 1],
      [1, 2, 0],
      [2, 1, 0],
    ]) {
      const scene = order.reduce((sum, i) => down(sum, ...spots[i]!), parked);
      isValid(scene);
      for (const [time, to] of spots) expect(at(scene, time)).toEqual(to);
      expect(at(scene, 0)).toEqual([100, 300]);
    }
  });
  test('changing an earlier placement moves that node; bending between adds no mark', () => {
    const scene = spots.reduce((sum, [time, to]) => down(sum, time, to), parked);
    const changed = down(scene, 1, [320, 60]);
    expect(changed.guides[0]!.nodes).toHaveLength(4);
    expect(at(changed, 1)).toEqual([320, 60]);
    expect(at(changed, 2.5)).toEqual([620, 340]);
    const bent = pullSpan(changed, { guide: changed.guides[0]!.id, span: 1, t: 0.5, to: [500, 20] });
    expect(bent.riders).toBe(changed.riders);
  });
  test('it closes when the last placement meets the first', () => {
    const scene = spots.reduce((sum, [time, to]) => down(sum, time, to), parked);
    expect(closesAt(scene, scene.riders[0]!, 4, [104, 302], 10)).toBe(true);
    expect(closesAt(scene, scene.riders[0]!, 2.5, [104, 302], 10)).toBe(false);
    const closed = down(scene, 4, [104, 302], true);
    isValid(closed);
    expect(closed.guides[0]!.closed).toBe(true);
    expect(closed.guides[0]!.nodes).toHaveLength(4);
    expect(at(closed, 4)).toEqual([100, 300]);
  });
  test('it closes too when the last placement that is there is dropped on the first; at the last frame without a stall', () => {
    const lastFrame = 4 - 1 / 30;
    const scene = [...spots, [lastFrame, [150, 320]] as (typeof spots)[number]].reduce(
      (sum, [time, to]) => down(sum, time, to),
      parked,
    );
    expect(closesAt(scene, scene.riders[0]!, lastFrame, [104, 302], 10)).toBe(true);
    const closed = down(scene, lastFrame, [104, 302], true);
    isValid(closed);
    expect(closed.guides[0]).toMatchObject({ closed: true });
    expect(closed.guides[0]!.nodes).toHaveLength(4);
    for (const [time, to] of spots) expect(at(closed, time)).toEqual(to);
    expect(closed.riders[0]!.pace.marks.at(-1)).toMatchObject({ time: 4, place: { lap: 1 } });
    const motion = prepare(closed).rider('k')!;
    expect(Math.abs(motion.speedAt(lastFrame))).toBeGreaterThan(10);
  });
  test('a placement that rests at the loop’s end and is dropped on the first rests no longer than the loop', () => {
    const lastFrame = 4 - 1 / 30;
    const end: (typeof spots)[number] = [lastFrame, [150, 320]];
    const placed = [...spots, end].reduce((sum, [time, to]) => down(sum, time, to), parked);
    const last = placed.riders[0]!.pace.marks.at(-1)!;
    const scene = setDwell(placed, { rider: 'k', mark: last.id, dwell: 1 / 30 });
    expect(scene.riders[0]!.pace.marks.at(-1)!.dwell).toBeCloseTo(1 / 30, 9);
    const closed = down(scene, lastFrame, [104, 302], true);
    isValid(closed);
    expect(closed.riders[0]!.pace.marks.at(-1)).toMatchObject({ time: 4, dwell: 0, place: { lap: 1 } });
  });
  test('a guide that exists: pressed at the playhead, the rider is there then', () => {
    const scene = looped();
    const to = pathOfGuide(guideIn(scene)).frameAtDistance(420);
    const after = beThere(
      { ...scene, riders: scene.riders.map((r) => ({ ...r, lift: 0, lead: 0 })) },
      { rider: 'r', guide: 'loops', time: 0.8, at: [to.x, to.y], ids: ['new', 'new2'] },
    );
    isValid(after);
    const pose = prepare(after).poseAt(0.8);
    expect(Math.hypot(pose.of(0, 'x') - to.x, pose.of(0, 'y') - to.y)).toBeLessThan(1e-3);
    const onto = beThere(
      addGuide(parked, {
        guide: { ...guideIn(scene), id: 'g', nodes: guideIn(scene).nodes.map((n) => ({ ...n, id: `g${n.id}` })) },
      }),
      { rider: 'k', guide: 'g', time: 1, at: [to.x, to.y], ids: ['k1', 'k2'] },
    );
    expect(onto.riders[0]).toMatchObject({ guide: 'g' });
    expect(onto.riders[0]!.pace.marks).toHaveLength(1);
  });
});

describe('acting out', () => {
  /** A hand that swings along a curve, slows, and hurries on; a moment each 8 ms, with tremor. */
  const hand = (tremor: number) => {
    const random = countedRandom(11);
    return Array.from({ length: 400 }, (_, i) => {
      const time = i * 0.008;
      const u = time / 3.2;
      const s = u + 0.12 * Math.sin(2 * Math.PI * u * 2);
      return {
        time,
        x: 200 + 700 * s + (random() - 0.5) * tremor,
        y: 360 + 140 * Math.sin(5 * s) + (random() - 0.5) * tremor,
      };
    });
  };
  test('guide and pace stay within 2 px and one frame of what the hand did, with few marks', () => {
    const moments = hand(0.4);
    const acted = actedMotion(moments)!;
    expect(acted.marks.length).toBeLessThan(20);
    const scene = addRider(sceneOf({ art: [BOX_ART], clock: { duration: 3.192, fps: 30, repeat: 'loop' } }), {
      rider: newRider({ id: 'k', name: 'K', art: 'box', at: [0, 0] }),
    });
    const guide: Guide = {
      id: 'way',
      name: 'Way',
      closed: false,
      color: '#0B7A75',
      visible: true,
      locked: false,
      corridor: null,
      carrier: null,
      depth: null,
      nodes: acted.nodes,
    };
    const after = rideActed(scene, { rider: 'k', guide, marks: acted.marks, start: 0, ids: 'k-m' });
    isValid(after);
    const motion = prepare(after);
    for (const { time, x, y } of moments.slice(0, -1)) {
      const gap = Math.min(
        ...Array.from({ length: 41 }, (_, k) => (k - 20) / 600).map((shift) => {
          const pose = motion.poseAt(Math.min(3.19, Math.max(0, time + shift)));
          return Math.hypot(pose.of(0, 'x') - x, pose.of(0, 'y') - y);
        }),
      );
      expect(gap, `at ${time}`).toBeLessThan(2);
    }
  });
  test('smoothing can be changed afterwards: more of it, fewer nodes', () => {
    const rough = hand(5);
    const counts = [0, 0.03, 0.12].map((smoothing) => actedMotion(rough, { smoothing })!);
    expect(counts[2]!.nodes.length).toBeLessThan(counts[0]!.nodes.length);
    expect(counts[2]!.marks.length).toBeLessThan(20);
  });
  test('a tap, or a hand that did not move, is no motion', () => {
    expect(actedMotion([])).toBeUndefined();
    expect(actedMotion([{ x: 1, y: 1, time: 0 }])).toBeUndefined();
    expect(actedMotion(Array.from({ length: 9 }, (_, i) => ({ x: 1, y: 1, time: i })))).toBeUndefined();
  });
});

test('tracing pictures bring their pixels and take them away', () => {
  const asset = 'a'.repeat(64);
  const picture = {
    id: 'pic',
    name: 'Sketch',
    asset,
    type: 'image/png' as const,
    width: 100,
    height: 50,
    x: 0,
    y: 0,
    scale: 1,
    turn: 0,
    opacity: 0.5,
    visible: true,
    locked: true,
  };
  const scene = addTracing(looped(), { picture, data: 'AAAA' });
  isValid(scene);
  expect(sceneFromJson({ ...scene, assets: {} }).ok).toBe(false);
  const without = deleteTracing(scene, { id: 'pic' });
  expect(without.assets).toEqual({});
  expect(prepare(scene).poseAt(1).data).toEqual(prepare(without).poseAt(1).data);
});

describe('degenerate guides have a defined answer, never NaN', () => {
  const bare = (nodes: Partial<Guide['nodes'][number]>[], closed = false): Scene =>
    addGuide(sceneOf({ art: [BOX_ART] }), {
      guide: {
        id: 'g',
        name: 'G',
        closed,
        color: '#0B7A75',
        visible: true,
        locked: false,
        corridor: null,
        carrier: null,
        depth: null,
        nodes: nodes.map((node, i) => ({ id: `g${i}`, x: 0, y: 0, join: 'corner', ...node })),
      },
    });
  const cases: [string, Scene][] = [
    ['one node', bare([{ x: 5, y: 5 }])],
    [
      'coincident nodes',
      bare(
        [
          { x: 5, y: 5 },
          { x: 5, y: 5 },
          { x: 5, y: 5 },
        ],
        true,
      ),
    ],
    [
      'handles of length zero',
      bare([
        { x: 0, y: 0, out: [0, 0] },
        { x: 50, y: 0, in: [0, 0], out: [0, 0] },
        { x: 90, y: 40, in: [0, 0] },
      ]),
    ],
    [
      'an exact cusp',
      bare([
        { x: 0, y: 0, out: [200, 200] },
        { x: 200, y: 0, in: [-200, 200] },
      ]),
    ],
    [
      'coordinates of a million',
      bare(
        [
          { x: 1e6, y: -1e6, out: [1e5, 1e6] },
          { x: -1e6, y: 1e6, in: [-1e6, 3] },
          { x: 0, y: 0 },
        ],
        true,
      ),
    ],
    [
      'ten thousand nodes',
      bare(Array.from({ length: 10_000 }, (_, i) => ({ x: 600 + 500 * Math.cos(i / 50), y: 400 + i / 20 }))),
    ],
  ];
  const numbersIn = (value: unknown): number[] =>
    typeof value === 'number'
      ? [value]
      : Array.isArray(value)
        ? value.flatMap(numbersIn)
        : typeof value === 'object' && value !== null
          ? Object.values(value).flatMap(numbersIn)
          : [];
  test.each(cases)('%s', (_, scene) => {
    const node = guideIn(scene, 'g').nodes[0]!.id;
    const deeds: [string, () => Scene | undefined][] = [
      [
        'pull',
        () =>
          commands.pullSpan.can(scene, { guide: 'g', span: 0, t: 0.5, to: [9, 9] })
            ? undefined
            : pullSpan(scene, { guide: 'g', span: 0, t: 0.5, to: [9, 9] }),
      ],
      [
        'arc',
        () =>
          commands.pullSpan.can(scene, { guide: 'g', span: 0, t: 0.5, to: [9, 9] })
            ? undefined
            : pullSpan(scene, { guide: 'g', span: 0, t: 0.5, to: [9, 9], arc: true }),
      ],
      ['reverse', () => reverseGuide(scene, { guide: 'g', riders: 'place' })],
      ['simplify', () => simplifyGuide(scene, { guide: 'g', tolerance: 1 })],
      [
        'fair',
        () =>
          commands.fairGuide.can(scene, { guide: 'g', nodes: [], strength: 0.5 })
            ? undefined
            : fairGuide(scene, { guide: 'g', nodes: [], strength: 0.5 }),
      ],
      [
        'delete',
        () =>
          commands.deleteNodes.can(scene, { guide: 'g', nodes: [node], refit: true })
            ? undefined
            : deleteNodes(scene, { guide: 'g', nodes: [node], refit: true }),
      ],
      ['turn', () => transformGuides(scene, { ids: ['g'], matrix: matrixAbout([0, 0], 1, -2, 1) })],
      [
        'parallel',
        () => {
          const args = { id: 'p', name: 'P', link: { kind: 'parallel' as const, of: 'g', distance: 10 }, linked: true };
          return addLinked.can(scene, args) ? undefined : addLinked(scene, args);
        },
      ],
    ];
    for (const [name, deed] of deeds) {
      const after = deed();
      if (!after) continue;
      expect(numbersIn(after.guides).every(Number.isFinite), name).toBe(true);
      const riding = addRider(after, { rider: newRider({ id: 'r', name: 'R', art: 'box', at: [0, 0] }) });
      const on = commands.attachRider(riding, { rider: 'r', guide: after.guides.at(-1)!.id, seating: 'seat', time: 0 });
      for (const time of [0, 1, 3.9])
        expect(numbersIn([...prepare(on).poseAt(time).data]).every(Number.isFinite), name).toBe(true);
    }
  });
});

describe('what a guide is bound to never leads nowhere', () => {
  const stroke = { color: '#A3471F', width: 3, dash: null, draws: 'r' };
  const bound = (): Scene => {
    const scene = looped();
    const drawn: Scene = {
      ...scene,
      guides: scene.guides.map((one) => (one.id === 'loops' ? { ...one, stroke } : one)),
    };
    return addLinked(drawn, { id: 't', name: 'Twin', link: { kind: 'copy', of: 'loops', dx: 9, dy: 9 }, linked: true });
  };
  test('the rider that draws it is deleted: it is there whole', () => {
    const after = commands.deleteRiders(bound(), { ids: ['r'] });
    isValid(after);
    expect(guideIn(after).stroke?.draws).toBeNull();
  });
  test('cut and pasted with what it is bound to it follows the copies, alone it stands on its own', () => {
    const scene = bound();
    const paste = (guides: string[], riders: string[]): Scene => {
      const clip = commands.copyThings(scene, guides, riders);
      const bare = deleteGuides(commands.deleteRiders(scene, { ids: ['r'] }), { ids: ['loops', 't'], time: 0 });
      return commands.pasteThings(bare, clip, 24, guides).scene;
    };
    const both = paste(['loops', 't'], ['r']);
    isValid(both);
    const [original, copy] = both.guides.slice(-2);
    expect(copy!.link?.of).toBe(original!.id);
    expect(original!.stroke?.draws).toBe(both.riders.at(-1)!.id);
    const alone = paste(['t'], []);
    isValid(alone);
    expect(alone.guides.at(-1)!.link).toBeUndefined();
  });
  test('a live shape is pasted with its place; split, closed or opened it is a shape no more', () => {
    const shape: GuideShape = {
      kind: 'wave',
      length: 300,
      height: 80,
      waves: 2,
      x: 300,
      y: 200,
      turn: 0,
      reversed: false,
      start: 0,
    };
    const scene = addGuide(sceneOf({}), {
      guide: {
        id: 'c',
        name: 'C',
        color: '#0B7A75',
        visible: true,
        locked: false,
        corridor: null,
        carrier: null,
        depth: null,
        ...shapeNodes(sceneOf({}), 'c', [], shape),
        shape,
      },
    });
    const clip = commands.copyThings(scene, ['c'], []);
    expect(commands.pasteThings(scene, clip, 24, ['c']).scene.guides[1]!.shape).toMatchObject({ x: 324, y: 224 });
    const node = guideIn(scene, 'c').nodes[3]!.id;
    for (const after of [
      commands.splitGuide(scene, { guide: 'c', node, nodeId: 'cut', guideId: 'half', name: 'Half' }),
      commands.setClosed(scene, { guide: 'c', closed: true }),
    ])
      expect(after.guides.every((guide) => guide.shape === undefined)).toBe(true);
  });
  test('a rider of another guide is not taken off it by pressing', () => {
    expect(
      commands.beThere.can(looped(), { rider: 'r', guide: 'line', time: 1, at: [0, 0], ids: ['a1', 'a2'] })?.code,
    ).toBe('other-guide');
  });
});
