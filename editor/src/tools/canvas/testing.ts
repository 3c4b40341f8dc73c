import { addGuide, addRider, carryGuide, emptyScene, newRider, prepare, type Rider, type Scene } from '@pace-line/core';
import { SceneDocument } from '../../document/store.ts';
import { FIRST_SNAPPING, type Hint, type SnapSettings } from '../snap/settings.ts';
import type { Pointer } from '../pointer.ts';
import type { Preview } from '../preview.ts';
import type { LastStroke, ToolOptions } from '../options.ts';
import type { Tool, ToolHost } from '../tool.ts';
import { BOX_ART } from '../testing.ts';
import { guideFrom } from './new-guide.ts';

/** A guide on a cart that is turned, mirrored and half as large again: nothing of it lies where its numbers say. */
export const carriedScene = (): Scene => {
  const empty = { ...emptyScene('Test'), art: [BOX_ART] };
  const nodes = [
    { x: 300, y: 200, join: 'corner' as const },
    { x: 400, y: 260, in: [-40, 0] as const, out: [40, 0] as const, join: 'balanced' as const },
    { x: 520, y: 220, join: 'corner' as const },
  ];
  const scene = addGuide(empty, { guide: guideFrom(empty, nodes, false) });
  const resting = newRider({ id: 'cart', name: 'Cart', art: BOX_ART.id, at: [50, 420] });
  const cart: Rider = { ...resting, scale: [-1.5, 1.5], stand: 30 };
  const riding = addRider(scene, { rider: cart });
  return carryGuide(riding, { guide: 'guide', carrier: 'cart', time: 0 });
};

/** What a tool under test has done to its host. */
interface BenchState {
  preview: Preview | null;
  hints: readonly Hint[];
  holds: number;
  runs: readonly (readonly [number, number])[];
  said: readonly string[];
  lastStroke: LastStroke | null;
  time: number;
  snapping: SnapSettings;
  options: ToolOptions;
  clock: number;
  ticks: (() => void)[];
}

const OFF: SnapSettings = {
  ...FIRST_SNAPPING,
  kinds: { nodes: false, ends: false, lines: false, landmarks: false, pivots: false, canvas: false, grid: false },
};

const fresh = (): BenchState => ({
  preview: null,
  hints: [],
  holds: 0,
  runs: [],
  said: [],
  lastStroke: null,
  time: 0,
  snapping: OFF,
  options: { sketchTolerance: 2, countIn: 0, actSpeed: 1, actSmoothing: 0, shape: 'circle', tickReach: 0 },
  clock: 0,
  ticks: [],
});

/** A document, a host with a fake pointer and clock, and what the tool did: for tests without a browser. Nothing snaps unless it is switched on. */
export function toolBench(scene: () => Scene) {
  const state = fresh();
  let doc = new SceneDocument(scene(), (callback) => callback());
  const host: ToolHost = {
    scene: () => doc.state.committed,
    motion: () => prepare(doc.state.committed),
    poses: () => prepare(doc.state.committed).poseAt(state.time),
    selection: () => doc.state.selection,
    time: () => state.time,
    begin: (label) => doc.begin(label),
    glance: () => doc.glance(),
    inRun: (key, work) => doc.inRun(key, work),
    do: (label, change, selection) => doc.do(label, change, selection),
    select: (selection) => doc.select(selection),
    goTo: (time) => (state.time = time ?? state.time),
    hold: () => state.holds++,
    release: () => state.holds--,
    preview: (next) => (state.preview = next),
    snapping: () => state.snapping,
    hint: (hints) => (state.hints = hints),
    offerRide: (rider, guide) => (state.said = [...state.said, `${rider} on ${guide}?`]),
    tell: (message) => (state.said = [...state.said, message]),
    options: () => state.options,
    keepStroke: (made) => (state.lastStroke = made),
    runFrom: (time, speed) => (state.runs = [...state.runs, [time, speed]]),
    endRun: () => undefined,
    now: () => state.clock,
    every: (_, call) => {
      state.ticks.push(call);
      return () => void (state.ticks = state.ticks.filter((one) => one !== call));
    },
  };
  const at = (x: number, y: number, more: Partial<Pointer> = {}): Pointer => ({
    x,
    y,
    zoom: 1,
    shift: false,
    alt: false,
    ctrl: false,
    kind: 'mouse',
    time: state.clock,
    ...more,
  });
  return {
    state,
    at,
    reset: (given: Scene = scene()) => {
      Object.assign(state, fresh());
      doc = new SceneDocument(given, (callback) => callback());
      return { doc, host };
    },
    click: (tool: Pick<Tool, 'down' | 'up'>, p: Pointer): void => {
      tool.down(p);
      tool.up(p);
    },
    drag: (tool: Pick<Tool, 'down' | 'move' | 'up'>, from: Pointer, to: Pointer): void => {
      tool.down(from);
      tool.move({ ...to, x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 });
      tool.move(to);
      tool.up(to);
    },
  };
}
