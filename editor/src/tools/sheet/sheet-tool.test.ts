import { beforeEach, describe, expect, test } from 'vitest';
import { riderById, type Mark, type Scene } from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { riderOn } from '../../../../core/src/testing/scenes.ts';
import type { SheetPointer } from './host.ts';
import {
  MARKS,
  onSheet as at,
  sheetBench,
  sheetScene as sceneOf,
  xOf as x,
  yOf as y,
  type SheetBench,
} from './testing.ts';

let bench: SheetBench;
const open = (scene: Scene): void => void (bench = sheetBench(scene));
const drag = (from: SheetPointer, to: SheetPointer): void => {
  bench.tool.down(from);
  bench.tool.move({ ...to, x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 });
  bench.tool.move(to);
  bench.tool.up();
};
const marks = (rider = 'r'): readonly Mark[] => riderById(bench.doc.state.committed, rider)!.pace.marks;
const times = (): number[] => marks().map((mark) => Math.round(mark.time * 1e6) / 1e6);
const labels = (): string[] => bench.doc.state.past.map(({ label }) => label);

beforeEach(() => open(sceneOf()));

describe('marks', () => {
  test('a mark follows the hand on whole frames and to nodes, one step of undo', () => {
    drag(at(x(3), y(400)), at(x(2.42), y(203)));
    expect(times()).toEqual([0, 1, 2.4, 4]);
    expect(marks()[2]!.place).toMatchObject({ by: 'node', node: 'b', along: 0 });
    expect(labels()).toEqual(['Move mark']);
    bench.doc.undo();
    expect(times()).toEqual([0, 1, 3, 4]);
  });
  test('while a mark follows the hand the loop goes on, and what is shown is ahead of what is kept', () => {
    bench.tool.down(at(x(1), y(200)));
    bench.tool.move(at(x(1.5), y(200)));
    expect(bench.holds).toBe(0);
    expect(bench.seeks).toEqual([]);
    const { shown, committed } = bench.doc.state;
    const timeIn = (scene: typeof shown) => riderById(scene, 'r')!.pace.marks[1]!.time;
    expect([timeIn(shown), timeIn(committed)]).toEqual([1.5, 1]);
    bench.tool.up();
    expect(times()[1]).toBe(1.5);
  });
  test('Ctrl holds frames and nodes off; Shift keeps one direction', () => {
    drag(at(x(3), y(400)), at(x(2.423), y(203), { ctrl: true }));
    expect(times()[2]).toBeCloseTo(2.423, 6);
    bench.doc.undo();
    drag(at(x(3), y(400)), at(x(2), y(380), { shift: true }));
    expect(times()[2]).toBe(2);
    expect(marks()[2]!.place).toMatchObject({ node: 'c' });
  });
  test('several are dragged together, and stop as a group at a neighbour', () => {
    bench.doc.select(selectRider('r', ['r-m2', 'r-m3']));
    drag(at(x(1), y(200)), at(x(1.4), y(200)));
    expect(times()).toEqual([0, 1.4, 3.4, 4]);
    drag(at(x(1.4), y(200)), at(x(3.5), y(200)));
    expect(times()).toEqual([0, 2, 4, 4]);
    expect(labels()).toEqual(['Move 2 marks', 'Move 2 marks']);
  });
  test('a box over empty paper selects marks; pressing paper lets go of them', () => {
    drag(at(x(0.5), y(440)), at(x(3.2), y(150)));
    expect(bench.doc.state.selection.marks).toEqual(['r-m2', 'r-m3']);
    bench.tool.down(at(x(2), y(440)));
    expect(bench.preview).toBeNull();
    bench.tool.up();
    expect(bench.doc.state.selection.marks).toEqual([]);
    expect(labels()).toEqual([]);
  });
  test('Escape gives a drag up and leaves nothing', () => {
    bench.tool.down(at(x(3), y(400)));
    bench.tool.move(at(x(2), y(300)));
    expect(bench.doc.state.shown).not.toBe(bench.doc.state.committed);
    expect(bench.tool.cancel()).toBe(true);
    expect(bench.doc.state.shown).toBe(bench.doc.state.committed);
    expect(labels()).toEqual([]);
    expect(bench.tool.cancel()).toBe(false);
  });
});

describe('rests', () => {
  test('a rest ends where its handle is dropped', () => {
    drag(at(x(1.5), y(200)), at(x(2.3), y(210)));
    expect(marks()[1]!.dwell).toBeCloseTo(1.3, 9);
    expect(labels()).toEqual(['Change rest']);
  });
  test('also where it had none, though its handle stood beside the mark', () => {
    bench.doc.select(selectRider('r', ['r-m3']));
    drag(at(x(3) + 16, y(400)), at(x(3.5), y(400)));
    expect(marks()[2]!.dwell).toBeCloseTo(0.5, 9);
    drag(at(x(3.5), y(400)), at(x(2.8), y(400)));
    expect(marks()[2]!.dwell).toBe(0);
  });
});

describe('lines', () => {
  test('pressing the selected line sets a mark; pressing and dragging is one step of undo', () => {
    bench.tool.down(at(x(0.5), y(100)));
    bench.tool.up();
    expect(times()).toEqual([0, 0.5, 1, 3, 4]);
    expect(bench.doc.state.selection.marks).toHaveLength(1);
    drag(at(x(2), y(266.6)), at(x(2.2), y(350)));
    expect(labels()).toEqual(['Add mark', 'Add mark']);
    expect(times()).toContain(2.2);
    bench.doc.undo();
    bench.doc.undo();
    expect(times()).toEqual([0, 1, 3, 4]);
  });
  test('Escape while a new mark is dragged takes it back', () => {
    bench.tool.down(at(x(0.5), y(100)));
    bench.tool.move(at(x(0.7), y(50)));
    bench.tool.cancel();
    expect(times()).toEqual([0, 1, 3, 4]);
    expect(bench.doc.state.shown).toBe(bench.doc.state.committed);
  });
  test('pressed inside a rest, the new mark is the one selected', () => {
    drag(at(x(1.2), y(200)), at(x(1.3), y(200)));
    const chosen = bench.doc.state.selection.marks[0];
    expect(marks().find((mark) => mark.id === chosen)?.time).toBeCloseTo(1.3, 9);
  });
  test('pressing another rider’s line selects that rider', () => {
    bench.tool.down(at(x(1.7), y(400)));
    bench.tool.up();
    expect(bench.doc.state.selection.riders).toEqual(['q']);
    expect(labels()).toEqual([]);
  });
  test('at a mark’s time a second one is refused, and it is said', () => {
    bench.doc.select(selectRider('q'));
    bench.tool.down(at(x(0) + 30, y(400)));
    bench.tool.up();
    bench.tool.down(at(x(0.3) + 12, y(400)));
    bench.tool.up();
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
    // It stands on the way back too, and is taken there: back to where it was.
    drag(at(x(3.5), y(200)), at(x(3), y(200)));
    expect(times()).toEqual([0, 1, 2]);
    // Its rest lies before it on the way back: that comes from where it ends.
    drag(at(x(3) - 16, y(200)), at(x(2.6), y(200)));
    expect(marks('r')[1]).toMatchObject({ time: 1, dwell: expect.closeTo(0.4, 9) as number });
  });
  test('with a lead, line and marks stand where the rider’s foot is', () => {
    open(sceneOf({ riders: [riderOn('r', 'line', MARKS, { lead: 20 })] }));
    drag(at(x(3), y(420)), at(x(2.5), y(420)));
    expect(times()).toEqual([0, 1, 2.5, 4]);
  });
});

describe('the strip and the pointer', () => {
  test('time is scrubbed in the strip alone, and stands still meanwhile', () => {
    bench.tool.down(at(x(1), 10));
    expect(bench.holds).toBe(1);
    bench.tool.move(at(x(2.5), 10));
    bench.tool.up();
    expect(bench.seeks).toEqual([1, 2.5]);
    expect(bench.holds).toBe(0);
  });
  test('the cursor says what pressing would do; a dot shows where a mark would stand', () => {
    expect(bench.tool.hover(at(x(3), y(400)))).toBe('move');
    expect(bench.tool.hover(at(x(1.5), y(200)))).toBe('ew-resize');
    expect(bench.tool.hover(at(x(0.5), y(100)))).toBe('copy');
    expect(bench.preview).toMatchObject({ kind: 'dot' });
    expect(bench.tool.hover(at(x(2), y(400)))).toBe('pointer');
    expect(bench.tool.hover(at(x(2), y(440)))).toBe('default');
    bench.tool.leave();
    expect(bench.preview).toBeNull();
  });
  test('a finger reaches further than a mouse', () => {
    expect(bench.tool.hover(at(x(3) + 14, y(400) - 8, { kind: 'touch' }))).toBe('move');
    expect(bench.tool.hover(at(x(3) + 14, y(400) - 8))).not.toBe('move');
  });
});
