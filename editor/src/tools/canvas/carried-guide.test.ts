import { beforeEach, describe, expect, test } from 'vitest';
import {
  addGuide,
  addLinked,
  addRider,
  attachRider,
  carryGuide,
  guideById,
  newRider,
  pathOfGuide,
  prepare,
  riderById,
  type Guide,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { NOTHING, selectGuide, selectRider } from '../../document/index.ts';
import { guideFrame, guidesMoved } from '../guide-frame.ts';
import { BOX_ART } from '../testing.ts';
import { pressTwice, adjustTool } from './adjust.ts';
import { flagsOf } from './flags.ts';
import { hitsAt } from './hit.ts';
import { guideFrom } from './new-guide.ts';
import { boundsOf, boxTargetOf, handlesAround } from './selection-box.ts';
import { setDownTool } from './set-down.ts';
import { carriedScene, toolBench } from './testing.ts';

const bench = toolBench(carriedScene);
const { at } = bench;
let { doc, host } = bench.reset();

beforeEach(() => {
  ({ doc, host } = bench.reset());
});

const guide = (): Guide => guideById(doc.state.committed, 'guide')!;
const frame = () => guideFrame(doc.state.committed, host.poses(), guide())!;
/** Where its nodes are on the canvas. */
const places = (): [number, number][] => guide().nodes.map(({ x, y }) => frame().toCanvas([x, y]));

/** Drags with the adjusting tool from one place of the canvas to another. */
function pull(from: readonly [number, number], to: readonly [number, number], held = {}): void {
  const tool = adjustTool(host);
  tool.down(at(...from, held));
  expect(bench.state.holds).toBe(1);
  tool.move(at((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, held));
  tool.move(at(...to, held));
  tool.up(at(...to, held));
  expect(bench.state.holds).toBe(0);
}

const near = ([x, y]: readonly [number, number]): unknown[] => [expect.closeTo(x, 6), expect.closeTo(y, 6)];

describe('a guide that a rider carries', () => {
  test('lies elsewhere than its numbers say, and stays there as it is given to a carrier', () => {
    expect(places()).toEqual(
      (
        [
          [300, 200],
          [400, 260],
          [520, 220],
        ] as const
      ).map(near),
    );
    expect(Math.hypot(guide().nodes[0]!.x - 300, guide().nodes[0]!.y - 200)).toBeGreaterThan(50);
  });

  test('a node goes where the hand goes, the others stay, in one step of undo', () => {
    pull([520, 220], [560, 190]);
    expect(places()).toEqual(
      (
        [
          [300, 200],
          [400, 260],
          [560, 190],
        ] as const
      ).map(near),
    );
    expect(doc.state.past.map(({ label }) => label)).toEqual(['Move node']);
    expect(doc.state.selection).toMatchObject({ guides: ['guide'], nodes: [guide().nodes[2]!.id] });
  });

  test('with Shift at multiples of 15° of the canvas', () => {
    pull([520, 220], [570, 222], { shift: true });
    const [x, y] = places()[2]!;
    expect(y).toBeCloseTo(220, 6);
    expect(x).toBeGreaterThan(565);
  });

  test('a handle goes where the hand goes', () => {
    doc.select(selectGuide('guide', [guide().nodes[1]!.id]));
    const tip = (): [number, number] => {
      const { x, y, out } = guide().nodes[1]!;
      return frame().toCanvas([x + out![0], y + out![1]]);
    };
    expect(tip()).toEqual(near([440, 260]));
    pull([440, 260], [470, 290]);
    expect(tip()).toEqual(near([470, 290]));
    expect(places()[1]).toEqual(near([400, 260]));
  });

  test('its line is bent so that it comes to the hand', () => {
    const path = pathOfGuide(guide());
    const middle = path.frameAtDistance(path.length * 0.2);
    const from = frame().toCanvas([middle.x, middle.y]);
    const to = [from[0] + 20, from[1] - 35] as const;
    pull(from, to);
    const bent = pathOfGuide(guide());
    const gaps = Array.from({ length: 2000 }, (_, i) => {
      const { x, y } = bent.frameAtDistance((i / 2000) * bent.length);
      const [u, v] = frame().toCanvas([x, y]);
      return Math.hypot(u - to[0], v - to[1]);
    });
    expect(Math.min(...gaps)).toBeLessThan(0.5);
    expect(doc.state.past.map(({ label }) => label)).toEqual(['Bend span']);
  });

  test('all of it goes by its grip, with guides that lie on the canvas', () => {
    const other = guideFrom(
      doc.state.committed,
      [
        { x: 10, y: 10 },
        { x: 60, y: 10 },
      ] as never,
      false,
    );
    doc.do('add', (scene) => addGuide(scene, { guide: { ...other, id: 'other' } }));
    doc.select({ ...NOTHING, guides: ['guide', 'other'] });
    const all: [number, number][] = [];
    for (let x = -200; x < 900; x += 4) for (let y = -200; y < 700; y += 4) all.push([x, y]);
    const grip = all.find(
      ([x, y]) => hitsAt(host.scene(), host.selection(), host.poses(), at(x, y))[0]?.kind === 'grip',
    );
    pull(grip!, [grip![0] + 30, grip![1] + 12]);
    expect(places()).toEqual(
      (
        [
          [330, 212],
          [430, 272],
          [550, 232],
        ] as const
      ).map(near),
    );
    expect(guideById(doc.state.committed, 'other')!.nodes.map(({ x, y }) => [x, y])).toEqual([
      near([40, 22]),
      near([90, 22]),
    ]);
  });

  test('a copy whose original is moved with it goes once, not twice', () => {
    const scene = carriedScene();
    const link = { kind: 'copy' as const, of: 'guide', dx: 10, dy: 20 };
    const linked = addLinked(scene, { id: 'copy', name: 'Copy', link, linked: true });
    const before = guideById(linked, 'copy')!.nodes.map(({ x, y }) => [x, y] as const);
    const poses = prepare(linked).poseAt(0);
    const moved = guidesMoved(linked, poses, { ids: ['guide', 'copy'], dx: 30, dy: 0 });
    const [u, v] = guideFrame(linked, poses, guideById(linked, 'guide'))!.wayToGuide([30, 0]);
    expect(guideById(moved, 'copy')!.nodes.map(({ x, y }) => [x, y])).toEqual(
      before.map(([x, y]) => near([x + u, y + v])),
    );
  });

  test('a box takes its nodes where they are seen, and a second press adds one where it is', () => {
    doc.select(selectGuide('guide'));
    const tool = adjustTool(host);
    tool.down(at(380, 300));
    tool.move(at(450, 230));
    tool.move(at(560, 180));
    tool.up(at(560, 180));
    expect(doc.state.selection.nodes).toEqual([guide().nodes[1]!.id, guide().nodes[2]!.id]);
    const path = pathOfGuide(guide());
    const { x, y } = path.frameAtDistance(path.length * 0.3);
    const there = frame().toCanvas([x, y]);
    pressTwice(host, at(...there));
    expect(guide().nodes).toHaveLength(4);
    expect(places().some(([u, v]) => Math.hypot(u - there[0], v - there[1]) < 0.5)).toBe(true);
  });

  describe('in its box', () => {
    const handleAt = (kind: 'turn' | 'scale', sx = 0, sy = 0): [number, number] => {
      const bounds = boundsOf(host.scene(), boxTargetOf(host.scene(), host.selection())!)!;
      const found = handlesAround(bounds, frame().scale).handles.find(
        ({ handle }) => handle.kind === kind && (handle.kind === 'turn' || (handle.sx === sx && handle.sy === sy)),
      )!;
      return frame().toCanvas([found.x, found.y]);
    };
    const [ways, middleOf] = [
      (from: readonly [number, number], to: readonly [number, number]) => Math.atan2(to[1] - from[1], to[0] - from[0]),
      (): [number, number] => {
        const { left, right, top, bottom } = pathOfGuide(guide()).bounds;
        return frame().toCanvas([(left + right) / 2, (top + bottom) / 2]);
      },
    ];

    test('it is scaled by a handle that goes where the hand goes, the opposite corner stays', () => {
      doc.select(selectGuide('guide'));
      const [from, opposite] = [handleAt('scale', 1, 1), () => pathOfGuide(guide()).bounds];
      const before = opposite();
      const to = [from[0] - 30, from[1] + 45] as const;
      pull(from, to);
      expect(handleAt('scale', 1, 1)).toEqual(near(to));
      expect([opposite().left, opposite().top]).toEqual(near([before.left, before.top]));
      doc.undo();
      expect(opposite()).toEqual(before);
    });

    test('it turns with the hand about its middle, though its carrier is mirrored', () => {
      doc.select(selectGuide('guide'));
      const [middle, was, from] = [middleOf(), places(), handleAt('turn')];
      const angle = 0.7;
      const at0 = ways(middle, from);
      const reach = Math.hypot(from[0] - middle[0], from[1] - middle[1]);
      pull(from, [middle[0] + reach * Math.cos(at0 + angle), middle[1] + reach * Math.sin(at0 + angle)]);
      places().forEach((place, i) => {
        const turned = ways(middle, place) - ways(middle, was[i]!);
        expect(Math.cos(turned - angle)).toBeCloseTo(1, 6);
      });
    });

    test('nodes of it are, and guides that lie elsewhere are left alone', () => {
      const [first, second] = guide().nodes;
      doc.select(selectGuide('guide', [first!.id, second!.id]));
      const [third, from] = [places()[2]!, handleAt('scale', 0, 1)];
      pull(from, [from[0] + 20, from[1] + 20]);
      expect(places()[2]).toEqual(near(third));
      expect(Math.hypot(guide().nodes[1]!.y - second!.y, guide().nodes[1]!.x - second!.x)).toBeGreaterThan(3);
      doc.do('more', (scene) =>
        addGuide(scene, {
          guide: guideFrom(
            scene,
            [
              { x: 0, y: 0, join: 'corner' },
              { x: 90, y: 50, join: 'corner' },
            ],
            false,
          ),
        }),
      );
      const other = doc.state.committed.guides.at(-1)!.id;
      const target = boxTargetOf(host.scene(), { ...selectGuide('guide'), guides: ['guide', other] });
      expect(target).toEqual({ carrier: 'cart', kind: 'guides', guides: ['guide'] });
    });
  });

  test('hidden or locked, or with a carrier as small as nothing, it is not taken', () => {
    const hits = () => hitsAt(host.scene(), host.selection(), host.poses(), at(520, 220)).map(({ kind }) => kind);
    expect(hits()).toEqual(['node', 'guide']);
    const change =
      (patch: Partial<Guide>) =>
      (scene: Scene): Scene => ({
        ...scene,
        guides: scene.guides.map((one) => ({ ...one, ...patch })),
      });
    doc.do('lock', change({ locked: true }));
    expect(hits()).toEqual(['guide']);
    doc.do('hide', change({ visible: false }));
    expect(hits()).toEqual([]);
    doc.do('show', change({ visible: true, locked: false }));
    doc.do('shrink', (scene) => ({
      ...scene,
      riders: scene.riders.map((one) => ({ ...one, scale: [1e-9, 1e-9] as const })),
    }));
    expect(hits()).toEqual([]);
  });
});

describe('a rider on a guide that is carried', () => {
  const ridden = (): void => {
    const lying = setRidden(carriedScene());
    ({ doc, host } = bench.reset());
    doc.do('ride', () => lying);
    bench.state.time = 1;
    doc.select(selectRider('r'));
  };
  /** The same scene, with a rider on the guide before the cart took it. */
  const setRidden = (scene: Scene): Scene => {
    const free = carryGuide(scene, { guide: 'guide', carrier: null, time: 0 });
    const rider = newRider({ id: 'r', name: 'R', art: BOX_ART.id, at: [0, 0] });
    const riding = attachRider(addRider(free, { rider }), { rider: 'r', guide: 'guide', seating: 'seat', time: 0 });
    return carryGuide(riding, { guide: 'guide', carrier: 'cart', time: 0 });
  };
  const pivot = (time = 1): [number, number] => {
    const scene = doc.state.committed;
    const poses = prepare(scene).poseAt(time);
    const index = scene.riders.findIndex(({ id }) => id === 'r');
    return [poses.of(index, 'x'), poses.of(index, 'y')];
  };
  const rider = (): Rider => riderById(doc.state.committed, 'r')!;

  beforeEach(ridden);

  test('its marks are taken where they are seen, and follow the hand along the guide', () => {
    const flag = flagsOf(doc.state.committed, host.selection()).at(-1)!;
    const from = frame().toCanvas([flag.x, flag.y]);
    expect(from).toEqual(near([520, 220]));
    pull(from, [420, 250]);
    const at = flagsOf(doc.state.committed, host.selection()).at(-1)!;
    const [x, y] = frame().toCanvas([at.x, at.y]);
    expect(Math.hypot(x - 420, y - 250)).toBeLessThan(12);
    expect(doc.state.past.at(-1)?.label).toBe('Move mark');
  });

  test('drawn along the guide its mark slides with the hand, across it is lifted', () => {
    const [x, y] = pivot();
    const marks = rider().pace.marks.length;
    const path = pathOfGuide(guide());
    const { tangentX, tangentY, normalX, normalY } = path.frameAtDistance(
      prepare(doc.state.committed).rider('r')!.footAt(1),
    );
    const [tx, ty] = frame().wayToCanvas([20 * tangentX, 20 * tangentY]);
    pull([x, y], [x + tx, y + ty]);
    expect(rider().pace.marks).toHaveLength(marks + 1);
    expect(rider().lift).toBe(0);
    expect(Math.hypot(pivot()[0] - x - tx, pivot()[1] - y - ty)).toBeLessThan(3);
    expect(Math.hypot(tx, ty)).toBeCloseTo(30, 6);
    ridden();
    const [nx, ny] = frame().wayToCanvas([normalX, normalY]);
    pull([x, y], [x + nx * 20, y + ny * 20]);
    expect(rider().lift).toBeCloseTo(20, 2);
    expect(rider().pace.marks).toHaveLength(marks);
  });

  test('set down, it is where the hand lets it go; pressing the guide puts it there', () => {
    const tool = setDownTool(host);
    const [x, y] = pivot();
    tool.down(at(x, y));
    tool.move(at(x + 10, y + 10));
    tool.move(at(x + 30, y + 45));
    tool.up(at(x + 30, y + 45));
    expect(doc.state.past.at(-1)?.label).toBe('Set R down');
    expect(pivot()).toEqual([expect.closeTo(x + 30, 1), expect.closeTo(y + 45, 1)]);
    ridden();
    const path = pathOfGuide(guide());
    const there = path.frameAtDistance(path.length * 0.75);
    const [u, v] = frame().toCanvas([there.x, there.y]);
    setDownTool(host).down(at(u, v));
    expect(doc.state.past.at(-1)?.label).toBe('Place at 1.00 s');
    expect(pivot()).toEqual([expect.closeTo(u, 1), expect.closeTo(v, 1)]);
  });

  test('a spacing tick is taken with Alt where it is seen', () => {
    const path = pathOfGuide(guide());
    const { x, y } = path.frameAtDistance(prepare(doc.state.committed).rider('r')!.footAt(2.5));
    const [u, v] = frame().toCanvas([x, y]);
    const hit = hitsAt(host.scene(), host.selection(), host.poses(), at(u, v, { alt: true })).find(
      (one) => one.kind === 'tick',
    );
    expect(hit?.kind === 'tick' && hit.time).toBeCloseTo(2.5, 1);
    const before = prepare(doc.state.committed).rider('r')!.footAt(2.5);
    pull([u, v], [u + 25, v], { alt: true });
    expect(Math.abs(prepare(doc.state.committed).rider('r')!.footAt(2.5) - before)).toBeGreaterThan(5);
  });
});
