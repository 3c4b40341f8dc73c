import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { emptyScene, renameScene, type Scene } from '@pace-line/core';
import { startAutosave, type SaveState } from './autosave.ts';
import { SceneDocument } from './store.ts';

const target = { addEventListener: () => undefined, removeEventListener: () => undefined };

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('document', target);
  vi.stubGlobal('window', target);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function started(keep: (scene: Scene) => Promise<void>) {
  const doc = new SceneDocument(emptyScene('A'), (callback) => callback());
  const said: SaveState['kind'][] = [];
  const { stop, flush } = startAutosave(doc, { keep, journal: () => true, report: (state) => said.push(state.kind) });
  const rename = (name: string): void => doc.do('Rename', (scene) => renameScene(scene, { name }));
  return { doc, said, stop, flush, rename };
}

test('a change is kept within a second, many in a row once', async () => {
  const kept: string[] = [];
  const { said, rename } = started(({ name }) => Promise.resolve(void kept.push(name)));
  rename('B');
  rename('C');
  expect(said.at(-1)).toBe('waiting');
  await vi.advanceTimersByTimeAsync(1000);
  expect(kept).toEqual(['C']);
  expect(said.at(-1)).toBe('kept');
});

test('what is undone before it was kept needs no keeping, and says so', async () => {
  const kept: string[] = [];
  const { doc, said, rename } = started(({ name }) => Promise.resolve(void kept.push(name)));
  rename('B');
  doc.undo();
  await vi.advanceTimersByTimeAsync(1000);
  expect(kept).toEqual([]);
  expect(said.at(-1)).toBe('kept');
});

test('a failure is said and tried again; stopping keeps what is left', async () => {
  let full = true;
  const kept: string[] = [];
  const { said, rename, stop } = started(({ name }) => {
    if (full) return Promise.reject(new Error('quota'));
    kept.push(name);
    return Promise.resolve();
  });
  rename('B');
  await vi.advanceTimersByTimeAsync(1000);
  expect(said.at(-1)).toBe('failed');
  full = false;
  await vi.advanceTimersByTimeAsync(6000);
  expect(kept).toEqual(['B']);
  rename('C');
  stop();
  await vi.advanceTimersByTimeAsync(0);
  expect(kept).toEqual(['B', 'C']);
});

test('what is handed over is kept first, though nothing more may be changed', async () => {
  const kept: string[] = [];
  let slow: () => void = () => undefined;
  const { doc, rename, flush } = started(
    (scene) => new Promise((resolve) => (slow = () => resolve(void kept.push(scene.name)))),
  );
  rename('B');
  await vi.advanceTimersByTimeAsync(700);
  rename('C');
  const refused = vi.fn();
  doc.whenRefused = refused;
  doc.setReadOnly(true);
  const flushed = flush();
  rename('D');
  expect(refused).toHaveBeenCalledTimes(1);
  slow();
  await vi.advanceTimersByTimeAsync(0);
  slow();
  await flushed;
  expect(kept).toEqual(['B', 'C']);
});
