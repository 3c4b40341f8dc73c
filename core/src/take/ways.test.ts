import { describe, expect, test } from 'vitest';
import type { PathNode } from '../geometry/index.ts';
import { POSE, prepare } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';
import { colouredStrip, LINE, LOOPS, riderOn, sceneOf, SQUARE, WRITER_SCENES } from '../testing/scenes.ts';
import { bake, keysOf, measureTake, valueOfCurve, type Along, type DrawnArt, type Take } from './index.ts';

const artsOf = (take: Take): DrawnArt[] => take.drawing.flatMap((drawn) => (drawn.kind === 'art' ? [drawn] : []));
const waysOf = (scene: Scene): DrawnArt[] => artsOf(bake(scene, { ways: true }));

interface Place {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

/** A path as a player has it: a line of very many points, with its lengths added up. */
function player(nodes: readonly PathNode[], closed: boolean): (share: number) => Place {
  const points: [number, number][] = [];
  const count = closed ? nodes.length : nodes.length - 1;
  for (let i = 0; i < count; i++) {
    const [a, b] = [nodes[i]!, nodes[(i + 1) % nodes.length]!];
    const [out, before] = [a.out ?? [0, 0], b.in ?? [0, 0]];
    for (let k = i === 0 ? 0 : 1; k <= 4000; k++) {
      const [u, v] = [k / 4000, 1 - k / 4000];
      const of = (p: number, q: number, r: number, e: number): number =>
        v * v * v * p + 3 * v * v * u * q + 3 * v * u * u * r + u * u * u * e;
      points.push([of(a.x, a.x + out[0], b.x + before[0], b.x), of(a.y, a.y + out[1], b.y + before[1], b.y)]);
    }
  }
  const lengths = [0];
  points.slice(1).forEach(([x, y], i) => lengths.push(lengths[i]! + Math.hypot(x - points[i]![0], y - points[i]![1])));
  const whole = lengths[lengths.length - 1]!;
  return (share) => {
    const at = (closed ? share - Math.floor(share) : Math.min(1, Math.max(0, share))) * whole;
    let low = 0;
    for (let high = lengths.length - 2; low < high;) {
      const middle = (low + high + 1) >> 1;
      if (lengths[middle]! <= at) low = middle;
      else high = middle - 1;
    }
    const [[ax, ay], [bx, by]] = [points[low]!, points[low + 1]!];
    const u = (at - lengths[low]!) / (lengths[low + 1]! - lengths[low]!);
    return { x: ax + (bx - ax) * u, y: ay + (by - ay) * u, angle: Math.atan2(by - ay, bx - ax) };
  };
}

/** Where a player of a motion along a path has a point of the art, in the plain words of the format: along · rotate? · translate · rotate · skew · scale · −pivot. */
function cornerAlong(
  { turns, share, rest }: Along,
  place: (share: number) => Place,
  { pivot }: DrawnArt['art'],
  time: number,
  [x, y]: readonly [number, number],
): [number, number] {
  const at = (key: keyof typeof rest): number => valueOfCurve(rest[key], time);
  const u = (x - pivot[0]) * at('scaleX');
  const v = (y - pivot[1]) * at('scaleY');
  const w = u + Math.tan(at('skew')) * v;
  const turned = (a: number, [p, q]: readonly [number, number]): [number, number] => [
    Math.cos(a) * p - Math.sin(a) * q,
    Math.sin(a) * p + Math.cos(a) * q,
  ];
  const [lx, ly] = turned(at('angle'), [w, v]);
  const there = place(valueOfCurve(share, time));
  const [rx, ry] = turned(turns ? there.angle : 0, [lx + at('x'), ly + at('y')]);
  return [there.x + rx, there.y + ry];
}

describe('along a path', () => {
  test.each(Object.entries(WRITER_SCENES))('%s: a player of very fine lines is within the tolerance', (_, scene) => {
    const motion = prepare(scene);
    for (const drawn of waysOf(scene)) {
      if (!drawn.along) continue;
      const rider = motion.rider(drawn.id)!;
      const place = player(drawn.along.nodes, drawn.along.closed);
      const events = rider.events(0, motion.length);
      for (let i = 0; i < 1500; i++) {
        const time = ((i * 0.6180339887 + 0.31) % 1) * motion.length;
        if (events.some((event) => Math.abs(event - time) < 1e-3)) continue;
        const m = rider.poseAt(time);
        // What repeats another is played by that one’s curves, ahead.
        const played = (time + (drawn.echo?.ahead ?? 0)) % motion.length;
        for (const [x, y] of [
          [0, 0],
          [60, 0],
          [0, 40],
          [60, 40],
        ] as const) {
          const shown = cornerAlong(drawn.along, place, drawn.art, played, [x, y]);
          const meant = [
            m[POSE.a]! * x + m[POSE.c]! * y + m[POSE.e]!,
            m[POSE.b]! * x + m[POSE.d]! * y + m[POSE.f]!,
          ] as const;
          expect(Math.hypot(shown[0] - meant[0], shown[1] - meant[1]), `at ${time}`).toBeLessThan(0.25);
        }
      }
    }
  });

  test('is taken where it is shorter, turned with the path where that is near enough, beside it as well', () => {
    const byName = new Map(
      Object.values(WRITER_SCENES).flatMap((scene) => waysOf(scene).map((drawn) => [drawn.id, drawn] as const)),
    );
    expect(byName.get('follower-0')!.along).toMatchObject({ turns: false, closed: true });
    expect(byName.get('other')!.along).toMatchObject({ turns: true });
    expect(byName.get('other')!.along!.rest.angle).toHaveLength(1);
    // Beside the guide, in its own directions: 25 px to its left.
    expect(byName.get('other')!.along!.rest.y[0]!.value).toBeCloseTo(-25, 3);
    // What stands, what is carried and what is on frames only is not on a path of its own.
    for (const id of ['watcher', 'lamp', 'moth', 'rod']) expect(byName.get(id)!.along).toBeNull();
    // On a straight line two keys are shorter than a path.
    const straight = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('straight', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'c' } },
        ]),
      ],
    });
    expect(waysOf(straight)[0]!.along).toBeNull();
  });

  test('what rests at a corner is turned by a curve of its own, as a player has one tangent or the other there', () => {
    const resting = (along: number): Scene =>
      sceneOf({
        guides: [SQUARE],
        riders: [
          riderOn(
            'walker',
            'square',
            ['q1', 'q2', 'q3', 'q4', 'q1'].map((node, i) => ({
              time: i,
              dwell: i < 4 ? 0.3 : 0,
              place: { by: 'node', node, along, lap: i === 4 ? 1 : 0 },
              ease: {
                kind: 'points',
                points: [
                  [0, 0],
                  [0.2, 0.1],
                  [0.3, 0.4],
                  [0.5, 0.45],
                  [0.7, 0.9],
                  [1, 1],
                ],
              },
            })),
            { scale: [0.2, 0.2] },
          ),
        ],
      });
    // Between corners, which it only passes, it is turned by the path.
    expect(waysOf(resting(0.5))[0]!.along?.turns).toBe(true);
    expect(waysOf(resting(0))[0]!.along?.turns).toBe(false);
  });

  test('what is far beside its path is not turned by it: a tangent that is a little off moves it by much', () => {
    const beside = (lift: number): Scene => ({
      ...WRITER_SCENES['following']!,
      riders: WRITER_SCENES['following']!.riders.filter(({ id }) => id === 'other').map((rider) => ({
        ...rider,
        lift,
      })),
    });
    expect(waysOf(beside(10))[0]!.along?.turns).toBe(true);
    expect(waysOf(beside(160))[0]!.along).toBeNull();
  });

  test('one take measures what it is played by', () => {
    const scene = WRITER_SCENES['following']!;
    const take = bake(scene, { ways: true });
    expect(measureTake(scene, take).px).toBeLessThan(0.25);
    const wrong: Take = {
      ...take,
      drawing: take.drawing.map((drawn) =>
        drawn.kind === 'art' && drawn.along
          ? {
              ...drawn,
              along: { ...drawn.along, share: drawn.along.share.map((key) => ({ ...key, value: key.value + 0.01 })) },
            }
          : drawn,
      ),
    };
    expect(measureTake(scene, wrong).px).toBeGreaterThan(5);
  });

  test('a finer tolerance than players keep is met by curves', () => {
    const scene = WRITER_SCENES['eased']!;
    expect(artsOf(bake(scene, { ways: true, tolerance: 0.02 }))[0]!.along).toBeNull();
  });

  test('nobody gets it who did not ask', () => {
    for (const scene of Object.values(WRITER_SCENES))
      for (const { along, echo, mirrored } of artsOf(bake(scene)))
        expect({ along, echo, mirrored }).toEqual({ along: null, echo: null, mirrored: false });
  });
});

describe('repeating another', () => {
  const scene = WRITER_SCENES['following']!;

  test('riders of one pace are ahead of the first by their delays, and cost no keys', () => {
    const [first, second, third, other] = waysOf(scene);
    expect(first!.echo).toBeNull();
    // Late by 0.7 s is ahead by 3.3 of a loop of 4.
    expect(second!.echo).toMatchObject({ of: 'follower-0', ahead: expect.closeTo(3.3, 9) as number });
    expect(third!.echo).toMatchObject({ of: 'follower-0', ahead: expect.closeTo(2.2, 9) as number });
    expect(other!.echo).toBeNull();
    const one = { ...scene, riders: scene.riders.filter(({ id }) => id === 'follower-0' || id === 'other') };
    expect(keysOf(bake(scene, { ways: true }))).toBe(keysOf(bake(one, { ways: true })));
    expect(keysOf(bake(scene))).toBeGreaterThan(keysOf(bake(one)));
  });

  const changed = (change: (rider: Scene['riders'][number]) => Partial<Scene['riders'][number]>): Scene => ({
    ...scene,
    riders: scene.riders.map((rider) => (rider.id === 'follower-1' ? { ...rider, ...change(rider) } : rider)),
  });

  test.each<[string, Scene]>([
    ['another size', changed(() => ({ scale: [0.61, 0.6] }))],
    ['another opacity', changed(() => ({ opacity: 0.9 }))],
    ['a lift', changed(() => ({ lift: 1 }))],
    [
      'another pace',
      changed(({ pace }) => ({
        pace: { ...pace, marks: pace.marks.map((mark, i) => (i === 1 ? { ...mark, time: 1.6 } : mark)) },
      })),
    ],
    [
      'larger art',
      { ...changed(() => ({ art: 'large' })), art: [...scene.art, { ...scene.art[0]!, id: 'large', width: 90 }] },
    ],
  ])('but not with %s', (_, other) => {
    expect(waysOf(other)[1]!.echo).toBeNull();
    expect(waysOf(other)[2]!.echo).not.toBeNull();
  });

  test('nor where it matters when the loop is begun or ended', () => {
    for (const more of [
      { clock: { ...scene.clock, repeat: 'once' as const } },
      { clock: { ...scene.clock, times: 3 } },
      { driver: [{ kind: 'click', again: 'back' }] as Scene['driver'] },
    ])
      for (const { echo } of waysOf({ ...scene, ...more })) expect(echo).toBeNull();
  });
});

test('poses that change are repeated where the pictures are the same', () => {
  const strip = (id: string) => colouredStrip(id, ['#aa0011', '#aa0012', '#aa0013']);
  const walking = (art: string, delay: number, id: string) =>
    riderOn(
      id,
      'loops',
      [
        { time: 0, place: { by: 'node', node: 'l1' } },
        { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
      ],
      { art, pace: { delay }, poses: { by: 'distance', stride: 170 } },
    );
  const scene = sceneOf({
    guides: [LOOPS],
    art: [strip('grey'), strip('red')],
    riders: [walking('grey', 0, 'a'), walking('grey', 1, 'b'), walking('red', 1, 'c')],
  });
  expect(waysOf(scene).map(({ echo }) => echo?.of ?? null)).toEqual([null, 'a', null]);
});

describe('there and back', () => {
  test('has the keys of one way', () => {
    const scene = WRITER_SCENES['there-and-back']!;
    expect(waysOf(scene)[0]!.mirrored).toBe(true);
    const both = bake(scene, { ways: true });
    const one = { ...both, drawing: artsOf(both).map((drawn) => ({ ...drawn, mirrored: false })) };
    expect(keysOf(both)).toBe(Math.ceil(keysOf(one) / 2));
  });

  test('not what faces the other way on its way back', () => {
    expect(waysOf(WRITER_SCENES['turning']!)[0]!.mirrored).toBe(false);
  });
});
