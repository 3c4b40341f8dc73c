import { expect, test, vi } from 'vitest';
import { emptyScene, newGuide, renameScene, type Scene } from '@pace-line/core';
import { NOTHING } from './selection.ts';
import { SceneDocument } from './store.ts';

/** A document whose frames are drawn when the test says so. */
function open(): { doc: SceneDocument; frame: () => void } {
  const waiting: (() => void)[] = [];
  const doc = new SceneDocument(emptyScene('One'), (callback) => void waiting.push(callback));
  return { doc, frame: () => waiting.splice(0).forEach((callback) => callback()) };
}

const named = (name: string) => (scene: Scene) => renameScene(scene, { name });

test('each change is one step with its label; undo and redo give back scene and selection', () => {
  const { doc } = open();
  const first = doc.state.committed;
  doc.do('Rename to Two', named('Two'));
  doc.do('Rename to Three', named('Three'));
  expect(doc.state.past.map((entry) => entry.label)).toEqual(['Rename to Two', 'Rename to Three']);
  doc.undo();
  expect(doc.state.committed.name).toBe('Two');
  expect(doc.state.future.at(-1)?.label).toBe('Rename to Three');
  doc.undo();
  expect(doc.state.committed).toBe(first);
  doc.undo();
  doc.redo();
  doc.redo();
  doc.redo();
  expect(doc.state.committed.name).toBe('Three');
});

test('a new change forgets what was undone; one that changes nothing is no step', () => {
  const { doc } = open();
  doc.do('a', named('Two'));
  doc.undo();
  doc.do('b', named('Four'));
  expect(doc.state.future).toEqual([]);
  doc.do('nothing', (scene) => scene);
  expect(doc.state.past).toHaveLength(1);
});

test('a gesture shows once a frame, always from its start, and is one step', () => {
  const { doc, frame } = open();
  const shown: string[] = [];
  doc.store.subscribe((state) => shown.push(state.shown.name));
  const gesture = doc.begin('Drag');
  gesture.update((scene) => renameScene(scene, { name: `${scene.name} a` }));
  gesture.update((scene) => renameScene(scene, { name: `${scene.name} b` }));
  expect(shown).toEqual([]);
  frame();
  expect(shown).toEqual(['One b']);
  expect(doc.state.committed.name).toBe('One');
  gesture.update((scene) => renameScene(scene, { name: `${scene.name} c` }));
  gesture.commit();
  expect(doc.state.committed.name).toBe('One c');
  expect(doc.state.past).toHaveLength(1);
  frame();
  expect(doc.state.shown.name).toBe('One c');
});

test('a cancelled gesture leaves nothing; undo in the middle of one cancels it', () => {
  const { doc, frame } = open();
  const gesture = doc.begin('Drag');
  gesture.update(named('Gone'));
  frame();
  gesture.cancel();
  gesture.commit();
  expect(doc.state.shown.name).toBe('One');
  expect(doc.state.past).toEqual([]);
  doc.begin('Again').update(named('Gone'));
  doc.undo();
  frame();
  expect(doc.state.shown.name).toBe('One');
});

test('another change commits the gesture that is open', () => {
  const { doc } = open();
  doc.begin('Drag').update(named('Dragged'));
  doc.do('Then', named('Done'));
  expect(doc.state.past.map((entry) => entry.label)).toEqual(['Drag', 'Then']);
});

test('a look changes nothing, and tells when something else has ended it', () => {
  const { doc, frame } = open();
  const look = doc.glance();
  look.update(named('Seen'));
  frame();
  expect([doc.state.shown.name, doc.state.committed.name, look.isOpen()]).toEqual(['Seen', 'One', true]);
  doc.do('Then', named('Done'));
  expect([doc.state.shown.name, look.isOpen()]).toEqual(['Done', false]);
  look.update(named('Lost'));
  frame();
  expect(doc.state.shown.name).toBe('Done');
  const again = doc.glance();
  again.update(named('Seen again'));
  frame();
  expect(doc.state.shown.name).toBe('Seen again');
  again.commit();
  expect(doc.state.past.map((entry) => entry.label)).toEqual(['Then']);
  expect([doc.state.shown.name, again.isOpen()]).toEqual(['Done', false]);
});

test('read-only, nothing changes', () => {
  const { doc } = open();
  doc.setReadOnly(true);
  doc.do('x', named('Two'));
  expect(doc.state.committed.name).toBe('One');
});

test('the selection keeps only what is there', () => {
  const { doc } = open();
  doc.do('x', named('Two'), { ...NOTHING, guides: ['gone'], riders: ['gone'] });
  expect(doc.state.selection).toEqual(NOTHING);
});

test('a held key is one step of undo; after a pause, another run or another change it is a new one', () => {
  vi.useFakeTimers();
  try {
    const { doc } = open();
    const first = doc.state.committed.canvas.width;
    const wider = (scene: Scene): Scene => ({
      ...scene,
      canvas: { ...scene.canvas, width: scene.canvas.width + 1 },
    });
    const hold = (key: string, times: number): void => {
      for (let i = 0; i < times; i++) {
        doc.inRun(key, () => doc.do('Nudge', wider));
        vi.advanceTimersByTime(30);
      }
    };
    hold('a', 300);
    expect([doc.state.past.length, doc.state.committed.canvas.width - first]).toEqual([1, 300]);
    hold('b', 3);
    expect(doc.state.past).toHaveLength(2);
    vi.advanceTimersByTime(800);
    hold('b', 2);
    expect(doc.state.past).toHaveLength(3);
    doc.do('other', wider);
    hold('b', 2);
    expect(doc.state.past).toHaveLength(5);
    doc.undo();
    hold('b', 2);
    expect(doc.state.past).toHaveLength(5);
    for (let i = 0; i < 5; i++) doc.undo();
    expect(doc.state.committed.canvas.width).toBe(first);
  } finally {
    vi.useRealTimers();
  }
});

test('a change after which the scene could not be opened again is not made, whatever made it; the reason is told', () => {
  const { doc, frame } = open();
  const told: string[] = [];
  doc.whenUnsound = ({ path, message }) => told.push(`${path}: ${message}`);
  const wide = (width: number) => (scene: Scene) => ({ ...scene, canvas: { ...scene.canvas, width } });
  const before = doc.state;
  doc.do('Widen', wide(1e9));
  const gesture = doc.begin('Drag');
  gesture.update(wide(Number.NaN));
  frame();
  gesture.commit();
  expect(doc.state.committed).toBe(before.committed);
  expect(doc.state.shown).toBe(before.committed);
  expect(doc.state.past).toEqual([]);
  expect(told).toHaveLength(2);
  for (const one of told) expect(one).toMatch(/^canvas\.width: /);
  doc.do('Widen', wide(1000));
  expect(doc.state.committed.canvas.width).toBe(1000);
});

test('a scene that is beyond what a file holds already can be worked on until it is not', () => {
  const sound = emptyScene('One');
  const doc = new SceneDocument({ ...sound, canvas: { ...sound.canvas, width: 1e9 } }, (callback) => callback());
  doc.do('Rename', named('Two'));
  expect(doc.state.committed.name).toBe('Two');
});

test('what a hand makes is not in what is settled until it lets go, but new parts are at once', () => {
  const { doc, frame } = open();
  const heard: string[] = [];
  doc.settled.subscribe(({ shown }) => heard.push(`${shown.name}: ${shown.guides.length}`));
  const line = (id: string) => newGuide({ id, name: id, color: '#000000', nodes: [], closed: false });
  const gesture = doc.begin('Draw');
  gesture.update((scene) => ({ ...scene, name: 'Other' }));
  frame();
  expect([doc.state.shown.name, doc.settled.getState().shown.name]).toEqual(['Other', 'One']);
  gesture.update((scene) => ({ ...scene, name: 'More', guides: [line('a')] }));
  frame();
  gesture.update((scene) => ({ ...scene, name: 'Most', guides: [line('a')] }));
  frame();
  expect(heard).toEqual(['More: 1']);
  gesture.update((scene) => scene);
  frame();
  expect(heard).toEqual(['More: 1', 'One: 0']);
  gesture.update((scene) => ({ ...scene, name: 'Last' }));
  frame();
  gesture.commit();
  expect(heard).toEqual(['More: 1', 'One: 0', 'Last: 0']);
  const trial = doc.tryOut('Slide');
  trial.update((scene) => ({ ...scene, name: 'Tried' }));
  frame();
  expect(doc.settled.getState().shown.name).toBe('Tried');
  trial.cancel();
  expect(doc.settled.getState().shown.name).toBe('Last');
});
