import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { emptyScene, renameScene, type Scene } from '@pace-line/core';
import { startAutosave, type SaveState } from './autosave.ts';
import { OvertakenError } from './storage/index.ts';
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

interface Hands {
  readonly append?: (name: string) => Promise<void>;
  readonly holds?: () => Promise<boolean>;
  readonly fold?: (name: string, count: number) => Promise<void>;
}

function started(
  { append = () => Promise.resolve(), fold = () => Promise.resolve(), holds = () => Promise.resolve(true) }: Hands = {},
  scene = emptyScene('A'),
) {
  const doc = new SceneDocument(scene, (callback) => callback());
  const said: SaveState['kind'][] = [];
  const overtaken = vi.fn();
  const parted: string[] = [];
  const { stop, flush } = startAutosave(doc, 7, {
    append: (_, __, { name }) => append(name),
    fold: ({ name }, count) => fold(name, count),
    holds: () => holds(),
    part: ({ name }) => parted.push(name) > 0,
    report: (state) => said.push(state.kind),
    overtaken,
  });
  const rename = (name: string): void => doc.do('Rename', (scene) => renameScene(scene, { name }));
  return { doc, said, stop, flush, rename, overtaken, parted };
}

test('a change is on its way when it is made, and said to be kept when it is; the scene is written whole when hands are still', async () => {
  const written: string[] = [];
  const folded: (string | number)[] = [];
  const { said, rename } = started({
    append: (name) => Promise.resolve(void written.push(name)),
    fold: (name, count) => Promise.resolve(void folded.push(name, count)),
  });
  rename('B');
  rename('C');
  expect(written).toEqual(['B', 'C']);
  expect(said.at(-1)).toBe('waiting');
  await vi.advanceTimersByTimeAsync(1000);
  expect(said.at(-1)).toBe('kept');
  expect(folded).toEqual([]);
  await vi.advanceTimersByTimeAsync(5000);
  expect(folded).toEqual(['C', 9]);
  await vi.advanceTimersByTimeAsync(20_000);
  expect(folded).toHaveLength(2);
});

test('a slow journal is waited for: nothing is said to be kept before', async () => {
  let done = (): void => undefined;
  const { said, rename } = started({ append: () => new Promise((resolve) => (done = resolve)) });
  rename('B');
  await vi.advanceTimersByTimeAsync(3000);
  expect(said).toEqual(['waiting']);
  done();
  await vi.advanceTimersByTimeAsync(1000);
  expect(said.at(-1)).toBe('kept');
});

test('what could not be opened again is not said to be kept, and is not written over what could', async () => {
  const folded: string[] = [];
  const lasting = (duration: number) => (scene: Scene) => ({ ...scene, clock: { ...scene.clock, duration } });
  const { doc, said, stop, rename } = started(
    { fold: (name) => Promise.resolve(void folded.push(name)) },
    lasting(-1)(emptyScene('A')),
  );
  rename('B');
  await vi.advanceTimersByTimeAsync(10_000);
  expect(said.at(-1)).toBe('failed');
  expect(said).not.toContain('kept');
  expect(folded).toEqual([]);
  doc.do('Mend', lasting(2));
  await vi.advanceTimersByTimeAsync(10_000);
  expect(said.at(-1)).toBe('kept');
  expect(folded).toEqual(['B']);
  stop();
});

test('where the journal fails the scene is written whole; a failure of that is said and tried again; stopping writes what is left', async () => {
  let full = true;
  const folded: string[] = [];
  const { said, rename, stop, parted } = started({
    append: () => (full ? Promise.reject(new Error('quota')) : Promise.resolve()),
    fold: (name) => (full ? Promise.reject(new Error('quota')) : Promise.resolve(void folded.push(name))),
  });
  rename('B');
  await vi.advanceTimersByTimeAsync(1000);
  expect(said.at(-1)).toBe('failed');
  full = false;
  await vi.advanceTimersByTimeAsync(6000);
  expect(folded).toEqual(['B']);
  expect(said.at(-1)).toBe('kept');
  full = true;
  rename('C');
  await vi.advanceTimersByTimeAsync(0);
  full = false;
  stop();
  await vi.advanceTimersByTimeAsync(10_000);
  expect(parted).toEqual(['C']);
  expect(folded.at(-1)).toBe('C');
});

test('who was overtaken says so once and writes no more', async () => {
  const folded: string[] = [];
  const { rename, overtaken } = started({
    holds: () => Promise.reject(new OvertakenError()),
    fold: (name) => Promise.resolve(void folded.push(name)),
  });
  rename('B');
  rename('C');
  await vi.advanceTimersByTimeAsync(20_000);
  expect(overtaken).toHaveBeenCalledTimes(1);
  expect(folded).toEqual([]);
});

test('what is handed over is written first, though nothing more may be changed', async () => {
  const folded: string[] = [];
  let slow: () => void = () => undefined;
  const { doc, rename, flush } = started({
    fold: (name) => new Promise((resolve) => (slow = () => resolve(void folded.push(name)))),
  });
  rename('B');
  await vi.advanceTimersByTimeAsync(5000);
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
  expect(folded).toEqual(['B', 'C']);
});

test('where the record was deleted the scene is written whole before it is said to be kept', async () => {
  const folded: string[] = [];
  let isThere = false;
  const { said, rename } = started({
    holds: () => Promise.resolve(isThere),
    fold: (name) => {
      isThere = true;
      folded.push(name);
      return Promise.resolve();
    },
  });
  rename('B');
  await vi.advanceTimersByTimeAsync(700);
  expect(folded).toEqual(['B']);
  expect(said.at(-1)).toBe('kept');
});
