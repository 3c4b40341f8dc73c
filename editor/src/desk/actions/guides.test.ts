import { beforeEach, describe, expect, test, vi } from 'vitest';
import { addGuide, emptyScene, pathOfGuide, prepare, setGuide, type Guide, type Scene } from '@pace-line/core';
import { NOTHING, selectGuide, STARTERS, type SceneDocument } from '../../document/index.ts';
import { carriedScene } from '../../tools/canvas/testing.ts';
import { guideFrame, guideFrom } from '../../tools/index.ts';
import type { Desk } from '../desk.ts';
import { joinToNearest, placeBeside, splitAtNode, straightenBetween } from './guides.ts';
import { addOutlines, pastePathData, placeKept } from './outlines.ts';
import { deskBench } from './testing.ts';
import { flipSelection, scaleSelection, turnSelection } from './transforming.ts';

const said: string[] = [];
vi.mock('../../look/notices.tsx', () => ({ tell: (message: string) => void said.push(message) }));

let doc: SceneDocument;
let desk: Desk;

beforeEach(() => {
  said.length = 0;
  desk = deskBench(emptyScene('Test'));
  ({ doc } = desk);
});

const guides = (): readonly Guide[] => doc.state.committed.guides;
const put = (...points: (readonly [number, number])[]): Guide => {
  doc.do('put', (scene: Scene) =>
    addGuide(scene, {
      guide: guideFrom(
        scene,
        points.map(([x, y]) => ({ x, y, join: 'corner' })),
        false,
      ),
    }),
  );
  return guides().at(-1)!;
};
const placesOf = (guide: Guide): number[][] =>
  guide.nodes.map(({ x, y }) => [Math.round(x * 1e6) / 1e6, Math.round(y * 1e6) / 1e6]);

describe('a guide that a rider carries', () => {
  test('is scaled, turned and flipped as it is seen on the canvas', () => {
    desk = deskBench(carriedScene());
    ({ doc } = desk);
    doc.select(selectGuide('guide'));
    const seen = (): [number, number][] => {
      const scene = doc.state.committed;
      const frame = guideFrame(scene, prepare(scene).poseAt(0), scene.guides[0])!;
      return scene.guides[0]!.nodes.map(({ x, y }) => frame.toCanvas([x, y]));
    };
    const ways = (places: readonly (readonly [number, number])[]): number[] =>
      places.slice(1).flatMap(([x, y]) => [x - places[0]![0], y - places[0]![1]]);
    const before = ways(seen());
    const close = (values: readonly number[]): unknown[] => values.map((value): unknown => expect.closeTo(value, 6));
    scaleSelection(desk, 2);
    expect(ways(seen())).toEqual(close(before.map((value) => 2 * value)));
    doc.undo();
    turnSelection(desk, 90);
    expect(ways(seen())).toEqual(close([-before[1]!, before[0]!, -before[3]!, before[2]!]));
    doc.undo();
    flipSelection(desk, 'across');
    expect(ways(seen())).toEqual(close(before.map((value, i) => (i % 2 === 0 ? -value : value))));
  });
});

describe('a selection as a whole', () => {
  beforeEach(() => {
    const guide = put([100, 100], [300, 100], [300, 200]);
    doc.select(selectGuide(guide.id));
  });
  test('flipped, scaled and turned about its middle, each one step of undo', () => {
    flipSelection(desk, 'across');
    expect(placesOf(guides()[0]!)).toEqual([
      [300, 100],
      [100, 100],
      [100, 200],
    ]);
    doc.undo();
    flipSelection(desk, 'over');
    expect(placesOf(guides()[0]!)).toEqual([
      [100, 200],
      [300, 200],
      [300, 100],
    ]);
    doc.undo();
    scaleSelection(desk, 0.5);
    expect(placesOf(guides()[0]!)).toEqual([
      [150, 125],
      [250, 125],
      [250, 175],
    ]);
    doc.undo();
    turnSelection(desk, 90);
    expect(placesOf(guides()[0]!)).toEqual([
      [250, 50],
      [250, 250],
      [150, 250],
    ]);
    expect(doc.state.past.map(({ label }) => label)).toEqual(['put', 'Turn']);
  });
  test('of several nodes, only those', () => {
    doc.select(
      selectGuide(
        guides()[0]!.id,
        guides()[0]!
          .nodes.slice(1)
          .map(({ id }) => id),
      ),
    );
    flipSelection(desk, 'over');
    expect(placesOf(guides()[0]!)).toEqual([
      [100, 100],
      [300, 200],
      [300, 100],
    ]);
  });
  test('with nothing selected it says what to select; a factor of 0 or less is passed over', () => {
    scaleSelection(desk, 0);
    doc.select(NOTHING);
    turnSelection(desk, 10);
    expect(said).toEqual(['Select a rider, a guide, or several nodes of one, to turn.']);
    expect(doc.state.past).toHaveLength(1);
  });
});

describe('joining, splitting, straightening', () => {
  test('the selected guide joins that whose end lies nearest', () => {
    put([900, 600], [800, 500]);
    const near = put([320, 100], [500, 100]);
    const guide = put([100, 100], [300, 100]);
    doc.select(selectGuide(guide.id));
    joinToNearest(desk);
    expect(guides()).toHaveLength(2);
    expect(guides().some((one) => one.id === near.id)).toBe(false);
    expect(placesOf(guides().find((one) => one.id === guide.id)!)).toEqual([
      [100, 100],
      [300, 100],
      [320, 100],
      [500, 100],
    ]);
  });
  test('nothing to join, or a closed one, is told', () => {
    joinToNearest(desk);
    const guide = put([0, 0], [100, 0], [100, 100]);
    doc.select(selectGuide(guide.id));
    joinToNearest(desk);
    expect(said).toHaveLength(2);
  });
  test('split at a node in the middle, two guides stand', () => {
    const guide = put([0, 0], [100, 0], [100, 100]);
    splitAtNode(desk, guide, guide.nodes[1]!.id);
    expect(guides().map(placesOf)).toEqual([
      [
        [0, 0],
        [100, 0],
      ],
      [
        [100, 0],
        [100, 100],
      ],
    ]);
    expect(new Set(guides().map(({ name }) => name)).size).toBe(2);
  });
  test('straightened between the selected nodes only', () => {
    addOutlines(
      desk,
      [
        {
          closed: false,
          nodes: [
            { x: 0, y: 0, out: [0, 50] },
            { x: 100, y: 0, in: [0, 50], out: [0, 50] },
            { x: 200, y: 0, in: [0, 50] },
          ],
        },
      ],
      'Wave',
      'put',
    );
    const [guide] = guides();
    straightenBetween(
      desk,
      guide!,
      guide!.nodes.slice(0, 2).map(({ id }) => id),
    );
    const { spans } = pathOfGuide(guides()[0]!);
    expect(spans.map((span) => span.length > 100.001)).toEqual([false, true]);
  });
});

describe('guides from elsewhere', () => {
  test('path data becomes a guide for each subpath; what is no path is left to others', () => {
    expect(pastePathData(desk, 'M10 10L50 50M100 100h50v50z')).toBe(true);
    expect(guides().map(({ closed }) => closed)).toEqual([false, true]);
    expect(doc.state.selection.guides).toHaveLength(2);
    expect(pastePathData(desk, 'Hello')).toBe(false);
    expect(pastePathData(desk, 'Monday 3 pm')).toBe(false);
    expect(pastePathData(desk, 'M10 10L')).toBe(true);
    expect(said).toHaveLength(1);
    expect(guides()).toHaveLength(2);
  });
  test('a kept guide is placed with its middle at a point, its shape live', () => {
    placeKept(desk, STARTERS[0]!, [640, 360]);
    placeKept(desk, STARTERS[0]!, [200, 200]);
    expect(guides().map(({ name }) => name)).toEqual(['Round', 'Round 2']);
    expect(guides()[0]!.shape).toMatchObject({ kind: 'circle', x: 640, y: 360 });
    const { left, right } = pathOfGuide(guides()[1]!).bounds;
    expect((left + right) / 2).toBeCloseTo(200, 6);
  });
  test('a parallel beside a guide, linked or not; a refusal is told', () => {
    const guide = put([100, 100], [300, 100]);
    placeBeside(desk, guide, { kind: 'parallel', of: guide.id, distance: 30 }, true);
    placeBeside(desk, guide, { kind: 'parallel', of: guide.id, distance: -30 }, false);
    expect(guides().map(({ link }) => link !== undefined)).toEqual([false, true, false]);
    expect(placesOf(guides()[1]!)).toEqual([
      [100, 70],
      [300, 70],
    ]);
    placeBeside(desk, guides()[1]!, { kind: 'copy', of: guides()[1]!.id, dx: 5, dy: 5 }, true);
    expect(said[0]).toMatch(/follows another/);
  });
  test('names stay apart even where a guide was renamed to what the next would be called', () => {
    const guide = put([0, 0], [10, 0]);
    doc.do('name', (scene) => setGuide(scene, { id: guide.id, patch: { name: 'Round' } }));
    placeKept(desk, STARTERS[0]!, [0, 0]);
    expect(guides()[1]!.name).toBe('Round 2');
  });
});
