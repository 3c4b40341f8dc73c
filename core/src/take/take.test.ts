import { describe, expect, test } from 'vitest';
import { POSE, prepare } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';
import { countedRandom } from '../testing/random.ts';
import { BOX_ART, LINE, LOOPS, riderOn, sceneOf, WRITER_SCENES } from '../testing/scenes.ts';
import {
  bake,
  easedShare,
  isConstant,
  measureTake,
  valueOfCurve,
  type Curve,
  type DrawnArt,
  type Take,
} from './index.ts';
import { reducedCurve, reducedPlace, type Point } from './reduce.ts';

const arts = (take: Take): DrawnArt[] => take.drawing.flatMap((drawn) => (drawn.kind === 'art' ? [drawn] : []));
const keysOf = (take: Take): number =>
  arts(take).reduce((sum, { curves }) => sum + Object.values(curves).reduce((n, curve) => n + curve.length, 0), 0);

/** A corner of the box where the curves put it, in the plain words of the format: translate · rotate · skew · scale · −pivot. */
function cornerByCurves({ curves, art }: DrawnArt, time: number, [x, y]: readonly [number, number]): [number, number] {
  const at = (curve: Curve): number => valueOfCurve(curve, time);
  const u = (x - art.pivot[0]) * at(curves.scaleX);
  const v = (y - art.pivot[1]) * at(curves.scaleY);
  const w = u + Math.tan(at(curves.skew)) * v;
  const [cos, sin] = [Math.cos(at(curves.angle)), Math.sin(at(curves.angle))];
  return [at(curves.x) + cos * w - sin * v, at(curves.y) + sin * w + cos * v];
}

const CORNERS = [
  [0, 0],
  [60, 0],
  [0, 40],
  [60, 40],
] as const;

/** The largest distance of the box's corners from where the evaluator's matrix puts them, at scattered times and just beside every event. */
function worstGap(scene: Scene, take: Take): number {
  const motion = prepare(scene);
  let worst = 0;
  for (const drawn of arts(take)) {
    const rider = motion.rider(drawn.id)!;
    const events = rider.events(0, take.length);
    const beside = events.flatMap((time) => [time - 2e-4, time + 2e-4]);
    const scattered = Array.from({ length: 3000 }, (_, i) => ((i * 0.6180339887 + 0.31) % 1) * take.length);
    for (const time of [...beside, ...scattered]) {
      if (time < 0 || time > take.length || events.some((event) => Math.abs(event - time) < 1e-4)) continue;
      const m = rider.poseAt(time);
      for (const corner of CORNERS) {
        // What repeats another is played by that one’s curves, ahead.
        const [x, y] = cornerByCurves(drawn, (time + (drawn.echo?.ahead ?? 0)) % take.length, corner);
        const ex = m[POSE.a]! * corner[0] + m[POSE.c]! * corner[1] + m[POSE.e]!;
        const ey = m[POSE.b]! * corner[0] + m[POSE.d]! * corner[1] + m[POSE.f]!;
        worst = Math.max(worst, Math.hypot(x - ex, y - ey));
      }
    }
  }
  return worst;
}

describe('baked curves against the evaluator', () => {
  test.each(Object.entries(WRITER_SCENES))('%s stays within a quarter of a pixel, at times of no frame', (_, scene) => {
    const take = bake(scene);
    expect(worstGap(scene, take)).toBeLessThan(0.25);
    for (const { curves } of arts(take))
      for (const curve of Object.values(curves)) {
        expect(curve[0]!.time).toBe(0);
        if (!isConstant(curve)) expect(curve.at(-1)!.time).toBeCloseTo(take.length, 9);
        curve.forEach((key, i) => expect(key.time).toBeGreaterThanOrEqual(curve[i - 1]?.time ?? 0));
      }
  });
  test.each([0.02, 0.5, 2])('a tolerance of %f px is kept too', (tolerance) =>
    expect(worstGap(WRITER_SCENES['lifted']!, bake(WRITER_SCENES['lifted']!, { tolerance }))).toBeLessThan(tolerance),
  );
  test('delivered twice as large, it is held twice as closely', () =>
    expect(worstGap(WRITER_SCENES['eased']!, bake(WRITER_SCENES['eased']!, { scale: 2 }))).toBeLessThan(0.125));
  test('a tighter tolerance needs more keys, straight legs need more than cubic ones', () => {
    const scene = WRITER_SCENES['eased']!;
    const count = (tolerance: number): number => keysOf(bake(scene, { tolerance }));
    expect(count(0.05)).toBeGreaterThan(count(0.25));
    expect(count(0.25)).toBeGreaterThan(count(2));
    expect(keysOf(bake(scene, { cubic: false }))).toBeGreaterThan(2 * count(0.25));
  });
  test('what stands still costs one key a channel, what is not sent nothing; a steady straight ride has two in x alone', () => {
    const straight = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'c' } },
        ]),
        { id: 'p', name: 'P', art: 'box', guide: null },
        riderOn('rests', 'line', [{ time: 0, place: { by: 'node', node: 'b' } }]),
        { id: 'off', name: 'Off', art: 'box', guide: null, output: false },
      ],
    });
    const lengths = arts(bake(straight)).map(({ id, curves }) => [
      id,
      ...Object.values(curves).map((curve) => curve.length),
    ]);
    expect(lengths).toEqual([
      ['r', 2, 1, 1, 1, 1, 1, 1],
      ['p', 1, 1, 1, 1, 1, 1, 1],
      ['rests', 1, 1, 1, 1, 1, 1, 1],
    ]);
  });
  test('a jump is two keys at one time', () => {
    const scene = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 2, place: { by: 'node', node: 'b' } },
          { time: 2, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'b' } },
        ]),
      ],
    });
    const x = arts(bake(scene))[0]!.curves.x;
    expect(x.filter((key) => key.time === 2).map((key) => key.value)).toEqual([300, 100]);
  });
  test('it holds its art and is in display order: a stroke lies before the first rider of its guide', () => {
    const stroke = { color: '#123456', width: 3, draws: 'r' };
    const scene = sceneOf({
      guides: [
        { ...LINE, stroke },
        { ...LOOPS, stroke: { ...stroke, draws: null } },
      ],
      riders: [
        { id: 'scenery', name: 'S', art: 'box', guide: null },
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'c' } },
        ]),
      ],
    });
    const take = bake(scene);
    expect(take.drawing.map((drawn) => drawn.id)).toEqual(['scenery', 'line', 'loops', 'r']);
    expect(arts(take)[1]!.art).toMatchObject({ markup: BOX_ART.markup });
    const line = take.drawing[1]!;
    expect(line.kind === 'stroke' && line.share!.map(({ time, value }) => [time, value])).toEqual([
      [0, 0],
      [4, 1],
    ]);
    expect(take.drawing[2]).toMatchObject({ kind: 'stroke', share: null });
  });
});

describe('measuring a take', () => {
  test('finds what is put wrong, and who', () => {
    const scene = WRITER_SCENES['eased']!;
    const take = bake(scene);
    expect(measureTake(scene, take).px).toBeLessThan(0.25);
    const [drawn] = arts(take);
    const moved = drawn!.curves.x.map((key) => ({ ...key, value: key.value + 3 }));
    const off = { ...take, drawing: [{ ...drawn!, curves: { ...drawn!.curves, x: moved } }] };
    expect(measureTake(scene, off).px).toBeGreaterThan(2.7);
    expect(measureTake(scene, off).rider).toBe('eased');
  });
});

describe('curves', () => {
  test('an eased leg is the cubic-bezier() whose time handles stand at thirds', () => {
    // With x1 = 1/3 and x2 = 2/3 the curve's parameter is its time: y is the plain Bernstein form.
    const [y1, y2] = [-0.4, 1.7];
    for (const u of [0, 0.1, 0.37, 0.5, 0.92, 1])
      expect(easedShare([y1, y2], u)).toBeCloseTo(3 * u * (1 - u) ** 2 * y1 + 3 * u ** 2 * (1 - u) * y2 + u ** 3, 14);
  });
  test('of two keys at one time the later holds from there on', () => {
    const curve: Curve = [
      { time: 0, value: 0 },
      { time: 1, value: 10 },
      { time: 1, value: -10 },
      { time: 2, value: 0 },
    ];
    expect([0, 0.5, 1, 1.5, 3].map((time) => valueOfCurve(curve, time))).toEqual([0, 5, -10, -5, 0]);
  });
  test('a cubic in time is one leg; a curve through noise stays within the tolerance of every point', () => {
    const cubic = Array.from({ length: 101 }, (_, i): Point => {
      const u = i / 100;
      return { time: u, value: 100 * (u ** 3 - 0.4 * u ** 2 + 0.2 * u) };
    });
    const options = { tolerance: 0.02, grid: 0.001, cubic: true };
    expect(reducedCurve([cubic], options)).toHaveLength(2);
    const random = countedRandom(7);
    const noisy = cubic.map(({ time, value }) => ({ time, value: value + random() * 4 }));
    const kept = reducedCurve([noisy], { ...options, tolerance: 0.5 });
    for (const { time, value } of noisy.slice(0, -1))
      expect(Math.abs(valueOfCurve(kept, time) - value)).toBeLessThanOrEqual(0.5 + 1e-9);
  });
});

describe('places with keys that one animation can hold', () => {
  test('of a circle at an even speed, as many straight legs as its sagitta asks for', () => {
    const [radius, tolerance] = [200, 0.25];
    const circle = Array.from({ length: 4001 }, (_, i) => {
      const angle = (2 * Math.PI * i) / 4000;
      return { time: i / 4000, x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
    });
    const { x, y } = reducedPlace([circle], { tolerance, grid: 0.01 });
    // A chord of angle 2a is off by r · (1 − cos a).
    const legs = Math.PI / Math.acos(1 - tolerance / radius);
    expect(x.length - 1).toBeGreaterThanOrEqual(Math.floor(legs));
    expect(x.length - 1).toBeLessThanOrEqual(legs * 1.1 + 1);
    expect(x.map(({ time }) => time)).toEqual(y.map(({ time }) => time));
    for (const { time, x: wantedX, y: wantedY } of circle)
      expect(Math.hypot(valueOfCurve(x, time) - wantedX, valueOfCurve(y, time) - wantedY)).toBeLessThan(
        tolerance + 0.01,
      );
  });
  test('what stops on a straight way has a key there; what jumps has two at one time', () => {
    const way = (from: number, to: number, x: (t: number) => number) =>
      Array.from({ length: 101 }, (_, i) => {
        const time = from + ((to - from) * i) / 100;
        return { time, x: x(time), y: 2 * x(time) };
      });
    const pieces = [way(0, 1, (t) => 10 * Math.min(t, 0.5)), way(1, 2, () => 90)];
    const { x, y } = reducedPlace(pieces, { tolerance: 0.1, grid: 0.01 });
    expect(x).toHaveLength(5);
    expect(x[0]).toEqual({ time: 0, value: 0 });
    expect(x[1]!.time).toBeCloseTo(0.5, 1);
    expect(x.slice(2)).toEqual([
      { time: 1, value: 5 },
      { time: 1, value: 90 },
      { time: 2, value: 90 },
    ]);
    expect(y[3]).toEqual({ time: 1, value: 180 });
  });
  test.each(Object.entries(WRITER_SCENES))(
    '%s keeps the tolerance, with the same keys for both channels',
    (_, scene) => {
      const take = bake(scene, { joint: true, ways: true });
      expect(worstGap(scene, take)).toBeLessThan(0.25);
      for (const { joint, along, curves } of arts(take)) {
        if (!joint) continue;
        expect(along).toBeNull();
        expect(curves.x.map(({ time }) => time)).toEqual(curves.y.map(({ time }) => time));
        expect([...curves.x, ...curves.y].every(({ ease }) => ease === undefined)).toBe(true);
      }
      expect(arts(take).some(({ joint }) => joint)).toBe(true);
    },
  );
});
