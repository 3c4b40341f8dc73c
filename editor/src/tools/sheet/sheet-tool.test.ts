import { beforeEach, describe, expect, test } from 'vitest';
import { guideById, newRecipe, prepare, riderById, setRecipe, type Mark, type Scene } from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { riderOn } from '../../../../core/src/testing/scenes.ts';
import type { SheetPointer } from './host.ts';
import { beadsOf } from './shaping.ts';
import {
  AXES,
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
const guideOf = () => guideById(bench.doc.state.committed, 'line')!;
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
  test('pressing the selected line sets a mark, one step of undo; moved a hair it is a press all the same', () => {
    bench.tool.down(at(x(0.5), y(100)));
    bench.tool.up();
    expect(times()).toEqual([0, 0.5, 1, 3, 4]);
    expect(bench.doc.state.selection.marks).toHaveLength(1);
    drag(at(x(2), y(266.6)), at(x(2) + 1, y(267)));
    expect(labels()).toEqual(['Add mark', 'Add mark']);
    bench.doc.undo();
    bench.doc.undo();
    expect(times()).toEqual([0, 1, 3, 4]);
  });
  test('a rest’s bar is its mark’s: pressed it splits nothing, dragged it carries the mark', () => {
    bench.tool.down(at(x(1.2), y(200)));
    bench.tool.up();
    expect(times()).toEqual([0, 1, 3, 4]);
    expect(bench.doc.state.selection.marks).toEqual([marks()[1]!.id]);
    drag(at(x(1.2), y(200)), at(x(1.7), y(200)));
    expect(times()).toEqual([0, 1.5, 3, 4]);
    expect(marks()[1]!.dwell).toBe(0.5);
  });
  test('the ghost of a mark stands where a press sets it', () => {
    bench.tool.hover(at(x(0.53), y(106)));
    // On the frame, and on the line there.
    expect(bench.preview).toMatchObject({ kind: 'dot', x: expect.closeTo(x(0.5), 6) as number });
    expect(bench.preview).toMatchObject({ y: expect.closeTo(y(100), 6) as number });
    bench.tool.down(at(x(0.53), y(106)));
    bench.tool.up();
    expect(times()[1]).toBe(0.5);
    bench.tool.hover(at(x(1.2), y(200)));
    expect(bench.preview).toBeNull();
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
    bench.tool.down(at(x(3), y(200)));
    bench.tool.up();
    expect(times()).toEqual([0, 1, 2]);
    // It stands on the way back too, and is taken there.
    drag(at(x(3), y(200)), at(x(3.5), y(200)));
    expect(times()).toEqual([0, 0.5, 2]);
    drag(at(x(3.5), y(200)), at(x(3), y(200)));
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

describe('the strip of speed', () => {
  /** The strip's zero is its lower edge while nothing backs up; 68 px of it are the highest speed. */
  const strip = (time: number, up: number) => at(x(time), AXES.bottom + 14 + 84 - up);
  const speedAt = (time: number): number => prepare(bench.doc.state.committed).rider('r')!.speedAt(time);
  const [LEAST, MOST] = [-400, 200];
  const perPx = (MOST - LEAST) / 68;
  test('drawn up, the leg is bent so that its speed there is what the hand says, and nothing else moves', () => {
    expect([speedAt(0.5), speedAt(3.5)]).toEqual([MOST, LEAST]);
    drag(strip(0.5, 30), strip(0.5, 45));
    expect(speedAt(0.5)).toBeCloseTo(MOST + 15 * perPx, 6);
    expect(times()).toEqual([0, 1, 3, 4]);
    expect(labels()).toEqual(['Bend leg']);
    bench.doc.undo();
    // Where it backs up, down is faster.
    drag(strip(3.5, 30), strip(3.5, 20));
    expect(speedAt(3.5)).toBeCloseTo(LEAST - 10 * perPx, 6);
  });
  test('unlocked the leg becomes shorter or longer and what follows moves, as far as the cycle has room', () => {
    bench.keepsDuration = false;
    drag(strip(0.5, 30), strip(0.5, 45));
    const speed = MOST + 15 * perPx;
    expect(speedAt(0.1)).toBeCloseTo(speed, 6);
    const sooner = 1 - 200 / speed;
    marks().forEach(({ time }, i) => expect(time).toBeCloseTo([0, 1, 3, 4][i]! - (i > 0 ? sooner : 0), 6));
    expect(bench.said).toEqual([]);
    // Back, and further than there is room for.
    drag(strip(0.2, 60), strip(0.2, 0));
    expect(marks().at(-1)!.time).toBeCloseTo(4, 6);
    expect(bench.said).toHaveLength(1);
  });
  test('where it rests, and where a recipe makes the speeds, it says why not', () => {
    drag(strip(1.2, 30), strip(1.2, 45));
    expect(labels()).toEqual([]);
    expect(bench.said[0]).toMatch(/rests/);
    open(setRecipe(sceneOf(), { rider: 'r', recipe: newRecipe('constant') }));
    drag(strip(0.5, 30), strip(0.5, 45));
    expect(bench.said[0]).toMatch(/recipe/);
  });
});

describe('legs are bent', () => {
  const shaped = (mark = 0) => {
    const { ease } = marks()[mark]!;
    if (ease.kind !== 'shaped') throw new Error(`it is ${ease.kind}`);
    return ease;
  };
  test('where their line is dragged: what was pressed follows the hand, one step of undo', () => {
    drag(at(x(0.5), y(100)), at(x(0.4), y(160)));
    expect(shaped().points).toEqual([
      { time: expect.closeTo(0.4, 6) as number, way: expect.closeTo(0.8, 6) as number, slope: null },
    ]);
    expect(times()).toEqual([0, 1, 3, 4]);
    expect(labels()).toEqual(['Bend leg']);
    bench.doc.undo();
    expect(marks()[0]!.ease).toEqual({ kind: 'steady' });
  });
  test('past its mark, and further by a second point; Shift keeps one direction, Escape gives it up', () => {
    drag(at(x(0.5), y(100)), at(x(0.6), y(230)));
    expect(shaped().points[0]!.way).toBeCloseTo(1.15, 6);
    drag(at(x(0.6), y(230)), at(x(0.6) + 3, y(260), { shift: true }));
    expect(shaped().points).toHaveLength(1);
    expect(shaped().points[0]).toMatchObject({ time: expect.closeTo(0.6, 6) as number });
    expect(shaped().points[0]!.way).toBeCloseTo(1.3, 6);
    const { state } = bench.doc;
    bench.tool.down(at(x(0.6), y(260)));
    bench.tool.move(at(x(0.7), y(100)));
    bench.tool.cancel();
    expect(bench.doc.state.shown).toBe(state.shown);
  });
  test('a point pressed is sharp, pressed again smooth; pressed with Shift it is gone', () => {
    drag(at(x(0.5), y(100)), at(x(0.5), y(160)));
    const bead = at(x(0.5), y(160));
    const press = (more = {}): void => {
      bench.tool.down({ ...bead, ...more });
      bench.tool.up();
    };
    press();
    expect(shaped().points[0]!.slope).toHaveLength(2);
    press();
    expect(shaped().points[0]!.slope).toBeNull();
    press({ shift: true });
    expect(shaped().points).toEqual([]);
    expect(labels().slice(1)).toEqual([
      'Make a shaping point sharp',
      'Make a shaping point smooth',
      'Remove a shaping point',
    ]);
  });
  test('its handle turns it: the slope is that of the arm', () => {
    drag(at(x(0.5), y(100)), at(x(0.5), y(160)));
    // A third of the way to the end, on the slope that its neighbours give.
    const { rider, mark } = { rider: 'r', mark: marks()[0]!.id };
    bench.doc.select(selectRider(rider, [mark]));
    const hand = beadsOf(bench.doc.state.committed, guideOf(), riderById(bench.doc.state.committed, 'r')!, AXES, [
      mark,
    ]).find(({ index, side }) => index === 0 && side === 1)!;
    drag(at(hand.x, hand.y), at(hand.x, y(160)));
    expect(shaped().points[0]!.slope).toBeCloseTo(0, 6);
    expect(bench.tool.hover(at(hand.x, y(160)))).toBe('grab');
  });
  test('a leg that flows is bent from where it is, its neighbours known', () => {
    const flowing = [
      { time: 0, place: { by: 'node', node: 'a' }, ease: { kind: 'flow' } },
      { time: 1, place: { by: 'node', node: 'b' }, ease: { kind: 'flow' } },
      { time: 4, place: { by: 'node', node: 'c' } },
    ];
    open(sceneOf({ riders: [riderOn('r', 'line', flowing)] }));
    const line = () => prepare(bench.doc.state.committed).riders[0]!;
    const before = [0.3, 0.9].map((time) => line().distanceAt(time));
    const way = line().distanceAt(0.6);
    bench.tool.down(at(x(0.6), y(way)));
    bench.tool.move(at(x(0.6) + 4, y(way + 4)));
    bench.tool.move(at(x(0.6), y(way)));
    bench.tool.up();
    expect(shaped().points).toHaveLength(1);
    expect(line().distanceAt(0.6)).toBeCloseTo(way, 6);
    // Let go where it was taken, it is nearly as it was.
    [0.3, 0.9].forEach((time, i) => expect(Math.abs(line().distanceAt(time) - before[i]!)).toBeLessThan(6));
  });
  test('on the way back of there-and-back the hand is followed too', () => {
    const short = [
      { time: 0, place: { by: 'node', node: 'a' } },
      { time: 2, place: { by: 'node', node: 'c' } },
    ];
    open(sceneOf({ clock: { duration: 2, fps: 10, repeat: 'there-and-back' }, riders: [riderOn('r', 'line', short)] }));
    drag(at(x(3), y(200)), at(x(3.2), y(300)));
    expect(shaped().points[0]).toMatchObject({ time: expect.closeTo(0.4, 6) as number });
    expect(shaped().points[0]!.way).toBeCloseTo(0.75, 6);
  });
  test('a recipe’s line is not bent, nor a rest', () => {
    bench.doc.do('Pace', (scene) => setRecipe(scene, { rider: 'r', recipe: newRecipe('constant') }));
    const before = bench.doc.state.committed;
    drag(at(x(0.2), y(70)), at(x(0.4), y(160)));
    expect(riderById(bench.doc.state.committed, 'r')!.pace.marks[0]).toEqual(riderById(before, 'r')!.pace.marks[0]);
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
