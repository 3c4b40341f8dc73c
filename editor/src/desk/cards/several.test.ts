import { expect, test } from 'vitest';
import { riderById, setRider } from '@pace-line/core';
import { sheetScene } from '../../tools/sheet/testing.ts';
import { deskBench } from '../actions/testing.ts';
import { changeEach, withinBehaviour } from './several.ts';

test('each of several is changed from what it is itself, as one step of undo; who is gone is passed over', () => {
  const desk = deskBench(sheetScene());
  const opacity = (id: string): number => riderById(desk.doc.state.committed, id)!.opacity;
  desk.doc.do('Fade', (scene) => setRider(scene, { id: 'q', patch: { opacity: 0.5 } }));
  changeEach(desk, 'Halve', ['r', 'gone', 'q'], (scene, rider) =>
    setRider(scene, { id: rider.id, patch: { opacity: rider.opacity / 2 } }),
  );
  expect([opacity('r'), opacity('q')]).toEqual([0.5, 0.25]);
  expect(desk.doc.state.past.map(({ label }) => label)).toEqual(['Fade', 'Halve']);
  desk.doc.undo();
  expect([opacity('r'), opacity('q')]).toEqual([1, 0.5]);
});

test('of a behaviour what is entered is set for all that have it, and each keeps the rest of its own', () => {
  const desk = deskBench(sheetScene());
  const rollOf = (id: string) => riderById(desk.doc.state.committed, id)!.roll;
  desk.doc.do('Roll', (scene) =>
    setRider(scene, { id: 'q', patch: { roll: { radius: 12, guide: 'ground', side: 'left' } } }),
  );
  const enter = (): void =>
    changeEach(desk, 'Set side', ['q', 'r'], (scene, rider) =>
      withinBehaviour(scene, rider, 'roll', { side: 'right' }),
    );
  enter();
  expect([rollOf('q'), rollOf('r')]).toEqual([{ radius: 12, guide: 'ground', side: 'right' }, null]);
  desk.doc.do('Roll', (scene) =>
    setRider(scene, { id: 'r', patch: { roll: { radius: null, guide: 'centre', side: 'left' } } }),
  );
  enter();
  expect(rollOf('r')).toEqual({ radius: null, guide: 'centre', side: 'right' });
});
