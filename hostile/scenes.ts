import { BOX_ART } from '../core/src/testing/scenes.ts';

/** Scenes at the edge of what the schema allows, as JSON. */
export interface HostileScene {
  readonly name: string;
  readonly json: Record<string, unknown>;
}

type Json = Record<string, unknown>;

const node = (id: string, x: number, y: number, more: Json = {}): Json => ({ id, x, y, ...more });
const FAR = 1e7;

/** Guides that are hardly any, or more than any. */
const GUIDES: Readonly<Record<string, { closed: boolean; nodes: Json[] }>> = {
  'no node': { closed: false, nodes: [] },
  'one node': { closed: false, nodes: [node('a', 50, 50)] },
  'one node with handles, closed': {
    closed: true,
    nodes: [node('a', 50, 50, { in: [-90, 40], out: [90, 40] })],
  },
  'two nodes on each other': { closed: false, nodes: [node('a', 50, 50), node('b', 50, 50)] },
  'two nodes on each other, closed': { closed: true, nodes: [node('a', 50, 50), node('b', 50, 50)] },
  'a closed guide of almost no length': {
    closed: true,
    nodes: [node('a', 0, 0), node('b', 1e-12, 0), node('c', 0, 1e-12)],
  },
  'a billionth of a px': { closed: false, nodes: [node('a', 0, 0), node('b', 1e-9, 0)] },
  'as far as there is': { closed: false, nodes: [node('a', -FAR, -FAR), node('b', FAR, FAR)] },
  'handles as far as there is': {
    closed: true,
    nodes: [node('a', 0, 0, { out: [FAR, FAR] }), node('b', 1, 1, { in: [-FAR, FAR], out: [FAR, -FAR] })],
  },
  'a hairpin': {
    closed: false,
    nodes: [node('a', 0, 0, { out: [400, 0] }), node('b', 0, 1e-6, { in: [400, 0] })],
  },
  'a cusp': {
    closed: false,
    nodes: [node('a', 0, 0, { out: [200, 200] }), node('b', 200, 0, { in: [-200, 200] })],
  },
  'a zigzag': {
    closed: true,
    nodes: Array.from({ length: 400 }, (_, i) => node(`n${i}`, (i % 2) * 300, i)),
  },
  'a square': { closed: true, nodes: [node('a', 0, 0), node('b', 90, 0), node('c', 90, 90), node('d', 0, 90)] },
};

const mark = (id: string, time: number, value: number, more: Json = {}): Json => ({
  id,
  time,
  place: { by: 'share', value },
  ...more,
});
const ROUND_PLACE = { by: 'share', value: 0.5 };
const ROUND = [mark('m1', 0, 0), mark('m2', 4, 1)];

interface Asked {
  readonly rider: Json;
  readonly clock?: Json;
  readonly guide?: Json;
  /** Riders beside it, and what else the scene has. */
  readonly others?: readonly Json[];
  readonly scene?: Json;
}

const { markup: _markup, ...BOX } = BOX_ART;

/** A strip of three poses. */
const STRIP: Json = {
  ...BOX,
  id: 'strip',
  kind: 'strip',
  poses: Array.from({ length: 3 }, () => ({ kind: 'svg', markup: BOX_ART.markup })),
};

const other = (id: string, more: Json): Json => ({ id, name: id, art: 'box', guide: null, ...more });

/** What is asked of a rider, with what it changes of the clock. */
const ASKED: Readonly<Record<string, Asked>> = {
  'as usual': { rider: { pace: { marks: ROUND } } },
  'led as far as there is': { rider: { pace: { marks: ROUND }, lead: FAR, lift: -FAR, heading: { mode: 'along' } } },
  'a thousand laps each way': {
    rider: { pace: { marks: [mark('m1', 0, -1000), mark('m2', 4, 1000)] }, heading: { mode: 'along' } },
  },
  'the shortest cycle in the longest loop': {
    rider: { pace: { marks: [mark('m1', 0, 0), mark('m2', 0.001, 1)], cycle: 0.001 } },
    clock: { duration: 3600 },
  },
  'the longest cycle in the shortest loop': {
    rider: { pace: { marks: [mark('m1', 0, 0), mark('m2', 36_000, 1)], cycle: 36_000, delay: -36_000 } },
    clock: { duration: 0.01, fps: 240 },
  },
  'there and back, put off': {
    rider: { pace: { marks: ROUND, delay: 35_999.999, repeat: 'there-and-back' }, heading: { mode: 'along' } },
    clock: { repeat: 'there-and-back' },
  },
  'far over the ends': {
    rider: {
      pace: {
        marks: [mark('m1', 0, 0, { ease: { kind: 'family', family: 'elastic', mode: 'in-out' } }), mark('m2', 4, 1)],
      },
      heading: { mode: 'along' },
    },
  },
  'a thousand jumps': {
    rider: {
      pace: {
        marks: Array.from({ length: 1000 }, (_, i) =>
          mark(`m${i}`, i < 500 ? 1 : 2, i % 7, { ease: { kind: 'hold' } }),
        ),
      },
    },
  },
  'turned and scaled beyond all': {
    rider: { pace: { marks: ROUND }, heading: { mode: 'along', offset: 1e6 }, scale: [-1000, 0], opacity: 0 },
  },
  'on contacts as far apart as there is': {
    rider: { pace: { marks: ROUND }, heading: { mode: 'contacts', base: 100_000, smooth: 100_000 } },
  },
  'on contacts a tenth of a px apart': {
    rider: { pace: { marks: ROUND }, heading: { mode: 'contacts', base: 0.1, smooth: 1, limit: 0.1 } },
  },
  'smoothed, mirrored and turning back beyond all': {
    rider: {
      pace: { marks: [...ROUND.slice(0, 1), mark('m3', 2, 1), mark('m4', 4, 0)] },
      heading: { mode: 'along', smooth: 100_000, reverse: 'turn', left: 'mirror', limit: 0.1 },
    },
  },
  'rolling on a tenth of a px': { rider: { pace: { marks: ROUND }, roll: { radius: 0.1, guide: 'centre' } } },
  'stretched by speed beyond all': {
    rider: { pace: { marks: ROUND }, heading: { mode: 'along' }, squash: { by: 'speed', strength: 20, limit: 20 } },
  },
  'keys by the thousand': {
    rider: {
      pace: { marks: ROUND },
      keys: {
        turn: Array.from({ length: 2000 }, (_, i) => ({ id: `t${i}`, time: i / 1000, value: (i % 3) * 4e5 })),
        scale: [{ id: 's1', time: 1, value: [0, -1000] }],
        lead: [
          { id: 'l1', time: 0, value: -FAR },
          { id: 'l2', time: 4, value: FAR },
        ],
      },
    },
  },
  'distances as far as there is': {
    rider: {
      pace: {
        marks: [
          { id: 'm1', time: 0, place: { by: 'distance', value: -FAR } },
          { id: 'm2', time: 4, place: { by: 'distance', value: FAR } },
        ],
      },
    },
  },
  'striding finer than anything': {
    rider: { art: 'strip', pace: { marks: ROUND }, poses: { by: 'distance', stride: 0.1, first: 500 } },
  },
  'flapping faster than anything for an hour': {
    rider: {
      art: 'strip',
      pace: { marks: [mark('m1', 0, 0), mark('m2', 3600, 1)] },
      poses: { by: 'time', rate: 240 },
    },
    clock: { duration: 3600, fps: 1 },
  },
  'splashing at marks that pass all the time': {
    rider: { pace: { marks: [mark('m1', 0, 0), mark('m2', 0.001, 1)], cycle: 0.001, repeat: 'there-and-back' } },
    others: [
      other('splash', {
        art: 'strip',
        poses: { by: 'mark', rate: 0.01, mark: { rider: 'rider', mark: 'm1' }, around: 'hidden' },
      }),
    ],
  },
  'behind a hundred times': {
    rider: {
      pace: { marks: ROUND },
      behind: Array.from({ length: 100 }, (_, i) => ({
        by: 'places',
        rider: 'post',
        from: { by: 'share', value: 1000 - i * 20 },
        to: { by: 'distance', value: i % 2 === 0 ? FAR : -FAR },
      })),
    },
    others: [other('post', { behind: [{ by: 'places', rider: 'rider', from: ROUND_PLACE, to: ROUND_PLACE }] })],
  },
  'as deep as there is': {
    rider: { pace: { marks: [mark('m1', 0, -1000), mark('m2', 4, 1000)] }, heading: { mode: 'along' }, raise: 10_000 },
    guide: {
      depth: {
        stops: Array.from({ length: 100 }, (_, i) => ({ at: i / 99, scale: i % 2 === 0 ? 0.01 : 100 })),
        speed: true,
      },
    },
  },
  'strung to itself, stretched, through a camera of no size': {
    rider: { pace: { marks: ROUND }, scale: [0, -1000] },
    others: [
      other('rope', { strung: { from: 'rider', to: 'rider', stretch: true } }),
      other('rod', {
        strung: { from: 'rope', to: 'rider', fromAt: [-FAR, FAR], toAt: [FAR, FAR], stretch: true },
        parallax: -10,
        squash: { by: 'keys' },
        keys: { squash: [{ id: 'k', time: 0, value: 20 }] },
      }),
    ],
    scene: { camera: 'rider' },
  },
  'drawn with a dash as fine as there is': {
    rider: { pace: { marks: ROUND } },
    guide: { corridor: 1e6, stroke: { color: '#000', width: 1e-9, dash: [1e-9, 1e-9], draws: null } },
  },
};

/** Every guide with everything that may be asked of its rider. */
export const hostileScenes = (): HostileScene[] =>
  Object.entries(GUIDES).flatMap(([called, guide]) =>
    Object.entries(ASKED).map(([asked, { rider, clock, guide: drawn, others = [], scene }]) => ({
      name: `${called}; ${asked}`,
      json: {
        format: 'pace-line/scene',
        version: 4,
        name: 'Edge',
        canvas: { width: 400, height: 300, background: '#FFFFFF' },
        clock: { duration: 4, fps: 30, repeat: 'loop', ...clock },
        art: [BOX_ART, STRIP],
        guides: [{ id: 'way', name: 'Way', color: '#0B7A75', ...guide, ...drawn }],
        riders: [{ id: 'rider', name: 'Rider', art: 'box', guide: 'way', ...rider }, ...others],
        ...scene,
      },
    })),
  );
