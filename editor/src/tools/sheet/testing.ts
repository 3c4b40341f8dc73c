import { guideById, riderById, ridersOf, sceneFromJson, type Axes, type Scene } from '@pace-line/core';
import { LINE, riderOn } from '../../../../core/src/testing/scenes.ts';
import { SceneDocument, selectRider } from '../../document/index.ts';
import { BOX_ART } from '../testing.ts';
import { sheetTool, type SheetTool } from './sheet-tool.ts';
import type { SheetHost, SheetPointer, SheetPreview } from './host.ts';

/** A second is 100 px across from x = 100 on, a px of the guide is a px up from y = 500 on. */
export const AXES: Axes = { left: 100, right: 500, top: 50, bottom: 500, from: 0, to: 4, low: 0, high: 450 };
export const xOf = (time: number): number => 100 + 100 * time;
export const yOf = (distance: number): number => 500 - distance;

/** To the middle of a line of 400 px, a rest there, to its end, and back. */
export const MARKS = [
  { time: 0, place: { by: 'node', node: 'a' } },
  { time: 1, place: { by: 'node', node: 'b' }, dwell: 0.5 },
  { time: 3, place: { by: 'node', node: 'c' } },
  { time: 4, place: { by: 'node', node: 'a' } },
];

/** Two riders on one line, of which the first has those marks. */
export function sheetScene(parts: object = {}): Scene {
  const read = sceneFromJson({
    format: 'pace-line/scene',
    version: 2,
    name: 'Test',
    canvas: { width: 800, height: 600, background: null },
    clock: { duration: 4, fps: 10, repeat: 'loop' },
    art: [BOX_ART],
    guides: [LINE],
    riders: [riderOn('r', 'line', MARKS), riderOn('q', 'line', [{ time: 0, place: { by: 'node', node: 'c' } }])],
    ...parts,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.scene;
}

/** A document, the sheet's tool with a fake pointer, and what it asked of its host. */
export interface SheetBench {
  readonly doc: SceneDocument;
  readonly tool: SheetTool;
  preview: SheetPreview | null;
  seeks: number[];
  holds: number;
  said: string[];
  keepsDuration: boolean;
}

export function sheetBench(scene: Scene): SheetBench {
  const doc = new SceneDocument(scene, (callback) => callback());
  doc.select(selectRider('r'));
  const host: SheetHost = {
    scene: () => doc.state.committed,
    guide: () => guideById(doc.state.committed, 'line')!,
    riders: () => ridersOf(doc.state.committed, 'line'),
    selected: () => riderById(doc.state.committed, doc.state.selection.riders[0] ?? ''),
    axes: () => AXES,
    selection: () => doc.state.selection,
    begin: (label) => doc.begin(label),
    select: (selection) => doc.select(selection),
    seek: (time) => void bench.seeks.push(time),
    goTo: (time) => void (time !== undefined && bench.seeks.push(time)),
    hold: () => void bench.holds++,
    release: () => void bench.holds--,
    snapsToLandmarks: () => false,
    keepsDuration: () => bench.keepsDuration,
    preview: (next) => (bench.preview = next),
    hover: () => undefined,
    tell: (message) => void bench.said.push(message),
  };
  const bench: SheetBench = {
    doc,
    tool: sheetTool(host),
    preview: null,
    seeks: [],
    holds: 0,
    said: [],
    keepsDuration: true,
  };
  return bench;
}

export const onSheet = (x: number, y: number, more: Partial<SheetPointer> = {}): SheetPointer => ({
  x,
  y,
  shift: false,
  ctrl: false,
  kind: 'mouse',
  ...more,
});
