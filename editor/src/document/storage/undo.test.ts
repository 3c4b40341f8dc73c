import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, expect, test, vi } from 'vitest';
import fc from 'fast-check';
import { emptyScene, renameScene, type Scene } from '@pace-line/core';
import type * as Module from './index.ts';
import { SceneDocument } from '../store.ts';
import { fromBase64, sha256 } from '../../platform/pixels.ts';

const parted = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => parted.get(key) ?? null,
  setItem: (key: string, value: string) => void parted.set(key, value),
  removeItem: (key: string) => void parted.delete(key),
});

let storage: typeof Module;
beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.resetModules();
  storage = await import('./index.ts');
});

let tabs = 0;

/** Opens a scene as a tab does; what it changes is kept. */
async function tab(id: string) {
  const stored = await storage.loadStored(id);
  if (stored.state !== 'ok') throw new Error(stored.state);
  const undo = await storage.loadUndo(id, stored.writer, stored.scene, stored.count);
  const writer = { id, name: `tab-${++tabs}` };
  if (stored.unfolded) await storage.foldScene({ id, name: stored.writer }, stored.scene, stored.count);
  await storage.claim(id, writer.name);
  const doc = new SceneDocument(stored.scene, (callback) => callback(), undo);
  let count = stored.count;
  let last: Promise<void> = Promise.resolve();
  doc.store.subscribe((state, before) => {
    if (state.committed === before.committed) return;
    const number = ++count;
    const was = last;
    const change = { before, after: state, scene: state.committed };
    last = was.then(() => storage.keepEdit(writer, number, before.committed, state.committed, change));
  });
  return {
    doc,
    kept: () => last,
    fold: async () => (await last, storage.foldScene(writer, doc.state.committed, count)),
  };
}

const named = (name: string) => (scene: Scene) => renameScene(scene, { name });

test('steps can be undone and done again after the page was loaded anew, one after another', async () => {
  await storage.keepNewScene('one', emptyScene('0'));
  const first = await tab('one');
  for (const name of ['1', '2', '3', '4']) first.doc.do(`Name ${name}`, named(name));
  first.doc.undo();
  await first.kept();
  const second = await tab('one');
  expect(second.doc.state.committed.name).toBe('3');
  expect([second.doc.state.past.map(({ label }) => label), second.doc.state.future.map(({ label }) => label)]).toEqual([
    ['Name 1', 'Name 2', 'Name 3'],
    ['Name 4'],
  ]);
  second.doc.redo();
  second.doc.undo();
  second.doc.undo();
  await second.fold();
  const third = await tab('one');
  expect(third.doc.state.committed.name).toBe('2');
  third.doc.undo();
  third.doc.undo();
  expect([third.doc.state.committed.name, third.doc.state.past]).toEqual(['0', []]);
  for (let i = 0; i < 4; i++) third.doc.redo();
  expect(third.doc.state.committed.name).toBe('4');
});

test('any run of changes, undoings and reloads ends as without the reloads', async () => {
  const act = fc.oneof(
    fc.nat(20).map((n) => ({ kind: 'name' as const, n })),
    fc.constant({ kind: 'undo' as const }),
    fc.constant({ kind: 'redo' as const }),
    fc.constant({ kind: 'reload' as const }),
    fc.constant({ kind: 'fold' as const }),
  );
  let scenes = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(act, { maxLength: 30 }), async (acts) => {
      const id = `s${scenes++}`;
      await storage.keepNewScene(id, emptyScene('start'));
      let open = await tab(id);
      const plain = new SceneDocument(emptyScene('start'), (callback) => callback());
      for (const one of acts) {
        for (const doc of [open.doc, plain]) {
          if (one.kind === 'name') doc.do(`to ${one.n}`, named(`n${one.n}`));
          if (one.kind === 'undo') doc.undo();
          if (one.kind === 'redo') doc.redo();
        }
        if (one.kind === 'fold') await open.fold();
        if (one.kind === 'reload') {
          await open.kept();
          open = await tab(id);
        }
      }
      const told = ({ state }: SceneDocument) => [
        state.committed,
        state.past.map(({ label, scene }) => [label, scene.name]),
        state.future.map(({ label, scene }) => [label, scene.name]),
      ];
      expect(told(open.doc)).toEqual(told(plain));
    }),
    { numRuns: 60, seed: 28 },
  );
});

test('a picture that was deleted comes back with the step that deleted it, after weeks and a reload', async () => {
  const pixels = btoa('pixels of a picture');
  const hash = await sha256(fromBase64(pixels));
  const picture = {
    id: 'plan',
    name: 'Plan',
    asset: hash,
    type: 'image/png' as const,
    width: 9,
    height: 9,
    x: 0,
    y: 0,
  };
  const scene: Scene = {
    ...emptyScene('One'),
    tracing: [{ ...picture, scale: 1, turn: 0, opacity: 1, visible: true, locked: true }],
    assets: { [hash]: pixels },
  };
  await storage.keepNewScene('one', scene);
  const first = await tab('one');
  first.doc.do('Delete the picture', (now) => ({ ...now, tracing: [], assets: {} }));
  await first.fold();
  for (let i = 1; i < 6; i++) {
    vi.useFakeTimers({ now: Date.now() + 8 * 86_400_000, toFake: ['Date'] });
    await storage.collectUnused();
  }
  vi.useRealTimers();
  const second = await tab('one');
  second.doc.undo();
  expect(second.doc.state.committed).toEqual(scene);
});

test('steps of another state, of a tab that was overtaken, or cut off, are none', async () => {
  await storage.keepNewScene('one', emptyScene('0'));
  const sleeper = await tab('one');
  sleeper.doc.do('Name 1', named('1'));
  await sleeper.kept();
  const other = await tab('one');
  sleeper.doc.do('Stale', named('stale'));
  await sleeper.kept();
  other.doc.do('Name 2', named('2'));
  await other.kept();
  const third = await tab('one');
  expect(third.doc.state.past.map(({ label }) => label)).toEqual(['Name 1', 'Name 2']);
  const stored = await storage.loadStored('one');
  if (stored.state !== 'ok') throw new Error(stored.state);
  expect(await storage.loadUndo('one', stored.writer, stored.scene, stored.count + 1)).toEqual({
    past: [],
    future: [],
  });
});

test('a step that is too large to keep ends the row there, and what comes after it is kept', async () => {
  await storage.keepNewScene('one', emptyScene('0'));
  const first = await tab('one');
  const long = (n: number) => (scene: Scene) => ({
    ...scene,
    guides: Array.from({ length: n }, (_, i) => ({
      id: `g${i}`,
      name: 'x'.repeat(200),
      closed: false,
      nodes: [{ id: `n${i}`, x: 0, y: 0, join: 'corner' as const }],
      color: '#0B7A75',
      visible: true,
      locked: false,
      corridor: null,
      carrier: null,
      depth: null,
    })),
  });
  first.doc.do('Name 1', named('1'));
  first.doc.do('Many', long(8000));
  first.doc.do('None', long(0));
  first.doc.do('Name 2', named('2'));
  await first.kept();
  const second = await tab('one');
  expect(second.doc.state.past.map(({ label }) => label)).toEqual(['Name 2']);
  second.doc.undo();
  expect(second.doc.state.committed.name).toBe('1');
});
