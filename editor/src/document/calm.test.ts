import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { emptyScene, newGuide, type Scene } from '@pace-line/core';
import { SceneDocument } from './store.ts';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const moved = (scene: Scene, n: number): Scene => ({
  ...scene,
  guides: [newGuide({ id: `g${n}`, name: '', nodes: [], color: '#000' })],
});

test('while a guide is dragged the calm state follows a few times a second, and is exact in the end', () => {
  const doc = new SceneDocument(emptyScene('A'), (callback) => void setTimeout(callback, 1));
  const seen = new Set<Scene>();
  doc.calm.subscribe((state) => seen.add(state.shown));
  const gesture = doc.begin('Bend');
  for (let i = 0; i < 60; i++) {
    gesture.update((scene) => moved(scene, i));
    vi.advanceTimersByTime(16);
  }
  expect(seen.size).toBeGreaterThan(4);
  expect(seen.size).toBeLessThan(20);
  gesture.commit();
  expect(doc.calm.getState().shown).toBe(doc.state.committed);
});

test('what a gesture does to riders the sheet shows at once, the cards a few times a second', () => {
  const doc = new SceneDocument(emptyScene('A'), (callback) => void setTimeout(callback, 1));
  const onCards = new Set<Scene>();
  doc.calm.subscribe((state) => onCards.add(state.shown));
  const gesture = doc.begin('Move mark');
  for (let i = 0; i < 60; i++) {
    gesture.update((scene) => ({ ...scene, riders: [...scene.riders] }));
    vi.advanceTimersByTime(16);
    expect(doc.sheet.getState().shown).toBe(doc.state.shown);
  }
  expect(onCards.size).toBeGreaterThan(4);
  expect(onCards.size).toBeLessThan(20);
  gesture.cancel();
  expect(doc.calm.getState().shown).toBe(doc.state.committed);
});

/** A mark that is dragged while frames come late or not; gives in how many states of a store what moves was seen, of so many frames. */
function dragged(store: 'sheet' | 'calm') {
  let isLate = false;
  const doc = new SceneDocument(
    emptyScene('A'),
    (callback) => void setTimeout(callback, 1),
    () => isLate,
  );
  const seen = new Set<Scene>();
  doc[store].subscribe((state) => seen.add(state.shown));
  const gesture = doc.begin('Move mark');
  return {
    drag: (frames: number, late: boolean): number => {
      isLate = late;
      seen.clear();
      for (let i = 0; i < frames; i++) {
        gesture.update((scene) => ({ ...scene, riders: [...scene.riders] }));
        vi.advanceTimersByTime(25);
      }
      return seen.size;
    },
    end: (): void => {
      gesture.commit();
      expect(doc[store].getState().shown).toBe(doc.state.committed);
    },
  };
}

test('where frames come late the sheet leaves half of them to what plays', () => {
  const { drag, end } = dragged('sheet');
  expect(drag(20, false)).toBe(20);
  const late = drag(40, true);
  expect(late).toBeGreaterThan(12);
  expect(late).toBeLessThan(28);
  end();
});

test('where frames come late the cards follow half as often, and are exact in the end', () => {
  const { drag, end } = dragged('calm');
  const often = drag(80, false);
  const seldom = drag(80, true);
  expect(seldom).toBeGreaterThan(4);
  expect(seldom).toBeLessThan(0.65 * often);
  end();
});

test('what is chosen while a hand moves something is passed on at once', () => {
  const doc = new SceneDocument(emptyScene('A'), (callback) => void setTimeout(callback, 1));
  const gesture = doc.begin('Move mark');
  for (let i = 0; i < 3; i++) {
    gesture.update((scene) => ({ ...scene, riders: [...scene.riders] }));
    vi.advanceTimersByTime(2);
  }
  expect(doc.calm.getState().shown).not.toBe(doc.state.shown);
  doc.select({ ...doc.state.selection, riders: ['a'] });
  expect(doc.calm.getState().selection.riders).toEqual(['a']);
  gesture.cancel();
});

test('spacing follows at half of the frames while only times change, and at once while a guide is bent', () => {
  const doc = new SceneDocument(emptyScene('A'), (callback) => void setTimeout(callback, 1));
  const seen = new Set<Scene>();
  doc.spacing.subscribe((state) => seen.add(state.shown));
  const timing = doc.begin('Move mark');
  for (let i = 0; i < 60; i++) {
    timing.update((scene) => ({ ...scene, riders: [...scene.riders] }));
    vi.advanceTimersByTime(16);
  }
  expect(seen.size).toBeGreaterThan(12);
  expect(seen.size).toBeLessThan(32);
  // A hand that stands still sees the last of it.
  vi.advanceTimersByTime(60);
  expect(doc.spacing.getState().shown).toBe(doc.state.shown);
  timing.commit();
  const bending = doc.begin('Bend');
  for (let i = 0; i < 10; i++) {
    bending.update((scene) => moved(scene, i));
    vi.advanceTimersByTime(16);
    expect(doc.spacing.getState().shown).toBe(doc.state.shown);
  }
  bending.commit();
});
