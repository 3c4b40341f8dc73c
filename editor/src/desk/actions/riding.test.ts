import { beforeEach, describe, expect, test, vi } from 'vitest';
import {
  artById,
  emptyScene,
  POSE,
  prepare,
  riderById,
  ridersOf,
  setIn,
  setPivot,
  setRider,
  withAllInside,
  type Rider,
} from '@pace-line/core';
import { NOTHING, selectGuide, selectRider } from '../../document/index.ts';
import { BOX_ART } from '../../tools/testing.ts';
import { sheetScene } from '../../tools/sheet/testing.ts';
import type { Desk } from '../desk.ts';
import { useDeskView } from '../view.ts';
import { copiedText, copySelected, cutSelected, duplicateSelected, pasteHeld } from './clipboard.ts';
import { addMark } from './marks.ts';
import { nudge } from './moving.ts';
import { isTabStop, stepPart } from './parts-in-order.ts';
import { bringInArt, park, parkArt } from './riding.ts';
import { answerSeating, askToRide, dropOnGuide, isOpen, offerSeat, rideAtStart } from './seating.ts';
import { deleteSelected, selectAll } from './selecting.ts';
import { deskBench } from './testing.ts';

const said: string[] = [];
const acts: (() => Promise<void>)[] = [];
vi.mock('../../look/notices.tsx', () => ({
  tell: (message: string) => void said.push(message),
  offerUndo: (title: string) => void said.push(title),
  offer: (title: string, action: string, act: () => Promise<void>) => {
    said.push(`${title}: ${action}`);
    acts.push(act);
  },
}));

let desk: Desk;
beforeEach(() => {
  said.length = 0;
  acts.length = 0;
  desk = deskBench(sheetScene());
});

const scene = () => desk.doc.state.committed;
const rider = (id: string): Rider => riderById(scene(), id)!;
const labels = (): string[] => desk.doc.state.past.map(({ label }) => label);
const placeOf = (id: string): number[] => {
  const poses = prepare(scene()).poseAt(desk.playback.time);
  const i = scene().riders.indexOf(rider(id));
  return [poses.of(i, 'x'), poses.of(i, 'y')].map((value) => Math.round(value * 1e6) / 1e6);
};

describe('a pivot that is moved', () => {
  test('on a guide the drawing stays; that point is put on the guide where it is asked for', async () => {
    desk.playback.seek(0.5);
    const before = prepare(scene()).rider('r')!.poseAt(0.5);
    desk.doc.do('Move pivot', (base) => setPivot(base, { id: 'r', pivot: [20, 0], time: 0.5 }));
    const after = prepare(scene()).rider('r')!.poseAt(0.5);
    for (const key of [POSE.a, POSE.b, POSE.c, POSE.d, POSE.e, POSE.f]) expect(after[key]).toBeCloseTo(before[key]!, 9);
    offerSeat(desk, 'r');
    expect(said).toEqual([expect.stringMatching(/its pivot is off the guide: Put this point on the guide$/)]);
    await acts[0]!();
    expect(rider('r')).toMatchObject({ lift: 0, lead: 0, pivot: [20, 0] });
    offerSeat(desk, 'r');
    expect(said).toHaveLength(1);
  });
});

describe('bringing riders in', () => {
  test('art gets a free id; parked, its rider is selected', () => {
    const art = bringInArt(desk, 'Böx & Co.', {
      markup: BOX_ART.markup,
      width: 40,
      height: 20,
      notices: [],
      heavy: [],
    });
    expect(artById(scene(), art)).toMatchObject({ name: 'Böx & Co.', pivot: [20, 10] });
    expect(
      bringInArt(desk, 'Böx & Co.', { markup: BOX_ART.markup, width: 40, height: 20, notices: [], heavy: [] }),
    ).not.toBe(art);
    parkArt(desk, art, [300, 200]);
    parkArt(desk, art, [310, 200]);
    const [one, two] = scene().riders.slice(-2);
    expect([one?.name, two?.name === one?.name]).toEqual(['Böx & Co.', false]);
    expect(desk.doc.state.selection.riders).toEqual([two?.id]);
    parkArt(desk, 'no such art', [0, 0]);
    expect(scene().riders).toHaveLength(4);
  });

  test('dropped on a guide it is there where it was dropped; asked to sit at the start it is at the start', () => {
    dropOnGuide(desk, 'box', 'line', [220, 300]);
    const id = desk.doc.state.selection.riders[0]!;
    expect(placeOf(id)).toEqual([220, 300]);
    rideAtStart(desk, 'box', 'line');
    expect(placeOf(desk.doc.state.selection.riders[0]!)).toEqual([100, 300]);
    expect(ridersOf(scene(), 'line')).toHaveLength(4);
  });

  test('taken off its guide it stays where it is, whatever the time', () => {
    desk.playback.seek(0.5);
    const before = placeOf('r');
    park(desk, ['r']);
    expect(rider('r').guide).toBeNull();
    expect(placeOf('r')).toEqual(before);
    expect(labels()).toEqual(['Park r']);
  });
});

describe('seat or keep', () => {
  beforeEach(() => {
    parkArt(desk, 'box', [180, 240]);
  });
  const parked = (): string => desk.doc.state.selection.riders[0]!;

  test('put on a guide nothing jumps; the answer takes the place of what was done, in one step each', () => {
    const id = parked();
    askToRide(desk, id, 'line');
    expect(placeOf(id)).toEqual([180, 240]);
    expect(rider(id)).toMatchObject({ guide: 'line', lift: 60, lead: 0 });
    const { question } = useDeskView.getState();
    expect(question && isOpen(desk, question)).toBe(true);
    answerSeating(desk, 'seat');
    expect(rider(id)).toMatchObject({ lift: 0, lead: 0 });
    expect(placeOf(id)[1]).toBe(300);
    answerSeating(desk, 'keep');
    expect(placeOf(id)).toEqual([180, 240]);
  });

  test('once something else was done the question is closed', () => {
    const id = parked();
    askToRide(desk, id, 'line');
    desk.doc.do('Rename', (base) => setRider(base, { id, patch: { name: 'Kite' } }));
    const before = scene();
    answerSeating(desk, 'seat');
    expect(scene()).toBe(before);
  });

  test('the guide that it rides already asks nothing', () => {
    askToRide(desk, 'r', 'line');
    expect(useDeskView.getState().question).toBeNull();
    expect(labels()).toHaveLength(1);
  });
});

describe('copy, paste, duplicate, delete', () => {
  test('a rider comes with its guide; what was copied as text is path data', () => {
    desk.doc.select({ ...NOTHING, guides: ['line'], riders: ['r'] });
    expect(copySelected(desk)).toBe(true);
    expect(copiedText()).toContain('M100 300L300 300L500 300');
    pasteHeld(desk);
    expect(scene().guides).toHaveLength(2);
    const pasted = riderById(scene(), desk.doc.state.selection.riders[0]!)!;
    expect(pasted.guide).toBe(scene().guides[1]!.id);
    expect(pasted.pace.marks.map(({ time }) => time)).toEqual(rider('r').pace.marks.map(({ time }) => time));
  });

  test('nothing selected: nothing is copied, and what was copied stays', () => {
    desk.doc.select(selectGuide('line'));
    copySelected(desk);
    desk.doc.select(NOTHING);
    expect(copySelected(desk)).toBe(false);
    pasteHeld(desk);
    expect(scene().guides).toHaveLength(2);
  });

  test('marks are pasted at the playhead and selected; duplicating them says how', () => {
    desk.doc.select(selectRider('r', ['r-m2']));
    duplicateSelected(desk);
    expect(said.at(-1)).toMatch(/pasting at the playhead/);
    copySelected(desk);
    desk.doc.select(selectRider('q'));
    desk.playback.seek(2);
    pasteHeld(desk);
    expect(rider('q').pace.marks.map(({ time }) => time)).toEqual([0, 2]);
    expect(desk.doc.state.selection.marks).toEqual([rider('q').pace.marks[1]!.id]);
    desk.doc.select(NOTHING);
    pasteHeld(desk);
    expect(said.at(-1)).toMatch(/Select the rider/);
  });

  test('cut is copy and delete, in one step; the innermost that is selected goes', () => {
    desk.doc.select(selectRider('r', ['r-m2']));
    cutSelected(desk);
    expect(rider('r').pace.marks).toHaveLength(3);
    expect(labels()).toEqual(['Delete mark']);
    desk.doc.select(selectGuide('line', ['b']));
    deleteSelected(desk);
    expect(scene().guides[0]!.nodes).toHaveLength(2);
    desk.doc.select(selectRider('r'));
    deleteSelected(desk);
    expect(scene().riders.map(({ id }) => id)).toEqual(['q']);
    desk.doc.select(selectGuide('line'));
    deleteSelected(desk);
    expect(scene().guides).toEqual([]);
    // Its rider stays where it was.
    expect(rider('q').guide).toBeNull();
    expect(placeOf('q')).toEqual([500, 300]);
  });

  test('all: the parts of what has some selected, else everything that is not locked', () => {
    desk.doc.select(selectGuide('line', ['b']));
    selectAll(desk);
    expect(desk.doc.state.selection.nodes).toEqual(['a', 'b', 'c']);
    desk.doc.select(selectRider('r', ['r-m1']));
    selectAll(desk);
    expect(desk.doc.state.selection.marks).toHaveLength(4);
    desk.doc.do('lock', (base) => setRider(base, { id: 'q', patch: { locked: true } }));
    desk.doc.select(NOTHING);
    selectAll(desk);
    expect(desk.doc.state.selection).toMatchObject({ guides: ['line'], riders: ['r'] });
  });
});

describe('marks and arrows', () => {
  test('a mark at the playhead stands on a frame and is selected; without a rider it says what to do', () => {
    desk.playback.seek(2.04);
    addMark(desk, 'r');
    const made = rider('r').pace.marks.find(({ id }) => id === desk.doc.state.selection.marks[0]);
    expect(made?.time).toBe(2);
    desk.doc.select(NOTHING);
    addMark(desk);
    expect(said.at(-1)).toMatch(/Select a rider/);
  });

  test('arrows move marks by frames and px, nodes and riders by px; held, they are one step', () => {
    desk.doc.select(selectRider('r', ['r-m3']));
    for (let i = 0; i < 4; i++) nudge(desk, -1, 0);
    for (let i = 0; i < 3; i++) nudge(desk, 0, 1);
    const mark = rider('r').pace.marks[2]!;
    expect(mark.time).toBeCloseTo(2.6, 9);
    expect(prepare(scene()).rider('r')!.distanceAt(2.6)).toBeCloseTo(397, 6);
    expect(labels()).toEqual(['Move mark']);
    desk.doc.select(selectGuide('line', ['a', 'b']));
    for (let i = 0; i < 5; i++) nudge(desk, 0, -10);
    expect(scene().guides[0]!.nodes.map(({ y }) => y)).toEqual([250, 250, 300]);
    expect(labels()).toEqual(['Move mark', 'Move nodes']);
    desk.doc.select(NOTHING);
    nudge(desk, 1, 0);
    expect(labels()).toHaveLength(2);
  });

  test('what is locked is not deleted, and is named; the rest goes', () => {
    desk.doc.do('Lock', (base) => setRider(base, { id: 'r', patch: { locked: true } }));
    desk.doc.select({ ...NOTHING, riders: ['r', 'q'] });
    deleteSelected(desk);
    expect(scene().riders.map(({ id }) => id)).toEqual(['r']);
    expect(said.at(-1)).toMatch(/“r” is locked/);
    const steps = labels().length;
    desk.doc.select(selectRider('r'));
    deleteSelected(desk);
    expect(scene().riders).toHaveLength(1);
    expect(labels()).toHaveLength(steps);
  });

  test('a tab that only reads changes nothing and says so', () => {
    desk.doc.setReadOnly(true);
    desk.doc.select(selectRider('r', ['r-m3']));
    nudge(desk, 1, 0);
    let refused = 0;
    desk.doc.whenRefused = () => void refused++;
    deleteSelected(desk);
    desk.doc.undo();
    desk.doc.begin('Move mark').cancel();
    expect(labels()).toEqual([]);
    expect(refused).toBe(2);
  });
});

describe('stepping through parts', () => {
  const chosen = () => [desk.doc.state.selection.marks, desk.doc.state.selection.nodes];
  test('marks of the selected rider, nodes of the selected guide, round and round', () => {
    desk.doc.select(selectRider('r'));
    const marks = scene().riders[0]!.pace.marks.map(({ id }) => id);
    expect(stepPart(desk, 1)).toBe(marks[0]);
    expect(stepPart(desk, 1)).toBe(marks[1]);
    expect(chosen()).toEqual([[marks[1]], []]);
    expect(stepPart(desk, -1)).toBe(marks[0]);
    expect(stepPart(desk, -1)).toBe(marks.at(-1));
    expect(stepPart(desk, 1)).toBe(marks[0]);
    desk.doc.select(selectGuide('line'));
    expect(stepPart(desk, -1)).toBe(scene().guides[0]!.nodes.at(-1)!.id);
    desk.doc.select(NOTHING);
    expect(stepPart(desk, 1)).toBeUndefined();
  });
  test('Tab comes to the chosen one, or to the first', () => {
    expect(['a', 'b'].map((id, i) => isTabStop([], id, i))).toEqual([true, false]);
    expect(['a', 'b'].map((id, i) => isTabStop(['b', 'a'], id, i))).toEqual([false, true]);
  });
});

describe('a scene that was set in', () => {
  const inner = sheetScene();
  const holder = () => scene().riders.find(({ name }) => name === inner.name)!;
  beforeEach(() => {
    desk = deskBench(setIn(emptyScene('Quay'), { inner, at: [300, 200], size: 0.5, duration: 4 }));
  });

  test('is deleted with what is locked in it; locked itself it stays whole', () => {
    const lock = (id: string, locked: boolean) =>
      desk.doc.do('Lock', (base) => setRider(base, { id, patch: { locked } }));
    lock(scene().riders.at(-1)!.id, true);
    lock(holder().id, true);
    const count = scene().riders.length;
    desk.doc.select(selectRider(holder().id));
    deleteSelected(desk);
    expect(scene().riders).toHaveLength(count);
    lock(holder().id, false);
    deleteSelected(desk);
    expect([scene().riders, scene().guides]).toEqual([[], []]);
  });

  test('is selected, copied and deleted as one', () => {
    const count = scene().riders.length;
    selectAll(desk);
    expect(desk.doc.state.selection).toMatchObject({ guides: [], riders: [holder().id] });
    duplicateSelected(desk);
    expect(scene().riders).toHaveLength(2 * count);
    const [copy] = desk.doc.state.selection.riders;
    expect(desk.doc.state.selection).toMatchObject({ guides: [], riders: { length: 1 } });
    // All of the copy is carried by the copy.
    expect(withAllInside(scene(), [], [copy!]).riders).toHaveLength(count);
    deleteSelected(desk);
    expect(scene().riders).toHaveLength(count);
    expect(labels().at(-1)).toMatch(/^Delete /);
    desk.doc.select(selectRider(holder().id));
    deleteSelected(desk);
    expect([scene().riders, scene().guides]).toEqual([[], []]);
  });
});
