import { beforeEach, expect, test, vi } from 'vitest';
import { addArt, addRider, emptyScene, newRider, riderById, sceneFromJson, type PathNode } from '@pace-line/core';
import type { DrawingPart } from '@pace-line/core/art-import';
import type { SceneDocument } from '../../document/index.ts';
import { BOX_ART } from '../../tools/testing.ts';
import type { Desk } from '../desk.ts';
import { bringInParts, roleAtFirst, type Role } from './parts.ts';
import { deskBench } from './testing.ts';

vi.mock('../../look/notices.tsx', () => ({ tell: () => undefined }));

const WAVE: PathNode[] = [
  { x: 100, y: 200, out: [60, -80] },
  { x: 400, y: 200, in: [-60, 80], out: [90, -120] },
  { x: 700, y: 200, in: [-40, -60], out: [50, -40] },
  { x: 900, y: 100 },
];
const part = (name: string, x: number, more: Partial<DrawingPart> = {}): DrawingPart => ({
  name,
  looksLike: 'art',
  outlines: [],
  art: { markup: BOX_ART.markup, width: 40, height: 20, notices: [], heavy: [] },
  x,
  y: 50,
  inside: [],
  ...more,
});
const DRAWING = {
  name: 'Market day',
  notices: [],
  parts: {
    // Twice as wide as the canvas of a new scene.
    width: 2560,
    height: 720,
    skipped: [],
    parts: [
      part('Sky', 0),
      part('Stalls', 100),
      part('Way', 0, { looksLike: 'guide', outlines: [{ nodes: WAVE, closed: false }] }),
      part('Boat', 200),
      part('Boat', 300),
    ],
  },
};

let doc: SceneDocument;
let desk: Desk;
beforeEach(() => {
  const scene = addRider(addArt(emptyScene('Test'), { art: BOX_ART }), {
    rider: newRider({ id: 'kite', name: 'Kite', art: 'box', at: [10, 10] }),
  });
  desk = deskBench(scene);
  ({ doc } = desk);
});
const bring = (...roles: Role[]): void => bringInParts(desk, DRAWING, roles);

test('a line without a fill is taken for a guide at first, the rest for scenery', () => {
  expect(DRAWING.parts.parts.map(roleAtFirst)).toEqual(['scenery', 'scenery', 'guide', 'scenery', 'scenery']);
});

test('each part becomes what it was called, as one step of undo, and the scene stays valid', () => {
  const before = doc.state.committed;
  bring('scenery', 'scenery', 'guide', 'rider', 'none');
  const { committed, past, selection } = doc.state;
  expect(past.map(({ label }) => label)).toEqual(['Bring in Market day']);
  expect(committed.guides.map(({ name }) => name)).toEqual(['Way']);
  expect(committed.riders.map(({ name, locked }) => [name, locked])).toEqual([
    ['Sky', true],
    ['Stalls', true],
    ['Kite', false],
    ['Boat', false],
  ]);
  expect(selection).toMatchObject({ guides: [committed.guides[0]!.id], riders: [] });
  expect(sceneFromJson(JSON.parse(JSON.stringify(committed))).ok).toBe(true);
  doc.undo();
  expect(doc.state.committed).toBe(before);
});

test('the order of the drawing is that of the riders: what lies over a rider there, lies over it here; a second backdrop lies over the first', () => {
  bring('scenery', 'rider', 'none', 'scenery', 'rider');
  const names = (): string[] => doc.state.committed.riders.map(({ name }) => name);
  expect(names()).toEqual(['Sky', 'Kite', 'Stalls', 'Boat', 'Boat 2']);
  expect(doc.state.committed.riders.map(({ locked }) => locked)).toEqual([true, false, false, true, false]);
  bring('scenery', 'scenery', 'none', 'none', 'none');
  expect(names()).toEqual(['Sky', 'Sky 2', 'Stalls 2', 'Kite', 'Stalls', 'Boat', 'Boat 2']);
});

test('a drawing that is larger than the canvas is made smaller, about its middle; all parts stay together', () => {
  bring('none', 'none', 'guide', 'rider', 'none');
  const { guides, riders, canvas } = doc.state.committed;
  const scale = canvas.width / 2560;
  const below = (canvas.height - 720 * scale) / 2;
  expect(guides[0]!.nodes.map(({ x, y }) => [x, y])).toEqual(WAVE.map(({ x, y }) => [x * scale, y * scale + below]));
  expect(guides[0]!.nodes[0]!.out).toEqual([30, -40]);
  expect(riders.at(-1)).toMatchObject({ at: [220 * scale, 60 * scale + below], scale: [scale, scale] });
});

test('nodes that were smooth in the drawing are smooth, corners are corners', () => {
  bring('none', 'none', 'guide', 'none', 'none');
  expect(doc.state.committed.guides[0]!.nodes.map(({ join }) => join)).toEqual([
    'corner',
    'smooth',
    'corner',
    'corner',
  ]);
});

test('names and ids are free: the same drawing can be brought in twice', () => {
  bring('none', 'none', 'none', 'rider', 'rider');
  bring('none', 'none', 'none', 'rider', 'rider');
  const { riders, art } = doc.state.committed;
  expect(new Set(riders.map(({ name }) => name)).size).toBe(5);
  expect(new Set([...riders, ...art].map(({ id }) => id)).size).toBe(riders.length + art.length);
  for (const id of doc.state.selection.riders) expect(riderById(doc.state.committed, id)).toBeDefined();
  expect(doc.state.selection.riders).toHaveLength(2);
});
