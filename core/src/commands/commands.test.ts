import { describe, expect, test } from 'vitest';
import { nodesOfShape } from '../geometry/index.ts';
import { checkClosing } from '../checks/index.ts';
import { prepare } from '../motion/index.ts';
import {
  newHeading,
  guideById,
  newRider,
  pathOfGuide,
  sceneFromJson,
  writeScene,
  type Guide,
  type Scene,
} from '../scene/index.ts';
import { LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import {
  addRider,
  asShare,
  attachRider,
  copyMarks,
  copyThings,
  deleteArt,
  deleteGuides,
  deleteMarks,
  deleteNodes,
  deleteRiders,
  detachRiders,
  insertMark,
  insertNode,
  lengthenLoop,
  moveGuides,
  moveNodes,
  nameNode,
  nodesLost,
  pasteMarks,
  pasteThings,
  pointOfPlace,
  renameScene,
  restackRider,
  retimeMark,
  SceneError,
  redrawArt,
  setArt,
  setPivot,
  setClock,
  setClosed,
  setDwell,
  centreGuide,
  centreOf,
  setCycleRoom,
  slowRider,
  setGuide,
  setHandle,
  setHeading,
  setJoin,
  setPace,
  setRider,
  setSeating,
  splitGuide,
  stretchMarks,
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
    expect(insertMark.can(scene, { rider: 'r', time: 1.5, id: 'n' })?.code).toBe('at-mark');
    expect(insertMark.can(scene, { rider: 'r', time: 5, id: 'n' })?.code).toBe('outside-cycle');
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
    expect(insertMark.can(returning, { rider: 'r', time: 2, id: 'n' })?.code).toBe('line-returns');
    expect(() => insertMark(returning, { rider: 'r', time: 2, id: 'n' })).toThrow(SceneError);
    expect(deleteMarks.can(scene, { rider: 'r', marks: ['r-m1', 'r-m2', 'r-m3', 'r-m4'] })?.code).toBe('last-mark');
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
  test('a longer loop can take delays and own cycles along: all of it is the same motion, slower', () => {
    const own = sceneOf({
      guides: [LOOPS],
      riders: [
        riderOn('r', 'loops', marks, { pace: { delay: 0.7 } }),
        riderOn('s', 'loops', marks.slice(0, 2), { pace: { cycle: 2, delay: 0.3, repeat: 'there-and-back' } }),
      ],
    });
    const slow = setClock(own, { duration: 10, along: true });
    for (const i of [0, 1])
      for (const t of times)
        expect(
          prepare(slow)
            .poseAt(2.5 * t)
            .of(i, 'distance'),
        ).toBeCloseTo(prepare(own).poseAt(t).of(i, 'distance'), 6);
    // A cycle that no file could hold is refused.
    const brief = setPace(own, { rider: 's', patch: { cycle: 0.1 } });
    expect(setClock.can(brief, { duration: 0.02, along: true })?.code).toBe('duration');
    expect(setClock.can(brief, { duration: 0.02 })).toBeUndefined();
    const stays = setClock(own, { duration: 10 });
    expect(stays.riders.map(({ pace }) => [pace.delay, pace.cycle])).toEqual([
      [0.7, null],
      [0.3, 2],
    ]);
    expect(stays.riders[1]).toBe(own.riders[1]);
  });
  test('what fits the loop goes on fitting it, by the same number of rounds; what still does, and what never did, stays', () => {
    const cycles = (scene: Scene): (number | null)[] => scene.riders.map(({ pace }) => pace.cycle);
    const both = sceneOf({
      guides: [LOOPS],
      riders: [riderOn('r', 'loops', marks), riderOn('s', 'loops', marks.slice(0, 1))],
    });
    const three = (cycle: number, repeat: 'loop' | 'there-and-back' | null = null): Scene =>
      setPace(both, { rider: 's', patch: { cycle, repeat } });
    const { duration } = scene.clock;
    expect(cycles(setClock(three(duration / 2), { duration: 9, fit: true }))).toEqual([null, 4.5]);
    expect(cycles(setClock(three(duration / 2), { duration: 9 }))).toEqual([null, duration / 2]);
    expect(cycles(setClock(three(1), { duration: duration + 3, fit: true }))).toEqual([null, 1]);
    expect(cycles(setClock(three(0.7), { duration: 9, fit: true }))).toEqual([null, 0.7]);
    expect(cycles(setClock(three(duration / 4, 'there-and-back'), { duration: 9, fit: true }))).toEqual([null, 2.25]);
    // After a loop was made as long as all rounds take, another length keeps all of them closing.
    const odd = sceneOf({
      guides: [LOOPS],
      riders: [
        riderOn('r', 'loops', marks),
        riderOn(
          's',
          'loops',
          [
            { time: 0, place: { by: 'share', value: 0 } },
            { time: (duration * 2) / 3, place: { by: 'share', value: 1 } },
          ],
          { pace: { cycle: (duration * 2) / 3 } },
        ),
      ],
    });
    const long = lengthenLoop(odd, { loops: 2 });
    expect(checkClosing(long)).toMatchObject({ loops: 1 });
    expect(checkClosing(setClock(long, { duration: 5 }))!.loops).not.toBe(1);
    const fitted = setClock(long, { duration: 5, fit: true });
    expect(checkClosing(fitted)).toMatchObject({ loops: 1 });
    for (const t of [0.1, 0.35, 0.8])
      for (const i of [0, 1])
        expect(
          prepare(fitted)
            .poseAt(t * 5)
            .of(i, 'distance'),
        ).toBeCloseTo(
          prepare(long)
            .poseAt(t * long.clock.duration)
            .of(i, 'distance'),
          6,
        );
  });
  test('marks of one rider are stretched alone, about the first of them, up to the next', () => {
    const args = { rider: 'r', marks: ['r-m1', 'r-m3'] };
    const half = stretchMarks(scene, { ...args, factor: 0.5 });
    expect(timesOf(half)).toEqual([
      [0, 0],
      [0.75, 0.25],
      [1.5, 0],
      [4, 0],
    ]);
    expect(timesOf(stretchMarks(scene, { ...args, factor: 9 })).map(([t]) => t)).toEqual([0, 2, 4, 4]);
    expect(stretchMarks.can(scene, { ...args, marks: ['r-m2'], factor: 2 })?.code).toBe('stretch-needs-two');
    const last = stretchMarks(scene, { rider: 'r', marks: ['r-m2', 'r-m4'], factor: 2 });
    expect(last).toBe(scene);
  });
  test('whatever a name came from, the scene can be kept with it', () => {
    const long = `${'a long way '.repeat(30)}\uD800\u0007`;
    const named = setRider(setGuide(scene, { id: 'loops', patch: { name: long } }), { id: 'r', patch: { name: long } });
    const all = renameScene(nameNode(named, { guide: 'loops', node: 'l1', name: long }), { name: long });
    const read = sceneFromJson(JSON.parse(writeScene(all)));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.scene.riders[0]!.name).toHaveLength(199);
    expect(read.scene.name).toBe(read.scene.guides[0]!.name);
    expect(setRider(scene, { id: 'r', patch: { name: 'r' } }).guides).toBe(scene.guides);
  });
  test('a locked rider is not deleted', () => {
    const locked = { ...scene, riders: scene.riders.map((one) => ({ ...one, locked: true })) };
    expect(deleteRiders.can(locked, { ids: ['r'] })).toMatchObject({ code: 'locked', data: { name: 'r' } });
  });
  test('marks are pasted from the playhead on, over what lies there', () => {
    const clip = copyMarks(scene, 'r', ['r-m2', 'r-m3']);
    const pasted = pasteMarks(scene, { rider: 'r', clip, time: 0.5 });
    expect(sceneFromJson(pasted).ok).toBe(true);
    expect(timesOf(pasted).map(([t]) => t)).toEqual([0, 0.5, 2, 3, 4]);
  });
  test('pasted marks keep their nodes: on the same guide, on the nodes that answer on a copy, else they become shares', () => {
    const clip = copyMarks(scene, 'r', ['r-m1']);
    const [mark] = clip.marks;
    const { scene: twice, riders, guides } = pasteThings(scene, copyThings(scene, ['loops'], ['r']), 30, ['loops']);
    const [copy, id] = [twice.riders.find((one) => one.id === riders[0])!, guides[0]!];
    const placeIn = (after: Scene, rider: string) =>
      after.riders.find((one) => one.id === rider)!.pace.marks.find(({ time }) => time === 0.25)!.place;
    const same = pasteMarks(twice, { rider: 'r', clip, time: 0.25 });
    expect(placeIn(same, 'r')).toEqual(mark!.place);
    // A crest that is raised takes the pasted mark along: its pose is the node's.
    const raised = moveNodes(same, { guide: 'loops', nodes: ['l1'], dx: 0, dy: -80 });
    const node = raised.guides[0]!.nodes.find((one) => one.id === 'l1')!;
    const pose = prepare(raised).poseAt(0.25);
    expect([pose.of(0, 'x'), pose.of(0, 'y')]).toEqual([expect.closeTo(node.x, 9), expect.closeTo(node.y, 9)]);
    const answering = pasteMarks(twice, { rider: copy.id, clip, time: 0.25 });
    const twin = guideById(answering, id)!.nodes[0]!.id;
    expect(placeIn(answering, copy.id)).toEqual({ ...mark!.place, node: twin });
    expect(nodesLost(clip, guideById(answering, id)!)).toBe(0);
    const other = insertNode(twice, { guide: id, span: 0, t: 0.5, id: 'more' });
    expect(nodesLost(clip, guideById(other, id)!)).toBe(1);
    const share = placeIn(pasteMarks(other, { rider: copy.id, clip, time: 0.25 }), copy.id);
    expect(share).toEqual(asShare(guideById(scene, 'loops')!, mark!.place));
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
    expect(deleteNodes.can(scene, { guide: 'loops', nodes: ['l1', 'l2', 'l3', 'l4'] })?.code).toBe('last-node');
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
    expect(splitGuide.can(open, { guide: 'line', node: 'a', nodeId: 'x', guideId: 'y', name: '' })?.code).toBe(
      'split-at-end',
    );
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
    expect(insertNode.can(scene, { guide: 'loops', span: 0, t: 0, id: 'n' })?.code).toBe('at-node'));
});

describe('riders', () => {
  const base = sceneOf({ guides: [LOOPS, LINE] });
  const withRider = addRider(base, { rider: newRider({ id: 'r', name: 'R', art: 'box', at: [330, 120] }) });
  const pivot = (s: Scene, t: number): [number, number] => [
    prepare(s).poseAt(t).of(0, 'x'),
    prepare(s).poseAt(t).of(0, 'y'),
  ];
  test.each(['loops', 'line'])('put on %s and kept, it is where it was; seated, its pivot is on the guide', (guide) => {
    for (const time of [0, 1.3]) {
      const kept = attachRider(withRider, { rider: 'r', guide, seating: 'keep', time });
      const [x, y] = pivot(kept, time);
      expect(Math.hypot(x - 330, y - 120)).toBeLessThan(1e-3);
      expect(kept.riders[0]!.lead).toBeCloseTo(0, 6);
      const seated = attachRider(withRider, { rider: 'r', guide, seating: 'seat', time });
      expect(seated.riders[0]).toMatchObject({ lift: 0, lead: 0 });
      expect(sceneFromJson(seated).ok).toBe(true);
    }
  });
  test('on an open guide no rider overshoots an end by the lead that is kept; on a closed one it stays just there', () => {
    const point = [330, 120] as const;
    const keep = (guide: string): Scene => {
      const seated = attachRider(withRider, { rider: 'r', guide, seating: 'seat', time: 0 });
      return setSeating(seated, { rider: 'r', seating: 'keep', point, time: 1.3 });
    };
    const open = keep('line');
    for (const t of times) expect(pivot(open, t)[0]).toBeLessThanOrEqual(500 + 1e-6);
    expect(pivot(open, 0)[0]).toBeGreaterThanOrEqual(100 - 1e-6);
    const closed = keep('loops');
    expect(Math.hypot(pivot(closed, 1.3)[0] - 330, pivot(closed, 1.3)[1] - 120)).toBeLessThan(1e-3);
  });
  test('a new rider begins at the start of the guide, or at the place that it was dropped on', () => {
    const seat = (begins: 'start' | readonly [number, number]): Scene =>
      attachRider(withRider, { rider: 'r', guide: 'loops', seating: 'seat', time: 0, begins });
    expect(pivot(seat('start'), 0)).toEqual([200, 300]);
    const dropped = pivot(seat([560, 380]), 0);
    expect(Math.hypot(dropped[0] - 560, dropped[1] - 380)).toBeLessThan(1e-3);
    const line = attachRider(withRider, { rider: 'r', guide: 'line', seating: 'seat', time: 1, begins: [250, 310] });
    expect(pivot(line, 1)[0]).toBeCloseTo(250, 6);
    expect(prepare(line).rider('r')!.distanceAt(4, -1)).toBeCloseTo(400, 6);
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
    const level = setHeading(scene, { rider: 'r', heading: newHeading({ offset: 20 }), keepAngle: null });
    const kept = setHeading(level, { rider: 'r', heading: newHeading({ mode: 'along' }), keepAngle: 0.7 });
    expect(Math.cos(prepare(kept).poseAt(0.7).of(0, 'angle'))).toBeCloseTo(Math.cos((20 * Math.PI) / 180), 6);
  });
  test('a new pivot leaves a parked rider drawn where it was', () => {
    const turned: Scene = {
      ...withRider,
      riders: withRider.riders.map((rider) => ({ ...rider, heading: newHeading({ offset: 50 }), scale: [2, -1] })),
    };
    const after = setArt(turned, { id: 'box', patch: { pivot: [3, 7] } });
    for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const)
      expect(prepare(after).poseAt(0).of(0, key)).toBeCloseTo(prepare(turned).poseAt(0).of(0, key), 9);
    expect(() => deleteArt(after, { id: 'box' })).toThrow(/art-in-use/);
  });
  test('a carried guide is centred on its carrier’s art, or at its pivot; a live shape stays live', () => {
    const shape = { kind: 'circle' as const, radius: 30, x: 5, y: 9, turn: 0, reversed: false, start: 0 };
    const plain = { color: '#0B7A75', carrier: 'r' };
    const carrying = sceneOf({
      guides: [
        {
          ...{ ...plain, id: 'ring', name: 'ring', closed: true, shape },
          nodes: nodesOfShape(shape).nodes.map((node, i) => ({ id: `n${i}`, ...node })),
        },
        {
          ...{ ...plain, id: 'bow', name: 'bow', closed: false },
          nodes: [
            { id: 'b1', x: 0, y: 0 },
            { id: 'b2', x: 100, y: 40 },
          ],
        },
      ],
      riders: [{ id: 'r', name: 'r', art: 'box', guide: null, at: [300, 200], pivot: [12, 3] }],
    });
    // The box is 60 × 40.
    for (const [id, on, x, y] of [
      ['ring', 'art', 30, 20],
      ['ring', 'pivot', 12, 3],
      ['bow', 'art', 30, 20],
      ['bow', 'pivot', 12, 3],
    ] as const) {
      const after = centreGuide(carrying, { guide: id, on });
      const moved = after.guides.find((guide) => guide.id === id)!;
      expect(centreOf(moved)).toEqual([x, y]);
      const { left, right, top, bottom } = pathOfGuide(moved).bounds;
      expect([(left + right) / 2, (top + bottom) / 2].map((one) => Math.round(one * 1e3) / 1e3)).toEqual([x, y]);
      expect(moved.shape?.kind).toBe(id === 'ring' ? 'circle' : undefined);
    }
    expect(() => centreGuide(scene, { guide: 'loops', on: 'art' })).toThrow(/no-rider/);
  });
  test('a cycle of a rider’s own stretches its marks and keys, or leaves them and adds room', () => {
    const times = (of: Scene): number[] => of.riders[0]!.pace.marks.map(({ time }) => time);
    const before = times(scene);
    const roomy = setCycleRoom(scene, { rider: 'r', cycle: 9 });
    expect(roomy.riders[0]!.pace.cycle).toBe(9);
    expect(times(roomy)).toEqual(before);
    const last = scene.riders[0]!.pace.marks.reduce((most, { time, dwell }) => Math.max(most, time + dwell), 0);
    expect(() => setCycleRoom(scene, { rider: 'r', cycle: last / 2 })).toThrow(/marks-past-end/);
    const slow = slowRider(scene, { rider: 'r', factor: 2 });
    expect(times(slow)).toEqual(before.map((time) => expect.closeTo(2 * time, 9) as number));
    // The scene's own length is no cycle of its own.
    expect(setCycleRoom(roomy, { rider: 'r', cycle: scene.clock.duration }).riders[0]!.pace.cycle).toBeNull();
  });
  test('an art with other markup keeps its name, pivot and facing; another size, or none of that id, is refused', () => {
    const before = base.art[0]!;
    if (before.kind !== 'svg') throw new Error('no drawing');
    const art = { ...before, name: 'Other', facing: 2, markup: before.markup.replace('<svg ', '<svg opacity="0.5" ') };
    const after = redrawArt(base, { art }).art[0]!;
    expect(after).toEqual({ ...before, markup: art.markup });
    expect(() => redrawArt(base, { art: { ...art, width: 1 } })).toThrow(SceneError);
    expect(() => redrawArt(base, { art: { ...art, id: 'nobody' } })).toThrow(SceneError);
  });
  test('a pivot of one rider leaves that one drawn where it was, and the others of its art alone; reset it has the art’s', () => {
    const spun = {
      keys: {
        ...newRider({ id: 'k', name: 'k', art: 'box' }).keys,
        turn: [{ id: 'k1', time: 1, value: 70, ease: { kind: 'steady' as const, strength: 1 }, mark: null }],
      },
    };
    const two = (['one', 'two'] as const).reduce(
      (sum, id, i) =>
        addRider(sum, { rider: newRider({ id, name: id, art: 'box', at: [100 + 200 * i, 300], ...spun }) }),
      base,
    );
    const own = setPivot(two, { id: 'one', pivot: [60, 0] });
    const [before, after] = [prepare(two), prepare(own)];
    for (const time of [0, 1, 2.5])
      for (const key of ['a', 'b', 'c', 'd', 'e', 'f', 'x', 'y'] as const)
        expect(after.poseAt(time).of(1, key)).toBe(before.poseAt(time).of(1, key));
    for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const)
      expect(after.poseAt(0).of(0, key)).toBeCloseTo(before.poseAt(0).of(0, key), 9);
    const corner = (of: Scene): number[] => {
      const pose = prepare(of).poseAt(0);
      return [pose.of(0, 'x'), pose.of(0, 'y')];
    };
    expect(corner(own)).not.toEqual(corner(two));
    const pasted = pasteThings(own, copyThings(own, [], ['one']), 10, []);
    expect(pasted.scene.riders.at(-1)!.pivot).toEqual([60, 0]);
    const reset = setPivot(own, { id: 'one', pivot: null });
    expect(reset.riders[0]!.pivot).toBeNull();
    for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const)
      expect(prepare(reset).poseAt(0).of(0, key)).toBeCloseTo(before.poseAt(0).of(0, key), 9);
  });
  test('copied and pasted, all ids are new and the motion is the same, moved', () => {
    const clip = copyThings(scene, ['loops'], ['r']);
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
    const three = ['x', 'y', 'z'].reduce(
      (s, id) => addRider(s, { rider: newRider({ id, name: id, art: 'box' }) }),
      base,
    );
    expect(restackRider(three, { id: 'z', to: 0 }).riders.map((rider) => rider.id)).toEqual(['z', 'x', 'y']);
  });
});

test('a stroke has its guide’s colour until it is given its own', () => {
  const stroke = { color: scene.guides[0]!.color.toLowerCase(), width: 4, dash: null, draws: null };
  const guide = scene.guides[0]!.id;
  const drawn = setGuide(scene, { id: guide, patch: { stroke } });
  const red = setGuide(drawn, { id: guide, patch: { color: '#A3471F' } });
  expect(red.guides[0]).toMatchObject({ color: '#A3471F', stroke: { color: '#A3471F', width: 4 } });
  const apart = setGuide(red, { id: guide, patch: { stroke: { ...stroke, color: '#000000' } } });
  expect(setGuide(apart, { id: guide, patch: { color: '#0B7A75' } }).guides[0]!.stroke!.color).toBe('#000000');
  expect(setGuide(red, { id: guide, patch: { name: 'Other' } }).guides[0]!.stroke!.color).toBe('#A3471F');
});

test('opening a closed guide takes what ran over the closing span to its end', () => {
  const open = setClosed(scene, { guide: 'loops', closed: false });
  expect(open.riders[0]!.pace.marks.at(-1)!.place).toEqual({ by: 'node', node: 'l4', along: 0, lap: 0 });
  expect(asShare(guideIn(open), open.riders[0]!.pace.marks.at(-1)!.place)).toEqual({ by: 'share', value: 1 });
});
