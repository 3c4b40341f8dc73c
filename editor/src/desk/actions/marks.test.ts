import { beforeEach, describe, expect, test, vi } from 'vitest';
import { riderById, type Mark } from '@pace-line/core';
import { selectGuide } from '../../document/index.ts';
import { sheetScene } from '../../tools/sheet/testing.ts';
import type { Desk } from '../desk.ts';
import { changeLegSpeed, placed, scaleTimes } from './marks.ts';
import { deleteSelected } from './selecting.ts';
import { deskBench } from './testing.ts';

const said: string[] = [];
const offered: { readonly title: string; readonly action: string; readonly act: () => Promise<void> }[] = [];
vi.mock('../../look/notices.tsx', () => ({
  tell: (message: string) => void said.push(message),
  offer: (title: string, action: string, act: () => Promise<void>) => void offered.push({ title, action, act }),
  offerUndo: (title: string, act: () => Promise<void>) => void offered.push({ title, action: 'Undo', act }),
}));

let desk: Desk;
beforeEach(() => {
  said.length = 0;
  offered.length = 0;
  desk = deskBench(sheetScene());
});

const scene = () => desk.doc.state.committed;
const marks = (): readonly Mark[] => riderById(scene(), 'r')!.pace.marks;
const times = (): number[] => marks().map(({ time }) => Math.round(time * 1e6) / 1e6);
const labels = (): string[] => desk.doc.state.past.map(({ label }) => label);
// Its marks: 0, 1 with a rest of 0.5, 3 and 4 s of 4, at 0, 200, 400 and 0 px.

describe('times are scaled as far as there is room', () => {
  const ids = ['r-m1', 'r-m2', 'r-m3'];
  test('with room nothing is said', () => {
    scaleTimes(desk, { rider: 'r', marks: ids }, 0.5, undefined);
    expect(times()).toEqual([0, 0.5, 1.5, 4]);
    expect(said).toEqual([]);
  });
  test('held back by the next mark, it says how far it went', () => {
    scaleTimes(desk, { rider: 'r', marks: ids }, 2, undefined);
    expect(times()[2]).toBeLessThanOrEqual(4);
    expect(said).toEqual([expect.stringMatching(/^There was room for 133\.3 %/)]);
  });
  test('without any room it says that nothing was changed', () => {
    scaleTimes(desk, { rider: 'r', marks: [...ids, 'r-m4'] }, 2, undefined);
    expect(times()).toEqual([0, 1, 3, 4]);
    expect(labels()).toEqual([]);
    expect(said).toEqual([expect.stringMatching(/Nothing was changed/)]);
  });
});

describe('the speed of a leg', () => {
  const of = { rider: 'r', mark: 'r-m1' };
  test('where there is room, what follows moves', () => {
    changeLegSpeed(desk, of, 400);
    expect(times()).toEqual([0, 0.5, 2.5, 3.5]);
    expect(offered).toEqual([]);
  });
  test('where there is none, the room that is needed is offered: one step of undo', async () => {
    changeLegSpeed(desk, of, 100);
    expect(times()).toEqual([0, 1, 3, 4]);
    expect(offered).toMatchObject([{ action: 'Lengthen the loop to 5.00 s' }]);
    await offered[0]!.act();
    expect(scene().clock.duration).toBe(5);
    expect(times()).toEqual([0, 2, 4, 5]);
    expect(labels()).toEqual(['Change speed of a leg']);
    desk.doc.undo();
    expect(scene().clock.duration).toBe(4);
  });
});

test('a typed place is a distance, or kept as it was written', () => {
  expect(placed(12)).toEqual({ distance: 12 });
  expect(placed({ by: 'share', value: 0.2 })).toEqual({ place: { by: 'share', value: 0.2 } });
});

describe('what is lost is said', () => {
  test('a guide with riders: they stay, and it is taken back while nothing else was done', async () => {
    desk.doc.select(selectGuide('line'));
    deleteSelected(desk);
    expect(offered).toMatchObject([{ title: expect.stringMatching(/2 riders stay where they are/) as string }]);
    await offered[0]!.act();
    expect(scene().guides).toHaveLength(1);
    expect(marks()).toHaveLength(4);
  });
  test('after something else was done, it is not undone from there', async () => {
    desk.doc.select(selectGuide('line'));
    deleteSelected(desk);
    desk.doc.do('Rename', (before) => ({ ...before, name: 'Other' }));
    await offered[0]!.act();
    expect(scene().guides).toHaveLength(0);
    expect(said).toEqual([expect.stringMatching(/Something else was changed since/)]);
  });
});
