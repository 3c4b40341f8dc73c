import { beforeEach, describe, expect, test } from 'vitest';
import {
  addGuide,
  addRider,
  attachRider,
  carryGuide,
  emptyScene,
  newRider,
  prepare,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { NOTHING } from '../../document/index.ts';
import type { SceneDocument } from '../../document/store.ts';
import { pressTwice, adjustTool } from './adjust.ts';
import { hitsAt } from './hit.ts';
import { guideFrom } from './new-guide.ts';
import { plotTool } from './plot.ts';
import { BOX_ART } from '../testing.ts';
import { toolBench } from './testing.ts';
import type { Pointer } from '../pointer.ts';
import type { ToolHost } from '../tool.ts';

const bench = toolBench(() => ({ ...emptyScene('Test'), art: [BOX_ART] }));
const { at, click, drag } = bench;
let doc: SceneDocument;
let host: ToolHost;
const preview = () => bench.state.preview;

beforeEach(() => {
  ({ doc, host } = bench.reset());
});

const withGuide = (scene: Scene): Scene =>
  addGuide(scene, {
    guide: guideFrom(
      scene,
      [
        { x: 100, y: 100, join: 'corner' },
        { x: 300, y: 100, out: [50, 0], in: [-50, 0], join: 'balanced' },
        { x: 500, y: 200, join: 'corner' },
      ],
      false,
    ),
  });

describe('plotting', () => {
  test('corners by clicks, Enter ends; nothing is in the document before', () => {
    const tool = plotTool(host, () => undefined);
    click(tool, at(10, 10));
    click(tool, at(100, 10));
    tool.hover(at(150, 80));
    expect(preview()).toMatchObject({ kind: 'plot', next: [150, 80], closes: false });
    expect(doc.state.committed.guides).toEqual([]);
    expect(tool.key('Enter')).toBe(true);
    expect(doc.state.committed.guides[0]?.nodes.map(({ x, y }) => [x, y])).toEqual([
      [10, 10],
      [100, 10],
    ]);
    expect(doc.state.past.map((entry) => entry.label)).toEqual(['Plot guide']);
  });
  test('press and drag pulls handles that balance', () => {
    const tool = plotTool(host, () => undefined);
    click(tool, at(0, 0));
    tool.down(at(100, 0));
    tool.move(at(130, 40));
    tool.up(at(130, 40));
    tool.key('Enter');
    expect(doc.state.committed.guides[0]?.nodes[1]).toMatchObject({
      x: 100,
      y: 0,
      out: [30, 40],
      in: [-30, -40],
      join: 'balanced',
    });
  });
  test('the first node closes; a double click ends without a second node there', () => {
    const closing = plotTool(host, () => undefined);
    for (const [x, y] of [
      [0, 0],
      [100, 0],
      [100, 100],
      [2, 2],
    ] as const)
      click(closing, at(x, y));
    expect(doc.state.committed.guides[0]).toMatchObject({ closed: true });
    expect(doc.state.committed.guides[0]?.nodes).toHaveLength(3);
    const ending = plotTool(host, () => undefined);
    for (const [x, y] of [
      [0, 300],
      [100, 300],
      [200, 300],
      [201, 300],
    ] as const)
      click(ending, at(x, y));
    expect(doc.state.committed.guides[1]?.nodes).toHaveLength(3);
    expect(doc.state.committed.guides[1]?.closed).toBe(false);
  });
  test('Backspace takes the last node back, Escape gives up, one node alone is no guide', () => {
    const tool = plotTool(host, () => undefined);
    click(tool, at(0, 0));
    click(tool, at(90, 0));
    expect(tool.key('Backspace')).toBe(true);
    expect(preview()).toMatchObject({ nodes: [{ x: 0, y: 0 }] });
    tool.key('Enter');
    expect(doc.state.committed.guides).toEqual([]);
    click(tool, at(0, 0));
    expect(tool.cancel()).toBe(true);
    expect(tool.cancel()).toBe(false);
  });
});

describe('adjusting', () => {
  beforeEach(() => doc.do('guide', withGuide));
  const guide = () => doc.state.committed.guides[0]!;

  test('pressing the line selects the guide, dragging a node moves it in one step, Shift keeps to an axis', () => {
    const tool = adjustTool(host);
    click(tool, at(200, 100));
    expect(doc.state.selection.guides).toEqual([guide().id]);
    drag(tool, at(300, 100), at(330, 160));
    expect(guide().nodes[1]).toMatchObject({ x: 330, y: 160 });
    drag(tool, at(330, 160), at(380, 165, { shift: true }));
    expect(guide().nodes[1]).toMatchObject({ x: 380, y: 160 });
    expect(doc.state.past.map((entry) => entry.label)).toEqual(['guide', 'Move node', 'Move node']);
  });
  test('a handle turns the other with it; with Alt alone', () => {
    const tool = adjustTool(host);
    click(tool, at(200, 100));
    click(tool, at(300, 100));
    drag(tool, at(350, 100), at(300, 160));
    expect(guide().nodes[1]).toMatchObject({ out: [0, 60], in: [-0, -60] });
    drag(tool, at(300, 160), at(360, 100, { alt: true }));
    expect(guide().nodes[1]).toMatchObject({ out: [60, 0], in: [-0, -60], join: 'corner' });
  });
  test('a node of a guide that is not selected is taken at once, and never bends a span from its end', () => {
    const tool = adjustTool(host);
    expect(tool.hover(at(300, 100))).toBe('move');
    click(tool, at(300, 100));
    expect(doc.state.selection).toMatchObject({ guides: [guide().id], nodes: [guide().nodes[1]!.id] });
    doc.select(NOTHING);
    drag(tool, at(300, 100), at(320, 140));
    expect(guide().nodes[1]).toMatchObject({ x: 320, y: 140 });
  });
  test('what a press took is dragged by pressing there again, not what lies below it', () => {
    doc.do('rider', (scene) =>
      addRider(scene, { rider: newRider({ id: 'r', name: 'R', art: 'box', at: [200, 100] }) }),
    );
    const tool = adjustTool(host);
    click(tool, at(200, 100));
    drag(tool, at(200, 100), at(230, 120));
    expect(doc.state.committed.riders[0]?.at).toEqual([230, 120]);
  });
  test('Escape returns to the start of the drag', () => {
    const tool = adjustTool(host);
    click(tool, at(200, 100));
    const before = doc.state.committed;
    tool.down(at(300, 100));
    tool.move(at(400, 300));
    expect(doc.state.shown).not.toBe(before);
    expect(tool.cancel()).toBe(true);
    expect(doc.state.shown).toBe(before);
  });
  test('a box selects the nodes in it, Shift adds one, the grip moves the whole', () => {
    const tool = adjustTool(host);
    click(tool, at(200, 100));
    drag(tool, at(60, 50), at(320, 130));
    expect(doc.state.selection.nodes).toEqual(
      guide()
        .nodes.slice(0, 2)
        .map((node) => node.id),
    );
    click(tool, at(500, 200, { shift: true }));
    expect(doc.state.selection.nodes).toHaveLength(3);
    drag(tool, at(82, 82), at(92, 102));
    expect(guide().nodes[0]).toMatchObject({ x: 110, y: 120 });
  });
  test('a node is added on the line; where one is, that one is selected', () => {
    pressTwice(host, at(200, 100));
    expect(guide().nodes).toHaveLength(4);
    const [added] = doc.state.selection.nodes;
    pressTwice(host, at(300, 100));
    expect(guide().nodes).toHaveLength(4);
    expect(doc.state.selection.nodes).not.toEqual([added]);
  });
  test('a parked rider is dragged while time is held; pressing again goes through to what lies under it', () => {
    doc.do('rider', (scene) =>
      addRider(scene, { rider: newRider({ id: 'r', name: 'R', art: 'box', at: [200, 100] }) }),
    );
    const tool = adjustTool(host);
    tool.down(at(205, 110));
    expect(bench.state.holds).toBe(1);
    tool.move(at(215, 140));
    tool.up(at(215, 140));
    expect(bench.state.holds).toBe(0);
    expect(doc.state.committed.riders[0]?.at).toEqual([210, 130]);
    doc.undo();
    click(tool, at(200, 100));
    expect(doc.state.selection.riders).toEqual(['r']);
    click(tool, at(200, 100));
    expect(doc.state.selection).toMatchObject({ riders: [], guides: [guide().id] });
  });
  test('the nearest of a kind wins, and a finger reaches further than a mouse', () => {
    const hits = (p: Pointer): string[] =>
      hitsAt(
        doc.state.committed,
        { guides: [guide().id], nodes: [], riders: [], marks: [], keys: [] },
        host.poses(),
        p,
      ).map((hit) => hit.kind);
    expect(hits(at(300, 110))).not.toContain('node');
    expect(hits(at(300, 110, { kind: 'touch' }))[0]).toBe('node');
    expect(hits(at(300, 103, { zoom: 4 }))).not.toContain('node');
  });
  test('hidden and locked guides: not hit, not dragged', () => {
    doc.do('lock', (scene) => ({ ...scene, guides: scene.guides.map((one) => ({ ...one, locked: true })) }));
    const tool = adjustTool(host);
    click(tool, at(200, 100));
    drag(tool, at(300, 100), at(330, 160));
    expect(guide().nodes[1]).toMatchObject({ x: 300, y: 100 });
  });
});

describe('a rider on its guide', () => {
  const riding = (keys: Partial<Rider['keys']> = {}): void => {
    ({ doc, host } = bench.reset());
    const rider = newRider({ id: 'r', name: 'R', art: BOX_ART.id, at: [0, 0] });
    doc.do('set up', (scene) => {
      const attached = attachRider(addRider(withGuide(scene), { rider }), {
        rider: 'r',
        guide: 'guide',
        seating: 'seat',
        time: 0,
      });
      return { ...attached, riders: attached.riders.map((one) => ({ ...one, keys: { ...one.keys, ...keys } })) };
    });
    bench.state.time = 1;
  };
  const rider = (): Rider => doc.state.committed.riders[0]!;
  const pivot = (): [number, number] => {
    const pose = prepare(doc.state.committed).poseAt(1);
    return [pose.of(0, 'x'), pose.of(0, 'y')];
  };
  const pull = (by: readonly [number, number], held = {}): void => {
    const tool = adjustTool(host);
    const [x, y] = pivot();
    tool.down(at(x, y - 5));
    for (let i = 1; i <= 5; i++) tool.move(at(x + (by[0] * i) / 5, y - 5 + (by[1] * i) / 5, held));
    tool.up(at(x + by[0], y - 5 + by[1], held));
  };

  test('a spacing tick drawn with Alt brings it there at that frame, and the leg bends; without Alt it is the guide', () => {
    riding();
    const tool = adjustTool(host);
    const moving = () => prepare(doc.state.committed).riders[0]!;
    const frame = 90 / 60;
    const was = moving().poseAt(frame);
    const [x, y] = [was[8]!, was[9]!];
    const before = moving().distanceAt(frame);
    doc.select({ ...NOTHING, riders: ['r'] });
    expect(tool.hover(at(x, y, { alt: true }))).toBe('grab');
    tool.down(at(x, y, { alt: true }));
    tool.move(at(x + 20, y, { alt: true }));
    tool.move(at(x + 45, y, { alt: true }));
    tool.up(at(x + 45, y, { alt: true }));
    expect(doc.state.past.at(-1)?.label).toBe('Move spacing tick');
    expect(rider().pace.marks).toHaveLength(2);
    expect(rider().pace.marks[0]!.ease.kind).toBe('shaped');
    expect(moving().poseAt(frame)[8]).toBeCloseTo(x + 45, 0);
    // Its neighbours follow, the further the less, and the ends stay.
    const gone = [frame - 0.5, frame, frame + 0.5].map((time) => moving().distanceAt(time));
    expect(gone[1]! - before).toBeGreaterThan(40);
    expect(moving().distanceAt(0)).toBeCloseTo(0, 9);
    expect(adjustTool(host).hover(at(x + 45, y))).not.toBe('grab');
  });
  test('along it, a mark is set at the playhead and slides; once more the same one does', () => {
    riding();
    const [x, y] = pivot();
    pull([40, 3]);
    expect(doc.state.past.at(-1)?.label).toBe('Move R on its guide');
    expect(rider().pace.marks).toHaveLength(3);
    expect(rider().pace.marks[1]!.time).toBeCloseTo(1, 9);
    expect(rider()).toMatchObject({ lift: 0, lead: 0 });
    expect(pivot()[0]).toBeCloseTo(x + 40, 0);
    pull([-20, 0]);
    expect(rider().pace.marks).toHaveLength(3);
    expect(pivot()).toEqual([expect.closeTo(x + 20, 0), expect.closeTo(y, 0)]);
  });
  test('across it, lift alone changes; with Alt it goes where the pointer goes', () => {
    riding();
    const [x, y] = pivot();
    pull([4, -30]);
    expect(rider().lift).toBeCloseTo(30, 3);
    expect(rider()).toMatchObject({ lead: 0 });
    expect(rider().pace.marks).toHaveLength(2);
    riding();
    // It runs the guide from end to end: a lead would take it past them.
    pull([25, -25], { alt: true });
    expect(pivot()).toEqual([expect.closeTo(x, 0), expect.closeTo(y - 25, 0)]);
    expect(rider().pace.marks).toHaveLength(2);
  });
  test.each([false, true])('with Ctrl it is only looked at along its guide, carried: %s', (isCarried) => {
    riding();
    if (isCarried)
      doc.do('carry', (scene) => {
        const cart = newRider({ id: 'cart', name: 'Cart', art: BOX_ART.id, at: [50, 420] });
        return carryGuide(addRider(scene, { rider: cart }), { guide: 'guide', carrier: 'cart', time: 1 });
      });
    const before = doc.state;
    const [x, y] = pivot();
    const tool = adjustTool(host);
    tool.down(at(x, y - 5, { ctrl: true }));
    tool.move(at(x + 40, y - 5, { ctrl: true }));
    const shown = prepare(doc.state.shown).poseAt(1);
    expect(Math.abs(shown.of(0, 'x') - x - 40)).toBeLessThan(3);
    expect(Math.abs(shown.of(0, 'y') - y)).toBeLessThan(15);
    tool.up(at(x + 40, y - 5, { ctrl: true }));
    expect(doc.state.shown).toBe(before.committed);
    expect(doc.state.committed).toBe(before.committed);
    expect(doc.state.past).toHaveLength(before.past.length);
  });
  test('where lift has keys, the one at the playhead is set', () => {
    const key = (id: string, time: number, value: number) => ({
      ...{ id, time, value, mark: null },
      ease: { kind: 'steady' } as const,
    });
    riding({ lift: [key('k1', 0, 0), key('k2', 4, 0)] });
    pull([0, -30]);
    expect(rider().lift).toBe(0);
    expect(rider().keys.lift.map(({ time, value }) => [time, value])).toEqual([
      [0, 0],
      [1, 30],
      [4, 0],
    ]);
  });
});
