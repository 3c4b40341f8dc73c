import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { leadInOf, type Scene } from '../scene/index.ts';
import { LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import { cornerGap, pivotBoxOf, sampleAt } from './sample.ts';
import { valuesOfCurves } from './gap.ts';
import { bake, isConstant, keysOf, measureTake, type Curve, type DrawnArt, type Take } from './index.ts';

const at = (node: string, lap = 0) => ({ by: 'node', node, lap });
const lap = [
  { time: 0, place: at('l1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
  { time: 4, place: at('l1', 1) },
];

/** One that springs in, one that it carries, one that comes later, one that is there. */
const entered = (more: Record<string, unknown> = {}): Scene =>
  sceneOf({
    guides: [LOOPS, { ...LINE, closed: false }],
    riders: [
      riderOn('boat', 'loops', lap, {
        entrance: {
          seconds: 0.8,
          from: [-60, 20],
          turn: 40,
          scale: 0.2,
          ease: { kind: 'spring', overshoot: 20, settle: 0.9 },
        },
      }),
      { ...riderOn('lamp', 'loops', []), guide: null, at: [40, 10], carrier: { rider: 'boat' } },
      riderOn(
        'later',
        'line',
        [
          { time: 0, place: at('a') },
          { time: 4, place: at('c') },
        ],
        {
          entrance: { start: 1, seconds: 0.5, from: [0, 80], ease: { kind: 'family', family: 'bounce', mode: 'out' } },
        },
      ),
      riderOn('there', 'loops', lap),
    ],
    ...more,
  });

/** What stands or comes in the lead-in has curves of every channel. */
const whole = (entering: NonNullable<DrawnArt['entering']>): DrawnArt['curves'] => entering as DrawnArt['curves'];

const artsOf = (take: Take): DrawnArt[] => take.drawing.flatMap((drawn) => (drawn.kind === 'art' ? [drawn] : []));

describe('the lead-in', () => {
  const scene = entered();
  const motion = prepare(scene);
  const take = bake(scene, { leadIn: true, ways: true });

  test('it lasts until the last has entered, and who neither enters nor is carried by one that does has none', () => {
    expect(leadInOf(scene)).toBe(1.5);
    expect([motion.leadIn, take.leadIn]).toEqual([1.5, 1.5]);
    expect(artsOf(take).map(({ entering }) => entering !== null)).toEqual([true, true, true, false]);
    expect(motion.rider('boat')!.entering).toEqual([-1.5, -0.7]);
  });

  test('in it all stand as the loop begins but for what is left of their entrances', () => {
    const start = motion.poseAt(0);
    const before = motion.poseAt(-1.5 - 3);
    const boat = (key: 'x' | 'y' | 'angle' | 'scaleX' | 'opacity'): number => before.of(0, key) - start.of(0, key);
    expect(boat('x')).toBeCloseTo(-60, 9);
    expect(boat('y')).toBeCloseTo(20, 9);
    expect(boat('angle')).toBeCloseTo((40 * Math.PI) / 180, 9);
    expect(before.of(0, 'scaleX')).toBeCloseTo(0.2, 9);
    expect(before.of(0, 'opacity')).toBe(0);
    expect(before.of(1, 'opacity')).toBe(0);
    for (const key of ['x', 'y', 'angle'] as const) expect(before.of(3, key)).toBe(start.of(3, key));
    // The boat has entered; the other one has not begun to.
    const between = motion.poseAt(-0.6);
    expect(between.of(0, 'x')).toBeCloseTo(start.of(0, 'x'), 9);
    expect(between.of(2, 'y')).toBeCloseTo(start.of(2, 'y') + 80, 9);
    // Where nobody enters, what is before the loop is its last round.
    const plain = prepare({ ...scene, riders: scene.riders.map((rider) => ({ ...rider, entrance: null })) });
    expect(plain.poseAt(-1).of(0, 'x')).toBeCloseTo(plain.poseAt(3).of(0, 'x'), 9);
  });

  test('its curves are within the tolerance at scattered times, with few keys', () => {
    let worst = 0;
    for (const drawn of artsOf(take)) {
      if (!drawn.entering) continue;
      const rider = motion.rider(drawn.id)!;
      for (let i = 0; i < 600; i++) {
        const time = ((i * 0.6180339887 + 0.113) % 1) * 1.5;
        if (rider.entering.some((event) => Math.abs(event + 1.5 - time) < 1e-3)) continue;
        const shown = valuesOfCurves(whole(drawn.entering), time);
        worst = Math.max(worst, cornerGap(shown, sampleAt(rider, time - 1.5), pivotBoxOf(drawn.art)));
      }
      expect(isConstant(whole(drawn.entering).skew)).toBe(true);
    }
    expect(worst).toBeGreaterThan(0.001);
    expect(worst).toBeLessThan(0.25);
    expect(keysOf(take) - keysOf(bake(scene, { ways: true }))).toBeLessThan(200);
  });

  test('how far it is from the evaluator is measured in it too, and of what is carried', () => {
    expect(measureTake(scene, take).px).toBeLessThan(0.25);
    const shifted = (curve: Curve): Curve => curve.map((key) => ({ ...key, value: key.value + 3 }));
    const off = {
      ...take,
      drawing: take.drawing.map((drawn) =>
        drawn.kind === 'art' && drawn.id === 'later'
          ? { ...drawn, entering: { ...drawn.entering!, y: shifted(whole(drawn.entering!).y) } }
          : drawn,
      ),
    };
    const found = measureTake(scene, off);
    expect(found.px).toBeGreaterThan(2.7);
    expect(found.rider).toBe('later');
    expect(found.time).toBeLessThan(0);

    const seen = entered({
      guides: [LOOPS, LINE, { ...SQUARE, carrier: 'boat' }],
      riders: [
        riderOn('boat', 'loops', lap, { entrance: { seconds: 0.8, from: [-60, 20] } }),
        { ...riderOn('sheet', 'loops', []), guide: null, inside: { guide: 'square' } },
      ],
    });
    const framed = bake(seen, { leadIn: true });
    expect(measureTake(seen, framed).px).toBeLessThan(0.25);
    const wrong = {
      ...framed,
      drawing: framed.drawing.map((drawn) => {
        if (drawn.kind !== 'art' || !drawn.inside?.frame) return drawn;
        const { frame } = drawn.inside;
        const moved = { ...frame, curves: { ...frame.curves, x: shifted(frame.curves.x) } };
        return { ...drawn, inside: { ...drawn.inside, frame: moved } };
      }),
    };
    expect(measureTake(seen, wrong)).toMatchObject({ rider: 'boat' });
    expect(measureTake(seen, wrong).px).toBeGreaterThan(2.7);
  });

  test('a camera that enters has curves of its own in it, and none where it stands as the loop begins', () => {
    const seen = (entrance: unknown): Take =>
      bake(
        entered({
          camera: 'eye',
          riders: [
            { ...riderOn('eye', 'loops', lap), entrance },
            riderOn('boat', 'loops', lap, { entrance: { seconds: 0.8 } }),
          ],
        }),
        { leadIn: true },
      );
    const { view, leadIn } = seen({ seconds: 1, from: [-60, 20], scale: 2 });
    expect(leadIn).toBe(1);
    const [first, last] = [view!.entering!.x[0]!, view!.entering!.x.at(-1)!];
    expect(first.value).toBeCloseTo(view!.x[0]!.value - 60, 3);
    expect(last.value).toBeCloseTo(view!.x[0]!.value, 3);
    expect(view!.entering!.zoomX[0]!.value).toBeCloseTo(0.5, 4);
    expect(isConstant(view!.entering!.angle)).toBe(true);
    expect(seen(null).view!.entering).toBeNull();
    expect(seen(null).leadIn).toBe(0.8);
  });

  test('it is not played where it was not asked for, nor where something else than time drives the scene', () => {
    expect(bake(scene).leadIn).toBe(0);
    const clicked = bake(entered({ driver: [{ kind: 'click', again: 'back' }] }), { leadIn: true });
    expect(clicked.leadIn).toBe(0);
    expect(artsOf(clicked).every(({ entering }) => entering === null)).toBe(true);
  });
});
