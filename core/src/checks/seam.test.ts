import { describe, expect, it } from 'vitest';
import type { Scene } from '../scene/index.ts';
import { LINE, riderOn, SQUARE, sceneOf } from '../testing/scenes.ts';
import { findingsBy } from './findings.ts';
import { seam as seamCheck } from './seam-check.ts';
import {
  checkClosing,
  checkJumps,
  checkSeam,
  closingWords,
  jumpWords,
  mendsOfSeam,
  seamHolds,
  seamWords,
} from './index.ts';

const mark = (id: string, time: number, place: object, ease: object = { kind: 'steady' }, dwell = 0): object => ({
  id,
  time,
  dwell,
  place,
  ease,
});
const node = (name: string, lap = 0): object => ({ by: 'node', node: name, lap });

function riding(guide: object, marks: object[], rest: { pace?: object; rider?: object; clock?: object } = {}): Scene {
  return sceneOf({
    guides: [guide],
    ...(rest.clock ? { clock: { duration: 4, fps: 30, repeat: 'loop', ...rest.clock } } : {}),
    riders: [
      {
        id: 'r',
        name: 'Rider',
        art: 'box',
        guide: (guide as { id: string }).id,
        heading: { mode: 'level', offset: 0 },
        pace: { marks, ...rest.pace },
        ...rest.rider,
      },
    ],
  });
}

const seam = (scene: Scene): ReturnType<typeof checkSeam>[number] => checkSeam(scene)[0]!;
const SINE_IN_OUT = { kind: 'family', family: 'sine', mode: 'in-out' };

describe('the seam in closed form', () => {
  it('an open guide ridden from end to end jumps by its length', () => {
    const found = seam(riding(LINE, [mark('m1', 0, node('a')), mark('m2', 4, node('c'))]));
    expect(found.gap).toBeCloseTo(400, 9);
    expect(found.closes).toBe(false);
    expect([found.speedBefore, found.speedAfter]).toEqual([expect.closeTo(100, 6), expect.closeTo(100, 6)]);
  });

  it('one steady lap of a closed guide closes and is smooth: length over time on both sides', () => {
    const found = seam(riding(SQUARE, [mark('m1', 0, node('q1')), mark('m2', 4, node('q1', 1))]));
    expect(found).toMatchObject({ closes: true, smooth: true, hidden: false });
    expect(found.gap).toBeLessThan(1e-9);
    expect([found.speedBefore, found.speedAfter]).toEqual([expect.closeTo(100, 6), expect.closeTo(100, 6)]);
  });

  it('a lap eased in quadratically starts at rest and ends at twice the mean speed', () => {
    const ease = { kind: 'family', family: 'quad', mode: 'in' };
    const found = seam(riding(SQUARE, [mark('m1', 0, node('q1'), ease), mark('m2', 4, node('q1', 1))]));
    expect(found).toMatchObject({ closes: true, smooth: false });
    expect(found.speedBefore).toBeCloseTo(200, 3);
    expect(found.speedAfter).toBeCloseTo(0, 3);
  });

  it('along the guide, a corner at the seam turns by the corner', () => {
    const along = { rider: { heading: { mode: 'along', offset: 0 } } };
    const found = seam(riding(SQUARE, [mark('m1', 0, node('q1')), mark('m2', 4, node('q1', 1))], along));
    expect(found.turn).toBeCloseTo(Math.PI / 2, 9);
    expect(found.closes).toBe(false);
  });

  it('there and back meets itself with the same speed the other way', () => {
    const back = { pace: { repeat: 'there-and-back', cycle: 2 } };
    const found = seam(riding(LINE, [mark('m1', 0, node('a')), mark('m2', 2, node('c'))], back));
    expect(found).toMatchObject({ closes: true, smooth: true });
    expect(Math.abs(found.speedBefore)).toBeCloseTo(200, 6);
  });

  it('off the canvas nothing is seen; a scene that plays once has no seam', () => {
    const away = { ...LINE, nodes: LINE.nodes.map((one) => ({ ...one, y: -900 })) };
    const marks = [mark('m1', 0, node('a')), mark('m2', 4, node('c'))];
    expect(seam(riding(away, marks))).toMatchObject({ hidden: true, closes: true, smooth: true });
    expect(checkSeam(riding(LINE, marks, { clock: { repeat: 'once' } }))).toEqual([]);
  });
});

describe('jumps within the loop', () => {
  const steady = [mark('m1', 0, node('a')), mark('m2', 4, node('c'))];

  it('a start delay on an open guide brings the end of the cycle into the loop', () => {
    const [found, ...more] = checkJumps(riding(LINE, steady, { pace: { delay: 1 } }));
    expect(more).toEqual([]);
    expect(found).toMatchObject({ rider: 'r', times: [1], at: 1 });
    expect(found!.gap).toBeCloseTo(400, 3);
    // The seam itself is passed in mid-way, and says nothing.
    expect(seam(riding(LINE, steady, { pace: { delay: 1 } }))).toMatchObject({ closes: true });
  });

  it('two marks at one time leap by the way between them', () => {
    const marks = [
      mark('m1', 0, node('a')),
      mark('m2', 2, node('a')),
      mark('m3', 2, node('c')),
      mark('m4', 4, node('a')),
    ];
    const [found] = checkJumps(riding(LINE, marks));
    expect(found).toMatchObject({ times: [2], at: 2 });
    expect(found!.gap).toBeCloseTo(400, 3);
  });

  it('with lift a corner is a leap over its chord; on the guide itself it is none', () => {
    const lap = [mark('m1', 0, node('q1')), mark('m2', 4, node('q1', 1))];
    expect(checkJumps(riding(SQUARE, lap))).toEqual([]);
    const [found] = checkJumps(riding(SQUARE, lap, { rider: { lift: 10 } }));
    expect(found!.times).toHaveLength(3);
    found!.times.forEach((time, i) => expect(time).toBeCloseTo(i + 1, 6));
    expect(found!.gap).toBeCloseTo(10 * Math.SQRT2, 3);
  });

  it('there and back, a whole lap with a delay, and what is out of sight do not leap', () => {
    const way = [mark('m1', 0, node('a')), mark('m2', 2, node('c'))];
    expect(checkJumps(riding(LINE, way, { pace: { repeat: 'there-and-back', cycle: 2, delay: 0.7 } }))).toEqual([]);
    const lap = [mark('m1', 0, node('q1')), mark('m2', 4, node('q1', 1))];
    expect(checkJumps(riding(SQUARE, lap, { pace: { delay: 1.3 } }))).toEqual([]);
    const away = { ...LINE, nodes: LINE.nodes.map((one) => ({ ...one, y: -900 })) };
    expect(checkJumps(riding(away, steady, { pace: { delay: 1 } }))).toEqual([]);
  });
});

it('a jump that cannot be seen is none: off the canvas, or transparent on both sides', () => {
  const fading = (end: number): Scene => {
    const opacity = [
      { id: 'k1', time: 0, value: 0 },
      { id: 'k2', time: 2, value: 1 },
      { id: 'k3', time: 4, value: end },
    ];
    return riding(SQUARE, [mark('m1', 0, node('q1')), mark('m2', 4, node('q3'))], { rider: { keys: { opacity } } });
  };
  expect(seam(fading(0))).toMatchObject({ hidden: true, closes: true, smooth: true });
  expect(seam(fading(0.4))).toMatchObject({ hidden: false, closes: false });
});

describe('what mends a seam', () => {
  const kinds = (scene: Scene): string[] => mendsOfSeam(scene, 'r').map((one) => one.kind);
  const mended = (scene: Scene, kind: string): Scene =>
    mendsOfSeam(scene, 'r')
      .find((one) => one.kind === kind)!
      .apply(scene);

  it('is asked for nothing where all is well', () => {
    expect(kinds(riding(SQUARE, [mark('m1', 0, node('q1')), mark('m2', 4, node('q1', 1))]))).toEqual([]);
  });

  it('on a closed guide: a whole lap, forwards or backwards', () => {
    const short = riding(SQUARE, [mark('m1', 0, node('q1')), mark('m2', 4, node('q4'))]);
    expect(kinds(short)).toEqual(['whole-laps', 'there-and-back']);
    const found = seam(mended(short, 'whole-laps'));
    expect(found).toMatchObject({ closes: true, smooth: true });
    expect(found.speedAfter).toBeCloseTo(100, 6);
    const backwards = riding(SQUARE, [mark('m1', 0, node('q1', 1)), mark('m2', 4, node('q2'))]);
    expect(seam(mended(backwards, 'whole-laps')).speedAfter).toBeCloseTo(-100, 6);
  });

  it('on an open guide: there and back, which fills the loop', () => {
    const open = riding(LINE, [mark('m1', 0, node('a'), SINE_IN_OUT), mark('m2', 4, node('c'))]);
    expect(kinds(open)).toEqual(['there-and-back']);
    const done = mended(open, 'there-and-back');
    expect(seam(done)).toMatchObject({ closes: true, smooth: true });
    expect(done.riders[0]?.pace).toMatchObject({ cycle: 2, repeat: 'there-and-back' });
  });

  it('with a cycle that does not go into the loop: one that does', () => {
    const odd = riding(SQUARE, [mark('m1', 0, node('q1')), mark('m2', 1.5, node('q1', 1))], { pace: { cycle: 1.5 } });
    expect(seam(odd).closes).toBe(false);
    expect(mended(odd, 'fit-cycle').riders[0]?.pace.cycle).toBeCloseTo(4 / 3, 12);
  });

  it('with a step in speed: one speed on both sides, or rest at the seam', () => {
    const ease = { kind: 'family', family: 'quad', mode: 'in' };
    const stepped = riding(SQUARE, [mark('m1', 0, node('q1'), ease), mark('m2', 4, node('q1', 1))]);
    expect(kinds(stepped)).toEqual(['match-speeds', 'rest-at-seam']);
    expect(seam(mended(stepped, 'rest-at-seam'))).toMatchObject({ closes: true, smooth: true });
  });
});

describe('what was found, in words', () => {
  const found = seam(riding(LINE, [mark('m1', 0, node('a')), mark('m2', 4, node('c'))]));
  it('says of a seam what is worst, and whether it holds', () => {
    expect([seamWords(found), seamHolds(found)]).toEqual(['jumps 400.0 px', false]);
    const closed = {
      ...found,
      gap: 0,
      turn: 0,
      fade: 0,
      growth: 0,
      skipped: 0,
      speedBefore: 0,
      speedAfter: 0,
      closes: true,
    };
    expect([seamWords({ ...closed, smooth: true }), seamHolds({ ...closed, smooth: true })]).toEqual(['0.00 px', true]);
    const said = (change: Partial<typeof found>): string =>
      seamWords({ ...closed, smooth: true, closes: false, ...change });
    expect(said({ turn: Math.PI / 6 })).toBe('rotation jumps 30.0°');
    expect(said({ skipped: 1 })).toBe('skips 1 pose');
    expect(said({ skipped: 3, fade: 0.015 })).toBe('skips 3 poses');
    expect(said({ fade: 0.5, growth: 0.2 })).toBe('opacity jumps 50 %');
    expect(said({ fade: 0.1, growth: 0.2 })).toBe('size jumps 20 %');
    expect(said({ hidden: true })).toBe('out of sight');
    expect(said({ closes: true, smooth: false, speedBefore: 40, speedAfter: 80.4 })).toBe('40 → 80 px/s');
    expect(said({ closes: true, turnSpeed: 48 })).toBe('turns at 48 px/s');
  });
  it('says of leaps how far the widest is, and of all when it closes', () => {
    expect(jumpWords({ rider: 'r', times: [1, 2], gap: 12.34, at: 2 })).toBe('12 px at 2.00 s, 2 times');
    expect(jumpWords({ rider: 'r', times: [1], gap: 2.34, at: 1 })).toBe('2.3 px at 1.00 s');
    expect(closingWords({ loops: undefined, length: undefined, open: [] })).toBe('never');
    const marks = [mark('m1', 0, { by: 'share', value: 0 }), mark('m2', 3, { by: 'share', value: 1 })];
    expect(closingWords(checkClosing(riding(SQUARE, marks, { pace: { cycle: 3 } }))!)).toBe('after 3 loops, 12.00 s');
    // Three seconds go into four once, if they are four.
    expect(checkClosing(riding(SQUARE, marks, { pace: { cycle: 3 } }))!.open).toEqual([
      { rider: 'r', cycle: 3, fits: 4, rounds: 1 },
    ]);
  });
});

describe('what a page drives', () => {
  const across = [
    { time: 0, place: { by: 'node', node: 'a' } },
    { time: 4, place: { by: 'node', node: 'c' } },
  ];
  const driven = (driver: readonly object[]): Scene =>
    sceneOf({ guides: [LINE], riders: [riderOn('r', 'line', across)], driver });

  it('has a seam where it comes from its end to its start', () => {
    for (const driver of [
      [{ kind: 'time' }],
      [{ kind: 'enter' }],
      [{ kind: 'click', again: 'restart' }],
      [{ kind: 'over', leaving: 'back' }, { kind: 'time' }],
    ])
      expect(checkSeam(driven(driver)).map(({ closes }) => closes)).toEqual([false]);
  });

  it('has none where it goes back from its end or is scrolled past; how fast it is thrown back is told', () => {
    const back = driven([{ kind: 'over' }]);
    expect(checkSeam(back)).toEqual([]);
    expect(findingsBy([seamCheck], back)).toMatchObject([
      { holds: true, isNote: true, riders: ['r'], at: 4, words: 'stops at its end from 100 px/s' },
    ]);
    expect(findingsBy([seamCheck], driven([{ kind: 'scroll' }]))).toEqual([]);
  });
});

describe('a scene that is looked at through a camera', () => {
  const across = [
    { time: 0, place: { by: 'node', node: 'a' } },
    { time: 4, place: { by: 'node', node: 'c' } },
  ];
  const lap = [
    { time: 0, place: { by: 'node', node: 'q1' } },
    { time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
  ];

  it('jumps where its camera does, though that is not sent; what the camera is drawn as does not count', () => {
    const scene = sceneOf({
      guides: [LINE],
      camera: 'cam',
      riders: [riderOn('cam', 'line', across, { output: false, keys: { opacity: [{ id: 'k', time: 1, value: 0 }] } })],
    });
    expect(checkSeam(scene)).toMatchObject([{ rider: 'cam', closes: false, hidden: false, fade: 0 }]);
    expect(checkSeam(scene)[0]?.gap).toBeCloseTo(400, 9);
    expect(checkSeam({ ...scene, camera: null })).toEqual([]);
  });

  it('shows what lies beside the canvas, and hides what lies on it', () => {
    // A ride that ends elsewhere than it began, 1,000 px to the right of the canvas, and a camera that stands there.
    const far = { ...LINE, nodes: LINE.nodes.map((node) => ({ ...node, x: node.x + 1000 })) };
    const scene = (guide: object, x: number): Scene =>
      sceneOf({
        guides: [guide, SQUARE],
        camera: 'cam',
        riders: [
          riderOn('r', 'line', across),
          { ...riderOn('cam', 'square', lap), guide: null, at: [x, 300], output: false, pace: {} },
        ],
      });
    expect(checkSeam(scene(far, 1300))).toMatchObject([{ rider: 'r', hidden: false, closes: false }]);
    expect(checkSeam(scene(LINE, 1300))).toMatchObject([{ rider: 'r', hidden: true }]);
    expect(checkSeam(scene(far, 400))).toMatchObject([{ rider: 'r', hidden: true }]);
  });
});
