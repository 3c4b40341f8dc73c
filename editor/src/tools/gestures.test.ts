import { describe, expect, test } from 'vitest';
import { guideById, pathOfGuide, sceneFromJson, type Scene } from '@pace-line/core';
import { riderOn } from '../../../core/src/testing/scenes.ts';
import { NOTHING, selectGuide, selectRider, type SceneDocument, type Selection } from '../document/index.ts';
import { actOutTool } from './canvas/act-out.ts';
import { adjustTool } from './canvas/adjust.ts';
import { gripOf } from './canvas/grabs/grip.ts';
import { GRABS } from './canvas/grabs/index.ts';
import { flagsOf } from './canvas/flags.ts';
import { hitsAt } from './canvas/hit.ts';
import { plotTool } from './canvas/plot.ts';
import { riderBoxOf } from './canvas/rider-box.ts';
import { boundsOf, boxTargetOf, handlesAround } from './canvas/selection-box.ts';
import { setDownTool } from './canvas/set-down.ts';
import { shapeTool } from './canvas/shape.ts';
import { sketchTool } from './canvas/sketch.ts';
import { toolBench } from './canvas/testing.ts';
import type { SheetPointer } from './sheet/index.ts';
import { onSheet, sheetBench, sheetScene, xOf, yOf } from './sheet/testing.ts';
import { BOX_ART } from './testing.ts';
import type { Tool, ToolHost } from './tool.ts';

/** One of everything that can be grabbed: a guide with handles, a rider on it, a parked one, a tracing picture. */
function everything(): Scene {
  const read = sceneFromJson({
    format: 'pace-line/scene',
    version: 2,
    name: 'Test',
    canvas: { width: 800, height: 600, background: null },
    clock: { duration: 4, fps: 10, repeat: 'loop' },
    art: [BOX_ART],
    guides: [
      {
        id: 'way',
        name: 'Way',
        closed: false,
        color: '#0B7A75',
        nodes: [
          { id: 'a', x: 100, y: 300, out: [60, -50] },
          { id: 'b', x: 300, y: 300, in: [-50, 60], out: [50, -60], join: 'balanced' },
          { id: 'c', x: 500, y: 300, in: [-60, 50] },
        ],
      },
    ],
    riders: [
      riderOn('ferry', 'way', [
        { time: 0, place: { by: 'node', node: 'a', along: 0.5 } },
        { time: 2, place: { by: 'node', node: 'c' } },
      ]),
      { id: 'kite', name: 'Kite', art: 'box', guide: null, at: [650, 120], pace: { marks: [] } },
    ],
    tracing: [
      {
        id: 'plan',
        name: 'Plan',
        asset: PLAN,
        type: 'image/png',
        x: 650,
        y: 480,
        width: 200,
        height: 100,
        locked: false,
      },
    ],
    assets: { [PLAN]: PIXEL },
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.scene;
}
const PIXEL = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';
const PLAN = '0'.repeat(64);

type Point = readonly [number, number];

interface Gesture {
  readonly name: string;
  /** Kind of grab that it takes; null for what only selects. */
  readonly grabs: string | null;
  readonly selected: Selection;
  readonly from: (scene: Scene, host: ToolHost) => Point;
  readonly by: Point;
  readonly held?: { readonly shift?: boolean; readonly alt?: boolean; readonly ctrl?: boolean };
  /** What a press without a drag does, where it does anything to the document. */
  readonly pressed?: string;
}

const boxHandle =
  (kind: 'scale' | 'turn') =>
  (scene: Scene, host: ToolHost): Point => {
    const target = boxTargetOf(scene, host.selection())!;
    const { handles } = handlesAround(boundsOf(scene, target)!, 1);
    const { x, y } = handles.find(({ handle }) => handle.kind === kind)!;
    return [x, y];
  };
const riderHandle =
  (kind: 'scale' | 'turn') =>
  (scene: Scene, host: ToolHost): Point => {
    const { x, y } = riderBoxOf(scene, host.selection(), host.poses(), 1)!.handles.find(
      ({ handle }) => handle.kind === kind,
    )!;
    return [x, y];
  };
const flag = (scene: Scene, host: ToolHost): Point => {
  const { x, y } = flagsOf(scene, host.selection()).at(-1)!;
  return [x, y];
};
const onWay =
  (share: number) =>
  (scene: Scene): Point => {
    const path = pathOfGuide(guideById(scene, 'way')!);
    const { x, y } = path.frameAtDistance(share * path.length);
    return [x, y];
  };
const pivotOf =
  (rider: number) =>
  (_: Scene, host: ToolHost): Point => [host.poses().of(rider, 'x'), host.poses().of(rider, 'y')];
const at = (x: number, y: number) => (): Point => [x, y];

const WAY = selectGuide('way');
const GESTURES: readonly Gesture[] = [
  { name: 'a node', grabs: 'node', selected: WAY, from: at(300, 300), by: [30, 40] },
  { name: 'a node of an unselected guide', grabs: 'node', selected: NOTHING, from: at(500, 300), by: [-30, 20] },
  { name: 'several nodes', grabs: 'node', selected: selectGuide('way', ['a', 'b']), from: at(300, 300), by: [12, -9] },
  { name: 'a handle', grabs: 'handle', selected: WAY, from: at(160, 250), by: [14, -8] },
  { name: 'a handle alone', grabs: 'handle', selected: WAY, from: at(350, 240), by: [9, 9], held: { alt: true } },
  { name: 'a span', grabs: 'guide', selected: WAY, from: onWay(0.85), by: [0, 30] },
  {
    name: 'the grip',
    grabs: 'grip',
    selected: WAY,
    from: (scene) => gripOf(guideById(scene, 'way')!, 1),
    by: [20, 10],
  },
  { name: 'the box’s side', grabs: 'box', selected: WAY, from: boxHandle('scale'), by: [-15, -15] },
  { name: 'the box’s ring', grabs: 'box', selected: WAY, from: boxHandle('turn'), by: [60, 20] },
  { name: 'a flag', grabs: 'mark', selected: selectRider('ferry'), from: flag, by: [-60, 4] },
  {
    name: 'a spacing tick',
    grabs: 'tick',
    selected: selectRider('ferry'),
    from: onWay(0.6),
    by: [-24, 6],
    held: { alt: true },
    pressed: 'Place at 0.00 s',
  },
  { name: 'a rider on its guide', grabs: 'rider', selected: NOTHING, from: pivotOf(0), by: [6, -22] },
  { name: 'a parked rider', grabs: 'rider', selected: NOTHING, from: at(650, 120), by: [-30, 16] },
  {
    name: 'a rider’s bracket',
    grabs: 'rider-box',
    selected: selectRider('kite'),
    from: riderHandle('scale'),
    by: [-9, -12],
  },
  {
    name: 'a rider’s ring',
    grabs: 'rider-box',
    selected: selectRider('kite'),
    from: riderHandle('turn'),
    by: [30, 12],
  },
  { name: 'a tracing picture', grabs: 'picture', selected: NOTHING, from: at(700, 500), by: [11, 7] },
  { name: 'a box about nodes', grabs: null, selected: WAY, from: at(40, 200), by: [300, 200] },
];

const bench = toolBench(everything);

/** Six moves there, as a hand makes them. */
function move(tool: Pick<Tool, 'move'>, [x, y]: Point, [dx, dy]: Point, held: Gesture['held'] = {}): void {
  for (let i = 1; i <= 6; i++) tool.move(bench.at(x + (dx * i) / 6, y + (dy * i) / 6, held));
}

interface Begun {
  readonly doc: SceneDocument;
  readonly tool: Tool;
  readonly from: Point;
  readonly before: Scene;
}

function begin({ selected, from, held }: Gesture): Begun {
  const { doc, host } = bench.reset();
  doc.select(selected);
  const tool = adjustTool(host);
  const place = from(doc.state.committed, host);
  tool.down(bench.at(place[0], place[1], held));
  return { doc, tool, from: place, before: doc.state.committed };
}

describe('a drag on the canvas is one step of undo, and none once it is given up', () => {
  test('every grab is among them', () => {
    for (const { kind } of GRABS) expect(GESTURES.map(({ grabs }) => grabs)).toContain(kind);
  });

  test.each(GESTURES)('$name', (gesture) => {
    if (gesture.grabs) {
      const { doc: asked, host } = bench.reset();
      asked.select(gesture.selected);
      const place = gesture.from(asked.state.committed, host);
      const [hit] = hitsAt(asked.state.committed, gesture.selected, host.poses(), bench.at(...place, gesture.held));
      expect(hit?.kind).toBe(gesture.grabs);
    }
    const { doc, tool, from, before } = begin(gesture);
    const { by, held } = gesture;
    move(tool, from, by, held);
    expect(doc.state.committed).toBe(before);
    if (gesture.grabs) expect(doc.state.shown).not.toBe(before);
    tool.up(bench.at(from[0] + by[0], from[1] + by[1], held));
    expect(doc.state.past).toHaveLength(gesture.grabs ? 1 : 0);
    if (!gesture.grabs) return;
    expect(doc.state.past[0]?.label).toMatch(/^[A-Z]/);
    const after = doc.state.committed;
    expect(after).not.toEqual(before);
    doc.undo();
    expect(doc.state.committed).toBe(before);
    doc.redo();
    expect(doc.state.committed).toBe(after);
  });

  test.each(GESTURES)('$name, given up', (gesture) => {
    const { doc, tool, from, before } = begin(gesture);
    move(tool, from, gesture.by, gesture.held);
    expect(tool.cancel()).toBe(true);
    tool.up(bench.at(from[0] + gesture.by[0], from[1] + gesture.by[1], gesture.held));
    expect([doc.state.past.length, doc.state.shown, doc.state.committed]).toEqual([0, before, before]);
    expect(bench.state.holds).toBe(0);
  });

  test.each(GESTURES)('$name, pressed and let go', (gesture) => {
    const { doc, tool, from, before } = begin(gesture);
    tool.up(bench.at(from[0], from[1], gesture.held));
    expect(bench.state.holds).toBe(0);
    if (gesture.pressed) expect(doc.state.past.map(({ label }) => label)).toEqual([gesture.pressed]);
    else expect([doc.state.past.length, doc.state.committed]).toEqual([0, before]);
  });
});

describe('what a drawing tool makes is one step of undo', () => {
  const run = (
    tool: (host: ToolHost) => Tool,
    hand: (tool: Tool) => void,
    selected: Selection = NOTHING,
  ): SceneDocument => {
    const { doc, host } = bench.reset();
    doc.select(selected);
    hand(tool(host));
    return doc;
  };
  const drawn = (tool: Tool, from: Point, by: Point): void => {
    tool.down(bench.at(...from));
    move(tool, from, by);
    tool.up(bench.at(from[0] + by[0], from[1] + by[1]));
  };
  const HANDS: readonly {
    readonly name: string;
    readonly make: (host: ToolHost) => Tool;
    readonly hand: (tool: Tool) => void;
    readonly selected?: Selection;
  }[] = [
    {
      name: 'a sketched guide',
      make: (host) => sketchTool(host, () => undefined),
      hand: (tool) => drawn(tool, [50, 60], [300, 40]),
    },
    {
      name: 'a shape',
      make: (host) => shapeTool(host, () => undefined),
      hand: (tool) => drawn(tool, [50, 60], [120, 90]),
    },
    {
      name: 'a plotted guide',
      make: (host) => plotTool(host, () => undefined),
      hand: (tool) => {
        for (const x of [50, 150, 250]) bench.click(tool, bench.at(x, 60));
        tool.key('Enter');
      },
    },
    {
      name: 'a rider set down at a time',
      make: setDownTool,
      hand: (tool) => {
        bench.state.time = 2;
        drawn(tool, [500, 300], [-40, 60]);
      },
      selected: selectRider('ferry'),
    },
  ];
  test.each(HANDS)('$name', ({ make, hand, selected }) => {
    expect(run(make, hand, selected).state.past).toHaveLength(1);
  });

  test('a motion that is acted out', () => {
    const { doc, host } = bench.reset();
    doc.select(selectRider('kite'));
    const tool = actOutTool(host, () => undefined);
    tool.down(bench.at(600, 200));
    for (let i = 1; i <= 30; i++) {
      bench.state.clock = i / 60;
      tool.move(bench.at(600 - 8 * i, 200 + 3 * i));
    }
    tool.up(bench.at(360, 290));
    expect(doc.state.past).toHaveLength(1);
  });
});

describe('a drag on the sheet is one step of undo, and none once it is given up', () => {
  const on = (time: number, distance: number): SheetPointer => onSheet(xOf(time), yOf(distance));
  const SHEET: readonly (readonly [string, SheetPointer, SheetPointer, steps: number])[] = [
    ['a mark', on(3, 400), on(2.7, 350), 1],
    ['a rest’s end', on(1.5, 200), on(1.8, 200), 1],
    ['a new mark on the line', on(2, 200 + (0.5 / 1.5) * 200), on(2.2, 300), 1],
    ['a box over paper', on(0.5, 330), on(1.2, 150), 0],
    ['the strip of time', onSheet(xOf(1), 10), onSheet(xOf(2), 10), 0],
  ];
  const drag = (tool: { move: (p: SheetPointer) => void }, from: SheetPointer, to: SheetPointer): void => {
    for (let i = 1; i <= 6; i++)
      tool.move({ ...to, x: from.x + ((to.x - from.x) * i) / 6, y: from.y + ((to.y - from.y) * i) / 6 });
  };
  test.each(SHEET)('%s', (_, from, to, steps) => {
    const { doc, tool } = sheetBench(sheetScene());
    const before = doc.state.committed;
    tool.down(from);
    drag(tool, from, to);
    tool.up();
    expect(doc.state.past).toHaveLength(steps);
    if (steps === 1) expect(doc.state.committed).not.toEqual(before);
    doc.undo();
    expect(doc.state.committed).toBe(before);
  });
  test.each(SHEET)('%s, given up', (_, from, to) => {
    const hand = sheetBench(sheetScene());
    const before = hand.doc.state.committed;
    hand.tool.down(from);
    drag(hand.tool, from, to);
    expect(hand.tool.cancel()).toBe(true);
    hand.tool.up();
    expect([hand.doc.state.past.length, hand.doc.state.shown]).toEqual([0, before]);
    expect(hand.holds).toBe(0);
  });
});
