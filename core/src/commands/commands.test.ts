import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { pathOfGuide, sceneFromJson, writeScene, type Guide, type Scene } from '../scene/index.ts';
import { CUSP, LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import * as commands from './index.ts';
import {
  addRider,
  asShare,
  attachRider,
  canDeleteMarks,
  canDeleteNodes,
  canInsertMark,
  canInsertNode,
  canSplitGuide,
  copyMarks,
  copyThings,
  deleteArt,
  deleteGuides,
  deleteMarks,
  deleteNodes,
  detachRiders,
  insertMark,
  insertNode,
  moveGuides,
  moveNodes,
  parkedRider,
  pasteMarks,
  pasteThings,
  pointOfPlace,
  restackRider,
  retimeMark,
  SceneError,
  setArt,
  setClock,
  setClosed,
  setDwell,
  setHandle,
  setHeading,
  setJoin,
  setPace,
  setSeating,
  splitGuide,
} from './index.ts';

const marks = [
  { time: 0, place: { by: 'node', node: 'l1' }, ease: { kind: 'family', family: 'elastic', mode: 'out' } },
  {
    time: 1.5,
    place: { by: 'node', node: 'l2', along: 0.4 },
    dwell: 0.5,
    ease: { kind: 'bezier', values: [0.3, -0.2, 0.6, 1.1] },
  },
  { time: 3, place: { by: 'share', value: 0.8 }, ease: { kind: 'family', family: 'bounce', mode: 'in-out' } },
  { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
];
const scene = sceneOf({ guides: [LOOPS], riders: [riderOn('r', 'loops', marks)] });

const times = Array.from({ length: 81 }, (_, i) => i / 20);
const waysOf = (s: Scene): number[] => times.map((t) => prepare(s).poseAt(t).of(0, 'distance'));
const placesOf = (s: Scene): [number, number][] =>
  times.map((t) => [prepare(s).poseAt(t).of(0, 'x'), prepare(s).poseAt(t).of(0, 'y')]);
const worst = (a: readonly [number, number][], b: readonly [number, number][]): number =>
  Math.max(...a.map(([x, y], i) => Math.hypot(x - (b[i]?.[0] ?? NaN), y - (b[i]?.[1] ?? NaN))));
const guideIn = (s: Scene, id = 'loops'): Guide => s.guides.find((guide) => guide.id === id)!;
const timesOf = (s: Scene): [number, number][] =>
  s.riders.flatMap((rider) => rider.pace.marks.map((mark): [number, number] => [mark.time, mark.dwell]));

describe('marks', () => {
  test.each([0.05, 0.31, 0.8, 1.2, 1.7, 2.2, 2.6, 3.1, 3.5, 3.9])(
    'a mark set at %f s changes nothing of the motion',
    (time) => {
      const before = waysOf(scene);
      const after = waysOf(insertMark(scene, { rider: 'r', time, id: 'new' }));
      before.forEach((way, i) => expect(after[i]).toBeCloseTo(way, 6));
    },
  );
  test('several marks in one leg, and taken out again: the ease is whole again', () => {
    const twice = insertMark(insertMark(scene, { rider: 'r', time: 3.2, id: 'x' }), { rider: 'r', time: 3.6, id: 'y' });
    waysOf(scene).forEach((way, i) => expect(waysOf(twice)[i]).toBeCloseTo(way, 6));
    expect(deleteMarks(twice, { rider: 'r', marks: ['x', 'y'] }).riders[0]!.pace.marks).toEqual(
      scene.riders[0]!.pace.marks,
    );
  });
  test('refused: at a mark, outside the cycle, where the line is back at its start, the last one, a parked rider', () => {
    expect(canInsertMark(scene, { rider: 'r', time: 1.5, id: 'n' })?.code).toBe('at-mark');
    expect(canInsertMark(scene, { rider: 'r', time: 5, id: 'n' })?.code).toBe('outside');
    const returning = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          {
            time: 0,
            place: { by: 'node', node: 'a' },
            ease: {
              kind: 'points',
              points: [
                [0, 0],
                [0.25, 0.5],
                [0.5, 0],
                [1, 1],
              ],
            },
          },
          { time: 4, place: { by: 'node', node: 'b' } },
        ]),
      ],
    });
    expect(canInsertMark(returning, { rider: 'r', time: 2, id: 'n' })?.code).toBe('returns');
    expect(() => insertMark(returning, { rider: 'r', time: 2, id: 'n' })).toThrow(SceneError);
    expect(canDeleteMarks(scene, { rider: 'r', marks: ['r-m1', 'r-m2', 'r-m3', 'r-m4'] })?.code).toBe('last-mark');
  });
  test('a mark is held between its neighbours, a dwell before the next', () => {
    const time = (s: Scene): number => s.riders[0]!.pace.marks[1]!.time;
    expect(time(retimeMark(scene, { rider: 'r', mark: 'r-m2', time: 9 }))).toBe(2.5);
    expect(time(retimeMark(scene, { rider: 'r', mark: 'r-m2', time: -9 }))).toBe(0);
    expect(setDwell(scene, { rider: 'r', mark: 'r-m2', dwell: 9 }).riders[0]!.pace.marks[1]!.dwell).toBe(1.5);
  });
  test('a longer loop is the same motion, slower', () => {
    const slow = setClock(scene, { duration: 8 });
    times.forEach((t) =>
      expect(
        prepare(slow)
          .poseAt(2 * t)
          .of(0, 'distance'),
      ).toBeCloseTo(prepare(scene).poseAt(t).of(0, 'distance'), 6),
    );
    const own = setPace(scene, { rider: 'r', patch: { cycle: 2 } });
    times.forEach((t) =>
      expect(
        prepare(own)
          .poseAt(t / 2)
          .of(0, 'distance'),
      ).toBeCloseTo(prepare(scene).poseAt(t).of(0, 'distance'), 6),
    );
  });
  test('marks are pasted from the playhead on, over what lies there', () => {
    const clip = copyMarks(scene, 'r', ['r-m2', 'r-m3']);
    if (clip.kind !== 'marks') throw new Error('not marks');
    const pasted = pasteMarks(scene, { rider: 'r', clip, time: 0.5 });
    expect(sceneFromJson(pasted).ok).toBe(true);
    expect(timesOf(pasted).map(([t]) => t)).toEqual([0, 0.5, 2, 3, 4]);
  });
});

describe('nodes', () => {
  test.each([0.1, 0.5, 0.93])('a node set at t = %f changes neither shape nor motion', (t) => {
    for (let span = 0; span < 4; span++) {
      const after = insertNode(scene, { guide: 'loops', span, t, id: 'new' });
      expect(pathOfGuide(guideIn(after)).length).toBeCloseTo(pathOfGuide(guideIn(scene)).length, 8);
      expect(worst(placesOf(scene), placesOf(after))).toBeLessThan(2e-4);
      expect(sceneFromJson(after).ok).toBe(true);
    }
  });
  test('bending keeps marks on their nodes and in their times', () => {
    const after = moveNodes(scene, { guide: 'loops', nodes: ['l2'], dx: 40, dy: -30 });
    expect(after.riders).toBe(scene.riders);
    const pose = prepare(after).poseAt(0);
    expect([pose.of(0, 'x'), pose.of(0, 'y')]).toEqual([200, 300]);
  });
  test('a deleted node leaves marks elsewhere alone and the rest as near as can be', () => {
    const after = deleteNodes(scene, { guide: 'loops', nodes: ['l2'] });
    expect(timesOf(after)).toEqual(timesOf(scene));
    expect(sceneFromJson(after).ok).toBe(true);
    const [first, second] = after.riders[0]!.pace.marks;
    expect(first).toBe(scene.riders[0]!.pace.marks[0]);
    const old = pointOfPlace(guideIn(scene), scene.riders[0]!.pace.marks[1]!.place);
    const now = pointOfPlace(guideIn(after), second!.place);
    const path = pathOfGuide(guideIn(after));
    const nearest = Math.min(
      ...Array.from({ length: 2000 }, (_, i) => path.frameAtDistance((path.length * i) / 2000)).map((f) =>
        Math.hypot(f.x - old[0], f.y - old[1]),
      ),
    );
    expect(Math.hypot(now[0] - old[0], now[1] - old[1])).toBeLessThanOrEqual(nearest + 1e-6);
    expect(canDeleteNodes(scene, { guide: 'loops', nodes: ['l1', 'l2', 'l3', 'l4'] })?.code).toBe('last-node');
  });
  test('opening a closed guide at a node keeps every place', () => {
    const after = splitGuide(scene, { guide: 'loops', node: 'l1', nodeId: 'l1b', guideId: 'g2', name: 'Second' });
    expect(guideIn(after).closed).toBe(false);
    expect(sceneFromJson(after).ok).toBe(true);
    expect(worst(placesOf(scene).slice(0, -1), placesOf(after).slice(0, -1))).toBeLessThan(1e-4);
  });
  test('splitting an open guide leaves the shape; marks of the other piece stay near', () => {
    const open = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 1, place: { by: 'node', node: 'a', along: 0.5 } },
          { time: 4, place: { by: 'node', node: 'c' } },
        ]),
      ],
    });
    const after = splitGuide(open, { guide: 'line', node: 'b', nodeId: 'b2', guideId: 'line-2', name: 'Line 2' });
    expect(after.guides.map((guide) => guide.nodes.map((node) => node.id))).toEqual([
      ['a', 'b'],
      ['b2', 'c'],
    ]);
    expect(after.riders[0]!.guide).toBe('line');
    expect(
      after.riders[0]!.pace.marks.map((mark) =>
        pointOfPlace(guideIn(after, 'line'), mark.place).map((v) => Math.round(v * 1e6) / 1e6),
      ),
    ).toEqual([
      [100, 300],
      [200, 300],
      [300, 300],
    ]);
    expect(canSplitGuide(open, { guide: 'line', node: 'a', nodeId: 'x', guideId: 'y', name: '' })?.code).toBe('at-end');
  });
  test('joins line handles up; a smooth handle turns the other, alone it breaks the join', () => {
    const smooth = setJoin(scene, { guide: 'loops', nodes: ['l2'], join: 'balanced' });
    const [ix, iy] = guideIn(smooth).nodes[1]!.in!;
    const [ox, oy] = guideIn(smooth).nodes[1]!.out!;
    expect(ix + ox).toBeCloseTo(0, 9);
    expect(iy + oy).toBeCloseTo(0, 9);
    const turned = guideIn(setHandle(smooth, { guide: 'loops', node: 'l2', side: 'out', handle: [0, 50] })).nodes[1]!;
    expect(turned.in![0]).toBeCloseTo(0, 9);
    expect(turned.in![1]).toBeCloseTo(-50, 9);
    const alone = guideIn(setHandle(smooth, { guide: 'loops', node: 'l2', side: 'out', handle: [0, 50], alone: true }))
      .nodes[1]!;
    expect([alone.join, alone.in]).toEqual(['corner', [ix, iy]]);
    const made = guideIn(
      setJoin(sceneOf({ guides: [SQUARE] }), { guide: 'square', nodes: ['q2'], join: 'smooth' }),
      'square',
    ).nodes[1]!;
    expect(made.in![0] * made.out![1] - made.in![1] * made.out![0]).toBeCloseTo(0, 9);
  });
  test('a node is not set where one is', () =>
    expect(canInsertNode(scene, { guide: 'loops', span: 0, t: 0, id: 'n' })?.code).toBe('at-node'));
});

describe('random edits of a guide', () => {
  const edit = fc.oneof(
    fc.record({
      kind: fc.constant('move' as const),
      at: fc.nat(20),
      dx: fc.integer({ min: -60, max: 60 }),
      dy: fc.integer({ min: -60, max: 60 }),
    }),
    fc.record({
      kind: fc.constant('insert' as const),
      at: fc.nat(20),
      t: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
    }),
    fc.record({ kind: fc.constant('delete' as const), at: fc.nat(20) }),
    fc.record({ kind: fc.constant('close' as const) }),
    fc.record({ kind: fc.constant('split' as const), at: fc.nat(20) }),
    fc.record({
      kind: fc.constant('join' as const),
      at: fc.nat(20),
      join: fc.constantFrom('corner' as const, 'smooth' as const, 'balanced' as const),
    }),
  );
  test('leave every mark its time, and give a valid scene', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 8 }), fc.constantFrom(LOOPS, SQUARE, CUSP), (edits, guide) => {
        const first = guide.nodes[0].id;
        const last = guide.nodes.at(-1)!.id;
        let s = sceneOf({
          guides: [guide],
          riders: [
            riderOn('r', guide.id, [
              { time: 0, place: { by: 'node', node: first, along: 0.3 } },
              { time: 1.2, dwell: 0.3, place: { by: 'node', node: last } },
              { time: 4, place: { by: 'share', value: 0.9 } },
            ]),
          ],
        });
        const before = timesOf(s);
        edits.forEach((one, i) => {
          const current = s.guides.find((g) => g.id === s.riders[0]!.guide)!;
          const id = current.id;
          const node = 'at' in one ? current.nodes[one.at % current.nodes.length]!.id : '';
          const wasAt = s.riders[0]!.pace.marks.map((mark) => pointOfPlace(current, mark.place));
          const apply = <A>([run, can]: [(s: Scene, a: A) => Scene, (s: Scene, a: A) => unknown], args: A): void => {
            if (!can(s, args)) s = run(s, args);
          };
          if (one.kind === 'move')
            apply([commands.moveNodes, commands.canMoveNodes], { guide: id, nodes: [node], dx: one.dx, dy: one.dy });
          if (one.kind === 'insert') {
            apply([commands.insertNode, commands.canInsertNode], {
              guide: id,
              span: one.at % current.nodes.length,
              t: one.t,
              id: `new${i}`,
            });
            const now = s.guides.find((g) => g.id === id)!;
            s.riders[0]!.pace.marks.forEach((mark, k) => {
              const [x, y] = pointOfPlace(now, mark.place);
              expect(Math.hypot(x - wasAt[k]![0], y - wasAt[k]![1])).toBeLessThan(1e-3);
            });
          }
          if (one.kind === 'delete')
            apply([commands.deleteNodes, commands.canDeleteNodes], { guide: id, nodes: [node] });
          if (one.kind === 'close')
            apply([commands.setClosed, commands.canSetClosed], { guide: id, closed: !current.closed });
          if (one.kind === 'split')
            apply([commands.splitGuide, commands.canSplitGuide], {
              guide: id,
              node,
              nodeId: `cut${i}`,
              guideId: `piece${i}`,
              name: 'Piece',
            });
          if (one.kind === 'join')
            apply([commands.setJoin, commands.canSetJoin], { guide: id, nodes: [node], join: one.join });
        });
        expect(timesOf(s)).toEqual(before);
        const read = sceneFromJson(JSON.parse(writeScene(s)));
        expect(read.ok ? [] : read.problems).toEqual([]);
        for (const t of [0, 1.3, 3.7]) expect(Number.isFinite(prepare(s).poseAt(t).of(0, 'x'))).toBe(true);
      }),
      { numRuns: 150, seed: 5 },
    );
  });
});

describe('riders', () => {
  const base = sceneOf({ guides: [LOOPS, LINE] });
  const withRider = addRider(base, { rider: parkedRider('r', 'R', 'box', [330, 120]) });
  const pivot = (s: Scene, t: number): [number, number] => [
    prepare(s).poseAt(t).of(0, 'x'),
    prepare(s).poseAt(t).of(0, 'y'),
  ];
  test.each(['loops', 'line'])('put on %s and kept, it is where it was; seated, its pivot is on the guide', (guide) => {
    for (const time of [0, 1.3]) {
      const kept = attachRider(withRider, { rider: 'r', guide, seating: 'keep', time });
      const [x, y] = pivot(kept, time);
      expect(Math.hypot(x - 330, y - 120)).toBeLessThan(1e-3);
      const seated = attachRider(withRider, { rider: 'r', guide, seating: 'seat', time });
      expect(seated.riders[0]).toMatchObject({ lift: 0, lead: 0 });
      expect(sceneFromJson(seated).ok).toBe(true);
      const moved = setSeating(seated, { rider: 'r', seating: 'keep', point: [330, 120], time });
      expect(Math.hypot(pivot(moved, time)[0] - 330, pivot(moved, time)[1] - 120)).toBeLessThan(1e-3);
    }
  });
  test('taken off, or its guide deleted, it stays where it is and faces as it did; its marks keep their times', () => {
    for (const parked of [
      detachRiders(scene, { ids: ['r'], time: 1 }),
      deleteGuides(scene, { ids: ['loops'], time: 1 }),
    ]) {
      expect(pivot(parked, 3)[0]).toBeCloseTo(pivot(scene, 1)[0], 6);
      expect(Math.cos(prepare(parked).poseAt(3).of(0, 'angle'))).toBeCloseTo(
        Math.cos(prepare(scene).poseAt(1).of(0, 'angle')),
        6,
      );
      expect(timesOf(parked)).toEqual(timesOf(scene));
      expect(sceneFromJson(parked).ok).toBe(true);
    }
    expect(() =>
      moveGuides(
        { ...scene, guides: scene.guides.map((g) => ({ ...g, locked: true })) },
        { ids: ['loops'], dx: 1, dy: 1 },
      ),
    ).toThrow(/locked/);
  });
  test('switching to along can keep the present angle', () => {
    const level = setHeading(scene, { rider: 'r', heading: { mode: 'level', offset: 20 }, keepAngle: null });
    const kept = setHeading(level, { rider: 'r', heading: { mode: 'along', offset: 0 }, keepAngle: 0.7 });
    expect(Math.cos(prepare(kept).poseAt(0.7).of(0, 'angle'))).toBeCloseTo(Math.cos((20 * Math.PI) / 180), 6);
  });
  test('a new pivot leaves a parked rider drawn where it was', () => {
    const turned: Scene = {
      ...withRider,
      riders: withRider.riders.map((rider) => ({ ...rider, heading: { mode: 'level', offset: 50 }, scale: [2, -1] })),
    };
    const after = setArt(turned, { id: 'box', patch: { pivot: [3, 7] } });
    for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const)
      expect(prepare(after).poseAt(0).of(0, key)).toBeCloseTo(prepare(turned).poseAt(0).of(0, key), 9);
    expect(() => deleteArt(after, { id: 'box' })).toThrow(/shows this art/);
  });
  test('copied and pasted, all ids are new and the motion is the same, moved', () => {
    const clip = copyThings(scene, ['loops'], ['r']);
    if (clip.kind !== 'things') throw new Error('not things');
    const pasted = pasteThings(scene, clip, 24, ['loops']);
    expect(sceneFromJson(pasted.scene).ok).toBe(true);
    expect(pasted.scene.art).toHaveLength(1);
    const pose = prepare(pasted.scene).poseAt(1.1);
    expect(pose.of(1, 'x') - pose.of(0, 'x')).toBeCloseTo(24, 6);
    const other = pasteThings(base, clip, 0, []);
    expect(sceneFromJson(other.scene).ok).toBe(true);
    expect(other.riders).toEqual(['r']);
  });
  test('restacking moves one and keeps the others’ order', () => {
    const three = ['x', 'y', 'z'].reduce((s, id) => addRider(s, { rider: parkedRider(id, id, 'box', [0, 0]) }), base);
    expect(restackRider(three, { id: 'z', to: 0 }).riders.map((rider) => rider.id)).toEqual(['z', 'x', 'y']);
  });
});

test('opening a closed guide takes what ran over the closing span to its end', () => {
  const open = setClosed(scene, { guide: 'loops', closed: false });
  expect(open.riders[0]!.pace.marks.at(-1)!.place).toEqual({ by: 'node', node: 'l4', along: 0, lap: 0 });
  expect(asShare(guideIn(open), open.riders[0]!.pace.marks.at(-1)!.place)).toEqual({ by: 'share', value: 1 });
});
