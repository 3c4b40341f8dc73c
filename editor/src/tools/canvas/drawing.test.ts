import { beforeEach, describe, expect, test, vi } from 'vitest';
import {
  addGuide,
  addRider,
  emptyScene,
  nearestOnPath,
  nodesOfShape,
  newRider,
  pathOfGuide,
  prepare,
  type Guide,
  type Scene,
} from '@pace-line/core';
import { selectGuide, selectRider } from '../../document/index.ts';
import type { SceneDocument } from '../../document/store.ts';
import { actOutTool, BEAT } from './act-out.ts';
import { adjustTool } from './adjust.ts';
import { measureTool } from './measure.ts';
import { guideFrom } from './new-guide.ts';
import { plotTool } from './plot.ts';
import { setDownTool } from './set-down.ts';
import { shapeBetween, shapeTool } from './shape.ts';
import { sketchTool } from './sketch.ts';
import { FIRST_SNAPPING, SNAP_KINDS, type SnapKind } from '../snap/settings.ts';
import { snapped } from '../snap/snap.ts';
import { BOX_ART } from '../testing.ts';
import { toolBench } from './testing.ts';
import type { Tool, ToolHost } from '../tool.ts';

const bench = toolBench(() => ({ ...emptyScene('Test'), art: [BOX_ART] }));
const { at, click, drag } = bench;
let doc: SceneDocument;
let host: ToolHost;
beforeEach(() => {
  ({ doc, host } = bench.reset());
});

const guides = (): readonly Guide[] => doc.state.committed.guides;
const rider = () => doc.state.committed.riders[0]!;
const put = (change: (scene: Scene) => Scene): void => doc.do('set up', change);
const line = (scene: Scene): Scene =>
  addGuide(scene, {
    guide: guideFrom(
      scene,
      [
        { x: 100, y: 100, join: 'corner' },
        { x: 300, y: 100, join: 'corner' },
        { x: 300, y: 300, join: 'corner' },
      ],
      false,
    ),
  });
const parked = (scene: Scene): Scene =>
  addRider(scene, { rider: newRider({ id: 'r', name: 'Kite', art: 'box', at: [100, 300] }) });
const only = (...kinds: SnapKind[]) => ({
  ...FIRST_SNAPPING,
  kinds: Object.fromEntries(SNAP_KINDS.map((kind) => [kind, kinds.includes(kind)])) as Record<SnapKind, boolean>,
});
const stroke = (tool: Tool, points: readonly (readonly [number, number])[]): void => {
  tool.down(at(...points[0]!));
  tool.move(
    at(...points.at(-1)!),
    points.slice(1).map(([x, y]) => at(x, y)),
  );
  tool.up(at(...points.at(-1)!));
};

describe('bending by pressing a span', () => {
  beforeEach(() => put(line));
  test('the curve passes under the pointer, as one step; no node is added', () => {
    const tool = adjustTool(host);
    drag(tool, at(200, 100), at(210, 160));
    expect(nearestOnPath(pathOfGuide(guides()[0]!), 210, 160)!.gap).toBeLessThan(1e-6);
    expect(guides()[0]!.nodes).toHaveLength(3);
    expect(doc.state.past.map((entry) => entry.label)).toEqual(['set up', 'Bend span']);
  });
  test('with Alt a straight span becomes an arc of a circle', () => {
    drag(adjustTool(host), at(200, 100), at(200, 60, { alt: true }));
    const path = pathOfGuide(guides()[0]!);
    // Chord 200, height 40: the radius is 145.
    for (let i = 0; i <= 50; i++) {
      const { x, y } = path.frameAtDistance(((path.starts[1] ?? 0) * i) / 50);
      expect(Math.hypot(x - 200, y - 205)).toBeCloseTo(145, 0);
    }
  });
  test('a locked guide says so and stays', () => {
    put((scene) => ({ ...scene, guides: scene.guides.map((guide) => ({ ...guide, locked: true })) }));
    drag(adjustTool(host), at(200, 100), at(210, 160));
    expect(bench.state.said[0]).toMatch(/locked/);
  });
});

describe('the box about a selection', () => {
  beforeEach(() => {
    put(line);
    doc.select(selectGuide(guides()[0]!.id));
  });
  test('a side scales one way about the other side, a corner both, Shift evenly', () => {
    const tool = adjustTool(host);
    drag(tool, at(314, 200), at(414, 200));
    expect(guides()[0]!.nodes.map(({ x, y }) => [x, y])).toEqual([
      [100, 100],
      [400, 100],
      [400, 300],
    ]);
    doc.undo();
    drag(tool, at(314, 314), at(414, 334, { shift: true }));
    expect(guides()[0]!.nodes.map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
      [100, 100],
      [400, 100],
      [400, 400],
    ]);
  });
  test('the knob turns about the middle, Shift by 15°', () => {
    drag(adjustTool(host), at(200, 60), at(330, 190, { shift: true }));
    expect(guides()[0]!.nodes.map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
      [300, 100],
      [300, 300],
      [100, 300],
    ]);
  });
  test('several nodes of a guide scale together', () => {
    doc.select(
      selectGuide(
        guides()[0]!.id,
        guides()[0]!
          .nodes.slice(1)
          .map(({ id }) => id),
      ),
    );
    drag(adjustTool(host), at(300, 314), at(300, 414));
    expect(guides()[0]!.nodes.map(({ y }) => y)).toEqual([100, 100, 400]);
  });
});

describe('snapping', () => {
  beforeEach(() => put(line));
  const snap = (x: number, y: number, kinds: SnapKind[], more = {}) =>
    snapped(doc.state.committed, host.poses(), only(...kinds), at(x, y, more));
  test.each([
    ['a node', 303, 104, ['nodes'], 300, 100],
    ['an end', 97, 103, ['ends'], 100, 100],
    ['in line with an end', 40, 103, ['ends'], 40, 100],
    ['the middle of the canvas', 643, 357, ['canvas'], 640, 360],
    ['an edge', 4, 500, ['canvas'], 0, 500],
    ['anywhere on a guide', 180, 105, ['lines'], 180, 100],
    ['the grid', 43, 58, ['grid'], 40, 60],
  ] as [string, number, number, SnapKind[], number, number][])('to %s', (_, x, y, kinds, sx, sy) => {
    expect(snap(x, y, kinds)).toMatchObject({ x: sx, y: sy });
    expect(snap(x, y, kinds).hints.length).toBeGreaterThan(0);
    expect(snap(x, y, kinds, { ctrl: true })).toEqual({ x, y, hints: [] });
    expect(snap(x, y, [])).toEqual({ x, y, hints: [] });
  });
  test('to a crest, and to a rider’s pivot', () => {
    put((scene) => addRider(scene, { rider: newRider({ id: 'r', name: 'R', art: 'box', at: [500, 500] }) }));
    expect(snap(503, 498, ['pivots'])).toMatchObject({ x: 500, y: 500 });
    const { nodes, closed } = nodesOfShape({
      kind: 'circle',
      radius: 50,
      x: 700,
      y: 200,
      turn: 45,
      reversed: false,
      start: 0,
    });
    put((scene) =>
      addGuide(scene, {
        guide: guideFrom(
          scene,
          nodes.map((node) => ({ ...node, in: node.in, out: node.out, join: 'smooth' })),
          closed,
        ),
      }),
    );
    const found = snap(702, 152, ['landmarks']);
    expect(found.x).toBeCloseTo(700, 3);
    expect(found.y).toBeCloseTo(150, 1);
  });
  test('a dragged node is drawn to another guide’s node, not to itself; Shift keeps to 15° instead', () => {
    put((scene) =>
      addGuide(scene, {
        guide: guideFrom(
          scene,
          [
            { x: 500, y: 100, join: 'corner' },
            { x: 600, y: 200, join: 'corner' },
          ],
          false,
        ),
      }),
    );
    bench.state.snapping = only('nodes', 'ends');
    const [first] = guides();
    doc.select(selectGuide(first!.id));
    const tool = adjustTool(host);
    click(tool, at(300, 300));
    drag(tool, at(300, 300), at(497, 103));
    expect(guides()[0]!.nodes[2]).toMatchObject({ x: 500, y: 100 });
    doc.undo();
    click(tool, at(300, 300));
    drag(tool, at(300, 300), at(400, 304, { shift: true }));
    expect(guides()[0]!.nodes[2]!.y).toBe(300);
  });
  test('plotted points are drawn to what lies near', () => {
    bench.state.snapping = only('ends');
    const tool = plotTool(host, () => undefined);
    click(tool, at(104, 97));
    click(tool, at(20, 20));
    tool.key('Enter');
    expect(guides()[1]!.nodes[0]).toMatchObject({ x: 100, y: 100 });
  });
});

describe('a guide that is being plotted', () => {
  test('undo takes its last node back, and what was before it only after that', () => {
    put(line);
    const tool = plotTool(host, () => undefined);
    const forget = doc.onUndo(() => tool.back?.() ?? false);
    click(tool, at(500, 100));
    click(tool, at(600, 200));
    doc.undo();
    expect(guides()).toHaveLength(1);
    click(tool, at(700, 100));
    tool.key('Enter');
    expect(guides()[1]!.nodes.map(({ x }) => x)).toEqual([500, 700]);
    doc.undo();
    expect(guides()).toHaveLength(1);
    click(tool, at(500, 100));
    doc.undo();
    doc.undo();
    expect(guides()).toHaveLength(0);
    forget();
  });
  test('another tool ends it and keeps it; one node alone is nothing', () => {
    const done = vi.fn();
    const tool = plotTool(host, done);
    click(tool, at(500, 100));
    tool.leave?.();
    expect(guides()).toHaveLength(0);
    click(tool, at(500, 100));
    click(tool, at(600, 200));
    tool.leave?.();
    expect(guides()[0]!.nodes).toHaveLength(2);
    expect(done).not.toHaveBeenCalled();
    expect(tool.cancel()).toBe(false);
  });
});

describe('sketching', () => {
  const wave = Array.from({ length: 120 }, (_, i) => [100 + 5 * i, 300 + 80 * Math.sin(i / 18)] as const);
  test('a stroke becomes a guide of few nodes within the tolerance, and is lastStroke', () => {
    stroke(
      sketchTool(host, () => undefined),
      wave,
    );
    const [guide] = guides();
    expect(guide!.nodes.length).toBeLessThan(9);
    for (const [x, y] of wave) expect(nearestOnPath(pathOfGuide(guide!), x, y)!.gap).toBeLessThan(2);
    expect(bench.state.lastStroke).toMatchObject({ kind: 'sketch', guide: guide!.id, closed: false });
    expect(doc.state.selection.guides).toEqual([guide!.id]);
  });
  test('ending at the start closes it', () => {
    stroke(
      sketchTool(host, () => undefined),
      Array.from({ length: 100 }, (_, i) => [400 + 90 * Math.cos(i / 16), 300 + 90 * Math.sin(i / 16)] as const),
    );
    expect(guides()[0]!.closed).toBe(true);
  });
  test('a click makes nothing; Escape gives up', () => {
    const tool = sketchTool(host, () => undefined);
    click(tool, at(10, 10));
    tool.down(at(10, 10));
    tool.move(at(60, 60));
    expect(tool.cancel()).toBe(true);
    tool.up(at(60, 60));
    expect(guides()).toEqual([]);
  });
});

describe('acting out', () => {
  beforeEach(() => {
    put(parked);
    doc.select(selectRider('r'));
  });
  const act = (tool: Tool, from: number, seconds: number): void => {
    for (let i = 0; i <= 50; i++) tool.move(at(100 + 8 * i, 300, { time: from + (seconds * i) / 50 }));
    tool.up(at(500, 300, { time: from + seconds }));
  };
  test('the way becomes a guide and its timing the pace line, while the loop runs from its start', () => {
    const tool = actOutTool(host, () => undefined);
    tool.down(at(100, 300, { time: 10 }));
    act(tool, 10, 2);
    expect(guides()).toHaveLength(1);
    expect(rider().guide).toBe(guides()[0]!.id);
    expect(rider().pace.marks.at(-1)!.time).toBeCloseTo(2, 6);
    expect(bench.state.runs).toEqual([[0, 1]]);
    const pose = prepare(doc.state.committed).poseAt(1);
    expect(pose.of(0, 'x')).toBeCloseTo(300, -0.5);
    expect(bench.state.lastStroke?.kind).toBe('acted');
  });
  test('acted at half speed, the motion is twice as fast', () => {
    bench.state.options = { ...bench.state.options, actSpeed: 0.5 };
    const tool = actOutTool(host, () => undefined);
    tool.down(at(100, 300, { time: 0 }));
    act(tool, 0, 2);
    expect(rider().pace.marks.at(-1)!.time).toBeCloseTo(1, 6);
  });
  test('the count-in waits, by the clock where the hand is still', () => {
    bench.state.options = { ...bench.state.options, countIn: 2 };
    const tool = actOutTool(host, () => undefined);
    tool.down(at(100, 300, { time: 0 }));
    expect(bench.state.preview).toMatchObject({ note: '2' });
    bench.state.clock = BEAT * 1.2;
    bench.state.ticks.forEach((tick) => tick());
    expect(bench.state.preview).toMatchObject({ note: '1' });
    expect(bench.state.runs).toEqual([]);
    bench.state.clock = BEAT * 2.01;
    bench.state.ticks.forEach((tick) => tick());
    expect(bench.state.runs).toHaveLength(1);
    act(tool, 2 * BEAT, 1);
    expect(rider().pace.marks.at(-1)!.time).toBeCloseTo(1, 6);
    expect(bench.state.ticks).toEqual([]);
  });
  test('without a rider, or let go too soon, it says what to do', () => {
    doc.select({ guides: [], nodes: [], riders: [], marks: [], keys: [] });
    const tool = actOutTool(host, () => undefined);
    click(tool, at(900, 600));
    expect(bench.state.said[0]).toMatch(/rider/);
    bench.state.options = { ...bench.state.options, countIn: 3 };
    click(tool, at(100, 300));
    expect(bench.state.said[1]).toMatch(/count/);
    expect(guides()).toEqual([]);
  });
});

describe('setting down', () => {
  beforeEach(() => {
    put(parked);
    doc.select(selectRider('r'));
  });
  const dragAt = (time: number, from: readonly [number, number], to: readonly [number, number]): void => {
    bench.state.time = time;
    drag(setDownTool(host), at(...from), at(...to));
  };
  test('dragged at one time after another, the guide grows; a placement that is dragged again moves', () => {
    dragAt(1, [100, 300], [300, 120]);
    dragAt(2, [300, 120], [500, 320]);
    expect(guides()).toHaveLength(1);
    expect(guides()[0]!.nodes.map(({ x, y }) => [x, y])).toEqual([
      [100, 300],
      [300, 120],
      [500, 320],
    ]);
    dragAt(1, [300, 120], [310, 60]);
    expect(guides()[0]!.nodes).toHaveLength(3);
    expect(guides()[0]!.nodes[1]).toMatchObject({ x: 310, y: 60 });
    expect(doc.state.past.at(-1)!.label).toBe('Set Kite down');
    expect(bench.state.holds).toBe(0);
  });
  test('set down on the first place, it closes', () => {
    dragAt(1, [100, 300], [300, 120]);
    dragAt(2, [300, 120], [500, 320]);
    dragAt(3, [500, 320], [103, 302]);
    expect(guides()[0]!.closed).toBe(true);
    expect(rider().pace.marks).toHaveLength(4);
  });
  test('at time 0 a parked rider is moved; Escape leaves it', () => {
    dragAt(0, [100, 300], [140, 280]);
    expect(rider().at).toEqual([140, 280]);
    const tool = setDownTool(host);
    tool.down(at(140, 280));
    tool.move(at(400, 400));
    expect(tool.cancel()).toBe(true);
    expect(rider().at).toEqual([140, 280]);
    expect(bench.state.holds).toBe(0);
  });
  test('by arrow keys too: a px, with Shift ten', () => {
    bench.state.time = 1;
    const tool = setDownTool(host);
    expect(tool.key('ArrowRight', true)).toBe(true);
    expect(tool.key('ArrowUp')).toBe(true);
    expect(guides()[0]!.nodes[1]).toMatchObject({ x: 110, y: 299 });
    expect(tool.key('Enter')).toBe(false);
  });
  test('pressing a guide puts the selected rider there at the playhead', () => {
    put(line);
    bench.state.time = 1;
    click(setDownTool(host), at(240, 100));
    expect(rider().guide).toBe(guides()[0]!.id);
    const pose = prepare(doc.state.committed).poseAt(1);
    expect(pose.of(0, 'x')).toBeCloseTo(240, 9);
    expect(pose.of(0, 'y')).toBeCloseTo(100, 9);
  });
});

describe('shapes', () => {
  test('dragged, a shape fills its box and stays live; clicked, it is a middling one', () => {
    const tool = shapeTool(host, () => undefined);
    drag(tool, at(100, 100), at(300, 260));
    expect(guides()[0]).toMatchObject({ closed: true, shape: { kind: 'circle', radius: 80, x: 200, y: 180 } });
    bench.state.options = { ...bench.state.options, shape: 'wave' };
    click(tool, at(600, 400));
    expect(guides()[1]).toMatchObject({ closed: false, name: 'Wave', shape: { kind: 'wave', length: 240 } });
  });
  test('every shape has sound nodes between any two corners', () => {
    for (const kind of [
      'line',
      'circle',
      'ellipse',
      'arc',
      'rectangle',
      'polygon',
      'wave',
      'spiral',
      'figure-eight',
      'loops',
    ] as const)
      for (const to of [
        { x: 300, y: 200 },
        { x: 100, y: 100 },
        { x: -50, y: 400 },
      ]) {
        const { nodes } = nodesOfShape(shapeBetween(kind, { x: 100, y: 100 }, to));
        expect(
          nodes.flatMap(({ x, y, in: a = [0, 0], out: b = [0, 0] }) => [x, y, ...a, ...b]).every(Number.isFinite),
          kind,
        ).toBe(true);
      }
  });
});

test('measuring: a guide’s lengths under the pointer, the straight way, and along a guide', () => {
  put(line);
  const tool = measureTool(host);
  tool.hover(at(200, 102));
  expect(bench.state.preview).toMatchObject({
    kind: 'measure',
    lines: ['Guide: 400.0 px', 'span 1: 200.0 px', '100.0 px from its start'],
  });
  tool.down(at(200, 102));
  tool.move(at(298, 200));
  expect(bench.state.preview).toMatchObject({ lines: ['straight 141.4 px', '45.0°  ·  100, 100', 'along 200.0 px'] });
  tool.up(at(298, 200));
  expect(doc.state.past).toHaveLength(1);
});

test('a tracing picture is dragged while it is unlocked, and lies under all else', () => {
  const asset = 'a'.repeat(64);
  const picture = {
    id: 'pic',
    name: 'Sketch',
    asset,
    type: 'image/png' as const,
    width: 200,
    height: 100,
    x: 400,
    y: 300,
    scale: 2,
    turn: 0,
    opacity: 0.5,
    visible: true,
    locked: true,
  };
  put((scene) => ({ ...line(scene), tracing: [picture], assets: { [asset]: 'AAAA' } }));
  const shown = () => doc.state.committed.tracing[0]!;
  drag(adjustTool(host), at(500, 350), at(520, 360));
  expect(shown()).toMatchObject({ x: 400, y: 300 });
  put((scene) => ({ ...scene, tracing: [{ ...picture, locked: false }] }));
  drag(adjustTool(host), at(500, 350), at(520, 360));
  expect(shown()).toMatchObject({ x: 420, y: 310 });
  drag(adjustTool(host), at(300, 240), at(330, 240));
  expect(shown()).toMatchObject({ x: 420, y: 310 });
  expect(doc.state.past.at(-1)!.label).toBe('Bend span');
});
