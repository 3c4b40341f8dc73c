import { describe, expect, it } from 'vitest';
import { pullSpan, setRider } from '../../commands/index.ts';
import { POSE, prepare } from '../../motion/index.ts';
import { readScene, writeScene, type Scene } from '../../scene/index.ts';
import { countedRandom } from '../../testing/random.ts';
import { SQUARE, sceneOf } from '../../testing/scenes.ts';
import { CHECKS, findingsOf } from '../all.ts';
import { offersFor, withOffer, type Offer } from './index.ts';

const box = (id: string, side: number): object => ({
  ...{ id, name: id, kind: 'svg', width: side, height: side, pivot: [side / 2, side / 2], facing: 0 },
  markup: `<svg xmlns="http://www.w3.org/2000/svg" width="${side}" height="${side}"><rect width="${side}" height="${side}" fill="#864"/></svg>`,
});

/** A ring about a place, its ground with an id. */
const ringArt = (x: number, y: number, inner: number, outer: number): object => {
  const circle = (r: number): string => `M${x - r} ${y}a${r} ${r} 0 1 1 ${2 * r} 0a${r} ${r} 0 1 1 ${-2 * r} 0Z`;
  return {
    ...{ id: 'ground', name: 'ground', kind: 'svg', width: 800, height: 600, pivot: [400, 300], facing: 0 },
    markup: `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="600"><path id="way" fill-rule="evenodd" d="${circle(inner)}${circle(outer)}"/></svg>`,
  };
};

/** A guide from beyond one edge of the canvas to beyond the other: nobody sees who begins again there. */
const way = (
  id: string,
  from: readonly [number, number],
  to: readonly [number, number],
  more: object = {},
): object => ({
  ...{ id, name: id, closed: false, color: '#0B7A75' },
  nodes: [
    { id: `${id}-a`, x: from[0], y: from[1] },
    { id: `${id}-b`, x: to[0], y: to[1] },
  ],
  ...more,
});

const on = (guide: string, art: string, more: object = {}): object => ({
  ...{ id: `on-${guide}`, name: `On ${guide}`, art, guide, heading: { mode: 'level' } },
  pace: {
    marks: [
      { id: `${guide}-1`, time: 0, place: { by: 'node', node: `${guide}-a` } },
      { id: `${guide}-2`, time: 4, place: { by: 'node', node: `${guide}-b` } },
    ],
    ...(more as { pace?: object }).pace,
  },
  ...Object.fromEntries(Object.entries(more).filter(([key]) => key !== 'pace')),
});

/** How many crossings are put right, and half as many lanes: a few in every run, 200 where all are asked for. */
const SEEDS = Number(process.env['PACE_LINE_SEEDS'] ?? 4);

const clean = (scene: Scene, check: string): boolean => findingsOf(scene, [check]).every(({ holds }) => holds);

const offered = (scene: Scene, check: string): readonly Offer[] => {
  const [finding] = findingsOf(scene, [check]);
  if (!finding || finding.holds) throw new Error('nothing to put right');
  return offersFor(scene, finding, CHECKS).offers;
};

const change = ({ from, to }: Offer): number => Math.abs(to - from);

describe('two that cross: the smallest delay is known', () => {
  it('is offered, at most a twentieth and a hundredth of a second larger', () => {
    for (let seed = 0; seed < SEEDS; seed++) {
      const random = countedRandom(seed + 1);
      const [a, b] = [20 + 40 * random(), 20 + 40 * random()];
      const [x, y] = [250 + 300 * random(), 200 + 200 * random()];
      // Across in 1,000 px and down in 800 px, each in 4 s.
      const [across, down] = [(x + 100) / 250, (y + 100) / 200];
      const apart = ((a + b) / 2) * (1 / 250 + 1 / 200);
      const late = apart * (1.6 * random() - 0.8);
      const scene = sceneOf({
        art: [box('one', a), box('two', b)],
        guides: [way('across', [-100, y], [900, y]), way('down', [x, -100], [x, 700])],
        riders: [on('across', 'one'), on('down', 'two', { pace: { delay: across - down + late } })],
      });
      const known = apart - Math.abs(late);
      const delays = offered(scene, 'clearance').filter(({ kind }) => kind === 'delay');
      expect(delays.length, `seed ${seed}`).toBeGreaterThan(0);
      const least = Math.min(...delays.map(change));
      expect(least, `seed ${seed}`).toBeGreaterThan(known - 0.002);
      expect(least, `seed ${seed}`).toBeLessThan(known * 1.05 + 0.01);
      for (const offer of delays) expect(clean(withOffer(scene, offer), 'clearance'), `seed ${seed}`).toBe(true);
    }
  }, 600_000);
});

describe('one that is too far at the side of its lane: the smallest lift is known, and the smallest scale', () => {
  it('is offered, at most a twentieth and a tenth of a px larger', () => {
    for (let seed = 0; seed < SEEDS / 2; seed++) {
      const random = countedRandom(seed + 500);
      const side = 20 + 30 * random();
      const width = side * (1.2 + random());
      const beyond = 1 + (side / 2) * random();
      const sign = random() < 0.5 ? -1 : 1;
      const scene = sceneOf({
        art: [box('one', side)],
        guides: [way('lane', [-100, 300], [900, 300], { corridor: width })],
        riders: [on('lane', 'one', { lift: sign * ((width - side) / 2 + beyond) })],
      });
      const offers = offered(scene, 'corridor');
      const lift = offers.find(({ kind }) => kind === 'lift');
      expect(lift && change(lift), `seed ${seed}`).toBeGreaterThan(beyond - 0.05);
      expect(lift && change(lift), `seed ${seed}`).toBeLessThan(beyond * 1.05 + 0.1);
      // Its far edge is half its side from where it rides: what is beyond of that has to go.
      const known = 1 - beyond / (side / 2);
      const scaled = offers.find(({ kind }) => kind === 'scale');
      if (known > 0.52) {
        expect(scaled?.to, `seed ${seed}`).toBeLessThan(known + 0.005);
        expect(scaled?.to, `seed ${seed}`).toBeGreaterThan(known - 0.05 * (1 - known) - 0.011);
      }
      for (const offer of offers) expect(clean(withOffer(scene, offer), 'corridor'), `seed ${seed}`).toBe(true);
    }
  }, 600_000);
});

describe('one that cuts the bend of its lane: how far its guide has to be bent is known', () => {
  it('is offered, within a px and a twentieth', () => {
    // A ring from 160 to 240 px about a middle, and a guide of four quarters on a circle of 200 px, of which one is pulled in.
    const [x, y, r] = [400, 300, 200];
    const k = 0.5522847498 * r;
    const corner = (id: string, dx: number, dy: number): object => ({
      ...{ id, x: x + r * dx, y: y + r * dy, join: 'smooth' },
      ...{ in: [k * dy, -k * dx], out: [-k * dy, k * dx] },
    });
    const ring = { id: 'ring', name: 'ring', closed: true, color: '#0B7A75' };
    const nodes = [corner('e', 1, 0), corner('s', 0, 1), corner('w', -1, 0), corner('n', 0, -1)];
    const bent = (pulled: number): Scene => {
      const scene = sceneOf({
        art: [box('one', 20), ringArt(x, y, 160, 240)],
        guides: [{ ...ring, nodes }],
        riders: [
          { id: 'track', name: 'Track', art: 'ground', guide: null, at: [400, 300], locked: true },
          {
            ...{ id: 'r', name: 'r', art: 'one', guide: 'ring', heading: { mode: 'level' } },
            pace: {
              marks: [
                { id: 'm1', time: 0, place: { by: 'node', node: 'e' } },
                { id: 'm2', time: 4, place: { by: 'node', node: 'e', lap: 1 } },
              ],
            },
          },
        ],
        checks: {
          bounds: [{ rider: 'r', area: { kind: 'art', rider: 'track', part: 'way' }, by: 'pivot' }],
        },
      });
      const to = (r - pulled) * Math.SQRT1_2;
      return pullSpan(scene, { guide: 'ring', span: 0, t: 0.5, to: [x + to, y + to] });
    };
    // Its pivot leaves by so many px more than 40.
    for (const pulled of [46, 52, 60]) {
      const scene = bent(pulled);
      const bend = offered(scene, 'corridor').find(({ kind }) => kind === 'bend');
      expect(bend && change(bend), `pulled by ${pulled}`).toBeGreaterThan(pulled - 40 - 1);
      expect(bend && change(bend), `pulled by ${pulled}`).toBeLessThan((pulled - 40) * 1.05 + 1);
      expect(clean(withOffer(scene, bend!), 'corridor')).toBe(true);
    }
  });
});

describe('two that cross in the midst of a way of three marks: when one of them has to be there is known', () => {
  it('is offered, at most a twentieth and a hundredth of a second from it', () => {
    // Both at one place at 2 s, each 40 px wide: one goes 250 px/s across, the other 200 px/s down, with a mark at the middle.
    const scene = sceneOf({
      art: [box('one', 40)],
      guides: [way('across', [-100, 300], [900, 300]), way('down', [400, -100], [400, 700])],
      riders: [
        on('across', 'one', { locked: true }),
        on('down', 'one', {
          pace: {
            marks: [
              { id: 'd1', time: 0, place: { by: 'node', node: 'down-a' } },
              { id: 'd2', time: 2, place: { by: 'node', node: 'down-a', along: 0.5 } },
              { id: 'd3', time: 4, place: { by: 'node', node: 'down-b' } },
            ],
          },
        }),
      ],
    });
    const marks = offered(scene, 'clearance').filter(({ kind }) => kind === 'mark');
    expect(marks.length).toBeGreaterThan(0);
    for (const offer of marks) {
      expect(offer).toMatchObject({ rider: 'on-down', part: 'd2', from: 2 });
      // At 2 + d s it is in the middle; slower before it, or faster: |distance down| + |distance across| · 0.8 > 40 has to hold all the time.
      expect(clean(withOffer(scene, offer), 'clearance')).toBe(true);
      const less = { ...offer, to: 2 + (offer.to - 2) * 0.95 - Math.sign(offer.to - 2) * 0.01 };
      expect(clean(withOffer(scene, less), 'clearance')).toBe(false);
    }
  });
});

describe('what is offered', () => {
  const crossing = (more: object = {}, other: object = {}): Scene =>
    sceneOf({
      art: [box('one', 40)],
      guides: [way('across', [-100, 300], [900, 300]), way('down', [400, -100], [400, 700])],
      riders: [on('across', 'one', more), on('down', 'one', other)],
    });

  it('never touches what is locked', () => {
    const offers = offered(crossing({ locked: true }), 'clearance');
    expect(offers.length).toBeGreaterThan(0);
    expect(offers.every(({ rider }) => rider === 'on-down')).toBe(true);
    const finding = findingsOf(crossing({ locked: true }, { locked: true }), ['clearance'])[0]!;
    expect(offersFor(crossing({ locked: true }, { locked: true }), finding, CHECKS)).toEqual({
      offers: [],
      nearest: null,
      instead: null,
    });
  });

  it('makes nothing else worse: a delay that would bring it upon a third is passed over', () => {
    const alone = offered(crossing({ locked: true }), 'clearance').filter(({ kind }) => kind === 'delay');
    const later = alone.find(({ to }) => to > 0)!;
    const scene = crossing({ locked: true });
    // A third that crosses the same guide further down, just where the one that is delayed would be then.
    const third = sceneOf({
      art: [box('one', 40)],
      guides: [...scene.guides, way('third', [-100, 500], [900, 500])],
      riders: [
        on('across', 'one', { locked: true }),
        on('down', 'one'),
        on('third', 'one', { locked: true, pace: { delay: 3 + later.to - 2 } }),
      ],
    });
    const finding = findingsOf(third, ['clearance']).find(({ riders }) => riders.includes('on-across'))!;
    const { offers } = offersFor(third, finding, CHECKS);
    const wrong = (one: Scene): number => findingsOf(one).filter(({ holds }) => !holds).length;
    expect(offers.length).toBeGreaterThan(0);
    for (const offer of offers) expect(wrong(withOffer(third, offer))).toBeLessThan(wrong(third));
    expect(offers.map(({ to }) => to)).not.toContain(later.to);
  });

  it('says what comes nearest where nothing is enough', () => {
    const scene = sceneOf({
      art: [box('one', 60)],
      guides: [way('lane', [-100, 300], [900, 300], { corridor: 20 })],
      riders: [on('lane', 'one')],
    });
    const [finding] = findingsOf(scene, ['corridor']);
    const { offers, nearest } = offersFor(scene, finding!, CHECKS);
    expect(offers).toEqual([]);
    expect(nearest?.words).toMatch(/^leaves the lane/);
  });

  it('what comes nearest makes nothing else worse; what is enough but for one new finding is told with it', () => {
    // A lane of 60 px, and one of 40 px that rides 45 px beside its middle, where it just passes a post: to be in the lane it has to ride over it.
    const scene = sceneOf({
      art: [box('one', 40), box('two', 30)],
      guides: [way('lane', [-100, 300], [900, 300], { corridor: 60 })],
      riders: [on('lane', 'one', { lift: 45 }), { id: 'post', name: 'Post', art: 'two', guide: null, at: [400, 300] }],
    });
    const [finding] = findingsOf(scene, ['corridor']);
    const { offers, nearest, instead } = offersFor(scene, finding!, CHECKS);
    expect(offers.filter(({ kind }) => kind !== 'scale')).toEqual([]);
    // To 36 px it passes the post; 35 would touch it.
    expect(nearest?.offer.to).toBeGreaterThan(35);
    expect(nearest?.offer.to).toBeLessThan(38);
    const wrong = (one: Scene): readonly string[] =>
      findingsOf(one).flatMap(({ holds, check }) => (holds ? [] : [check]));
    expect(wrong(withOffer(scene, nearest!.offer))).toEqual(['corridor']);
    expect(instead?.found.map(({ check }) => check)).toEqual(['clearance']);
    expect(wrong(withOffer(scene, instead!.offer))).toEqual(['clearance']);
  });

  it('two that lie on each other all the time are no remedy', () => {
    // Beside each other on one way, of which one comes nearer: from 50 px to 20, each 40 px wide. 10 px nearer still they would overlap from the first to the last, as one picture does.
    const scene = sceneOf({
      art: [box('one', 40)],
      guides: [way('across', [-100, 300], [900, 300]), way('again', [-100, 300], [900, 300])],
      riders: [
        on('across', 'one', { locked: true }),
        on('again', 'one', {
          lift: 50,
          keys: {
            lift: [
              { id: 'k1', time: 0, value: 0 },
              { id: 'k2', time: 4, value: -30 },
            ],
          },
        }),
      ],
    });
    const nearer = setRider(scene, { id: 'on-again', patch: { lift: 39 } });
    expect(findingsOf(nearer, ['clearance'])).toEqual([]);
    const offers = offered(scene, 'clearance');
    expect(offers.length).toBeGreaterThan(0);
    for (const offer of offers) {
      const { riders } = prepare(withOffer(scene, offer));
      for (let time = 0; time < 4; time += 0.01) {
        const [p, q] = riders.map((rider) => rider.poseAt(time));
        const apart = (key: 'x' | 'y'): number => Math.abs((p?.[POSE[key]] ?? 0) - (q?.[POSE[key]] ?? 0));
        const isSeen = [p, q].every((pose) => Math.abs((pose?.[POSE.x] ?? 0) - 400) < 400);
        if (isSeen) expect(Math.max(apart('x'), apart('y')), `${offer.kind} ${offer.to}`).toBeGreaterThan(39.9);
      }
    }
  });

  it('one that is never wholly on the canvas is offered to be lifted by what is beyond', () => {
    const scene = sceneOf({
      art: [box('one', 40)],
      guides: [way('edge', [100, 10], [700, 10])],
      riders: [on('edge', 'one')],
    });
    const lift = offered(scene, 'off-canvas').find(({ kind }) => kind === 'lift');
    // Half a px beyond the edge nobody misses.
    expect(lift && change(lift)).toBeGreaterThan(9.4);
    expect(lift && change(lift)).toBeLessThan(10.1);
    expect(clean(withOffer(scene, lift!), 'off-canvas')).toBe(true);
  });

  it('a place that leaps at a corner because it is lifted is offered a lift that is rounded', () => {
    const scene = sceneOf({
      guides: [SQUARE],
      riders: [
        {
          ...{ id: 'r', name: 'r', art: 'box', guide: SQUARE.id, heading: { mode: 'level' }, lift: 20 },
          pace: {
            marks: [
              { id: 'm1', time: 0, place: { by: 'node', node: 'q1' } },
              { id: 'm2', time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
            ],
          },
        },
      ],
    });
    const [offer] = offered(scene, 'jump');
    expect(offer).toMatchObject({ kind: 'rounding', to: 14 });
    expect(clean(withOffer(scene, offer!), 'jump')).toBe(true);
  });

  it('a nose that snaps at corners is offered a length to be averaged over, and snaps no more', () => {
    const scene = sceneOf({
      guides: [SQUARE],
      riders: [
        {
          ...{ id: 'r', name: 'r', art: 'box', guide: SQUARE.id, heading: { mode: 'along' } },
          pace: {
            marks: [
              { id: 'm1', time: 0, place: { by: 'node', node: 'q1' } },
              { id: 'm2', time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
            ],
          },
        },
      ],
    });
    const [offer, ...more] = offered(scene, 'jump');
    expect(more).toEqual([]);
    // 100 px/s at 30 frames a second: four frames of it.
    expect(offer).toMatchObject({ kind: 'smooth', to: 14 });
    expect(clean(withOffer(scene, offer!), 'jump')).toBe(true);
  });

  it('leaves a scene that can be written and read', () => {
    const scene = crossing();
    const [offer] = offered(scene, 'clearance');
    const read = readScene(writeScene(withOffer(scene, offer!)));
    expect(read.ok).toBe(true);
  });
});
