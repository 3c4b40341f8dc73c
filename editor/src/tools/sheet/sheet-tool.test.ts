import { beforeEach, describe, expect, test } from 'vitest';
import { guideById, riderById, ridersOf, sceneFromJson, type Axes, type Mark, type Scene } from '@pace-line/core';
import { SceneDocument, selectRider } from '../../document/index.ts';
import { LINE, riderOn } from '../../../../core/src/testing/scenes.ts';
import { sheetTool, type SheetTool } from './sheet-tool.ts';
import type { SheetHost, SheetPointer, SheetPreview } from './host.ts';

const ART = {
  id: 'box',
  name: 'Box',
  kind: 'svg',
  markup: '<svg xmlns="http://www.w3.org/2000/svg"/>',
  width: 60,
  height: 40,
  pivot: [20, 20],
};

/** A second is 100 px across from x = 100 on, a px of the guide is a px up from y = 500 on. */
const AXES: Axes = { left: 100, right: 500, top: 50, bottom: 500, from: 0, to: 4, low: 0, high: 450 };
const x = (time: number): number => 100 + 100 * time;
const y = (distance: number): number => 500 - distance;

const MARKS = [
  { time: 0, place: { by: 'node', node: 'a' } },
  { time: 1, place: { by: 'node', node: 'b' }, dwell: 0.5 },
  { time: 3, place: { by: 'node', node: 'c' } },
  { time: 4, place: { by: 'node', node: 'a' } },
];

function sceneOf(parts: object): Scene {
  const read = sceneFromJson({
    format: 'pace-line/scene',
    version: 2,
    name: 'Test',
    canvas: { width: 800, height: 600, background: null },
    clock: { duration: 4, fps: 10, repeat: 'loop' },
    art: [ART],
    guides: [LINE],
    riders: [riderOn('r', 'line', MARKS), riderOn('q', 'line', [{ time: 0, place: { by: 'node', node: 'c' } }])],
    ...parts,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.scene;
}

let doc: SceneDocument;
let tool: SheetTool;
let preview: SheetPreview | null;
let seeks: number[];
let holds: number;
let said: string[];

function open(scene: Scene): void {
  doc = new SceneDocument(scene, (callback) => callback());
  doc.select(selectRider('r'));
  preview = null;
  seeks = [];
  holds = 0;
  said = [];
  const host: SheetHost = {
    scene: () => doc.state.committed,
    guide: () => guideById(doc.state.committed, 'line')!,
    riders: () => ridersOf(doc.state.committed, 'line'),
    selected: () => riderById(doc.state.committed, doc.state.selection.riders[0] ?? ''),
    axes: () => AXES,
    selection: () => doc.state.selection,
    begin: (label) => doc.begin(label),
    select: (selection) => doc.select(selection),
    seek: (time) => void seeks.push(time),
    goTo: (time) => void (time !== undefined && seeks.push(time)),
    hold: () => void holds++,
    release: () => void holds--,
    snapsToLandmarks: () => false,
    preview: (next) => (preview = next),
    hover: () => undefined,
    tell: (message) => void said.push(message),
  };
  tool = sheetTool(host);
}

const at = (px: number, py: number, more: Partial<SheetPointer> = {}): SheetPointer => ({
  x: px,
  y: py,
  shift: false,
  ctrl: false,
  kind: 'mouse',
  ...more,
});
const drag = (from: SheetPointer, to: SheetPointer): void => {
  tool.down(from);
  tool.move({ ...to, x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 });
  tool.move(to);
  tool.up();
};
const marks = (rider = 'r'): readonly Mark[] => riderById(doc.state.committed, rider)!.pace.marks;
const times = (): number[] => marks().map((mark) => Math.round(mark.time * 1e6) / 1e6);
const labels = (): string[] => doc.state.past.map(({ label }) => label);

beforeEach(() => open(sceneOf({})));

describe('marks', () => {
  test('a mark follows the hand on whole frames and to nodes, one step of undo', () => {
    drag(at(x(3), y(400)), at(x(2.42), y(203)));
    expect(times()).toEqual([0, 1, 2.4, 4]);
    expect(marks()[2]!.place).toMatchObject({ by: 'node', node: 'b', along: 0 });
    expect(labels()).toEqual(['Move mark']);
    doc.undo();
    expect(times()).toEqual([0, 1, 3, 4]);
  });
  test('Ctrl holds frames and nodes off; Shift keeps one direction', () => {
    drag(at(x(3), y(400)), at(x(2.423), y(203), { ctrl: true }));
    expect(times()[2]).toBeCloseTo(2.423, 6);
    doc.undo();
    drag(at(x(3), y(400)), at(x(2), y(380), { shift: true }));
    expect(times()[2]).toBe(2);
    expect(marks()[2]!.place).toMatchObject({ node: 'c' });
  });
  test('several are dragged together, and stop as a group at a neighbour', () => {
    doc.select(selectRider('r', ['r-m2', 'r-m3']));
    drag(at(x(1), y(200)), at(x(1.4), y(200)));
    expect(times()).toEqual([0, 1.4, 3.4, 4]);
    drag(at(x(1.4), y(200)), at(x(3.5), y(200)));
    expect(times()).toEqual([0, 2, 4, 4]);
    expect(labels()).toEqual(['Move 2 marks', 'Move 2 marks']);
  });
  test('a box over empty paper selects marks; pressing paper lets go of them', () => {
    drag(at(x(0.5), y(440)), at(x(3.2), y(150)));
    expect(doc.state.selection.marks).toEqual(['r-m2', 'r-m3']);
    tool.down(at(x(2), y(440)));
    expect(preview).toBeNull();
    tool.up();
    expect(doc.state.selection.marks).toEqual([]);
    expect(labels()).toEqual([]);
  });
  test('Escape gives a drag up and leaves nothing', () => {
    tool.down(at(x(3), y(400)));
    tool.move(at(x(2), y(300)));
    expect(doc.state.shown).not.toBe(doc.state.committed);
    expect(tool.cancel()).toBe(true);
    expect(doc.state.shown).toBe(doc.state.committed);
    expect(labels()).toEqual([]);
    expect(tool.cancel()).toBe(false);
  });
});

describe('rests', () => {
  test('a rest ends where its handle is dropped', () => {
    drag(at(x(1.5), y(200)), at(x(2.3), y(210)));
    expect(marks()[1]!.dwell).toBeCloseTo(1.3, 9);
    expect(labels()).toEqual(['Change rest']);
  });
  test('also where it had none, though its handle stood beside the mark', () => {
    doc.select(selectRider('r', ['r-m3']));
    drag(at(x(3) + 16, y(400)), at(x(3.5), y(400)));
    expect(marks()[2]!.dwell).toBeCloseTo(0.5, 9);
    drag(at(x(3.5), y(400)), at(x(2.8), y(400)));
    expect(marks()[2]!.dwell).toBe(0);
  });
});

describe('lines', () => {
  test('pressing the selected line sets a mark; pressing and dragging is one step of undo', () => {
    tool.down(at(x(0.5), y(100)));
    tool.up();
    expect(times()).toEqual([0, 0.5, 1, 3, 4]);
    expect(doc.state.selection.marks).toHaveLength(1);
    drag(at(x(2), y(266.6)), at(x(2.2), y(350)));
    expect(labels()).toEqual(['Add mark', 'Add mark']);
    expect(times()).toContain(2.2);
    doc.undo();
    doc.undo();
    expect(times()).toEqual([0, 1, 3, 4]);
  });
  test('Escape while a new mark is dragged takes it back', () => {
    tool.down(at(x(0.5), y(100)));
    tool.move(at(x(0.7), y(50)));
    tool.cancel();
    expect(times()).toEqual([0, 1, 3, 4]);
    expect(doc.state.shown).toBe(doc.state.committed);
  });
  test('pressed inside a rest, the new mark is the one selected', () => {
    drag(at(x(1.2), y(200)), at(x(1.3), y(200)));
    const chosen = doc.state.selection.marks[0];
    expect(marks().find((mark) => mark.id === chosen)?.time).toBeCloseTo(1.3, 9);
  });
  test('pressing another rider’s line selects that rider', () => {
    tool.down(at(x(1.7), y(400)));
    tool.up();
    expect(doc.state.selection.riders).toEqual(['q']);
    expect(labels()).toEqual([]);
  });
  test('at a mark’s time a second one is refused, and it is said', () => {
    doc.select(selectRider('q'));
    tool.down(at(x(0) + 30, y(400)));
    tool.up();
    tool.down(at(x(0.3) + 12, y(400)));
    tool.up();
    expect(marks('q').length).toBeGreaterThan(1);
  });
  test('on the way back of there-and-back a new mark follows the pointer', () => {
    const short = [
      { time: 0, place: { by: 'node', node: 'a' } },
      { time: 2, place: { by: 'node', node: 'c' } },
    ];
    open(
      sceneOf({
        clock: { duration: 2, fps: 10, repeat: 'there-and-back' },
        riders: [riderOn('r', 'line', short)],
      }),
    );
    // At 3 s of the loop the rider is on its way back, at 1 s of its cycle and 200 px.
    drag(at(x(3), y(200)), at(x(3.5), y(200)));
    expect(times()).toEqual([0, 0.5, 2]);
  });
  test('with a lead, line and marks stand where the rider’s foot is', () => {
    open(sceneOf({ riders: [riderOn('r', 'line', MARKS, { lead: 20 })] }));
    drag(at(x(3), y(420)), at(x(2.5), y(420)));
    expect(times()).toEqual([0, 1, 2.5, 4]);
  });
});

describe('the strip and the pointer', () => {
  test('time is scrubbed in the strip alone, and stands still meanwhile', () => {
    tool.down(at(x(1), 10));
    expect(holds).toBe(1);
    tool.move(at(x(2.5), 10));
    tool.up();
    expect(seeks).toEqual([1, 2.5]);
    expect(holds).toBe(0);
  });
  test('the cursor says what pressing would do; a dot shows where a mark would stand', () => {
    expect(tool.hover(at(x(3), y(400)))).toBe('move');
    expect(tool.hover(at(x(1.5), y(200)))).toBe('ew-resize');
    expect(tool.hover(at(x(0.5), y(100)))).toBe('copy');
    expect(preview).toMatchObject({ kind: 'dot' });
    expect(tool.hover(at(x(2), y(400)))).toBe('pointer');
    expect(tool.hover(at(x(2), y(440)))).toBe('default');
    tool.leave();
    expect(preview).toBeNull();
  });
  test('a finger reaches further than a mouse', () => {
    expect(tool.hover(at(x(3) + 14, y(400) - 8, { kind: 'touch' }))).toBe('move');
    expect(tool.hover(at(x(3) + 14, y(400) - 8))).not.toBe('move');
  });
});
