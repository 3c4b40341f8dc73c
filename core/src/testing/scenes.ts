import { sceneFromJson, type Scene } from '../scene/index.ts';

export const BOX_ART = {
  id: 'box',
  name: 'Box',
  kind: 'svg',
  markup:
    '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40" viewBox="0 0 60 40"><rect width="60" height="40" fill="#0B7A75"/></svg>',
  width: 60,
  height: 40,
  pivot: [20, 20],
  facing: 0,
} as const;

type Json = Record<string, unknown>;

/** A valid scene from loose JSON, with one art called "box"; throws with the problems of a bad one. */
export function sceneOf(parts: Json): Scene {
  const read = sceneFromJson({
    format: 'pace-line/scene',
    version: 4,
    name: 'Test',
    canvas: { width: 800, height: 600, background: '#FFFFFF' },
    clock: { duration: 4, fps: 30, repeat: 'loop' },
    art: [BOX_ART],
    guides: [],
    riders: [],
    ...parts,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.scene;
}

/** A straight open guide from (100, 300) to (500, 300): distances are easy to say. */
export const LINE = {
  id: 'line',
  name: 'Line',
  closed: false,
  color: '#0B7A75',
  nodes: [
    { id: 'a', x: 100, y: 300 },
    { id: 'b', x: 300, y: 300 },
    { id: 'c', x: 500, y: 300 },
  ],
} as const;

/** A closed square of 400 px, clockwise from its upper left corner. */
export const SQUARE = {
  id: 'square',
  name: 'Square',
  closed: true,
  color: '#3D5A99',
  nodes: [
    { id: 'q1', x: 200, y: 200 },
    { id: 'q2', x: 300, y: 200 },
    { id: 'q3', x: 300, y: 300 },
    { id: 'q4', x: 200, y: 300 },
  ],
} as const;

/** Curved guides that are hard for players: the hairpin and the exact cusp, on a canvas. */
export const HAIRPIN = {
  id: 'hairpin',
  name: 'Hairpin',
  closed: false,
  color: '#7A3E7E',
  nodes: [
    { id: 'h1', x: 150, y: 250, out: [400, 0] },
    { id: 'h2', x: 150, y: 255, in: [400, 0] },
  ],
} as const;

export const CUSP = {
  id: 'cusp',
  name: 'Cusp',
  closed: false,
  color: '#A3471F',
  nodes: [
    { id: 'k1', x: 300, y: 250, out: [60, 120] },
    { id: 'k2', x: 480, y: 70, in: [-240, 240] },
  ],
} as const;

export const LOOPS = {
  id: 'loops',
  name: 'Loops',
  closed: true,
  color: '#55752A',
  nodes: [
    { id: 'l1', x: 200, y: 300, in: [0, 90], out: [0, -90] },
    { id: 'l2', x: 400, y: 160, in: [-90, 10], out: [120, -10] },
    { id: 'l3', x: 560, y: 380, in: [10, -80], out: [-20, 110] },
    { id: 'l4', x: 380, y: 330, in: [40, 80], out: [-50, -60] },
  ],
} as const;

const at = (node: string, more: Json = {}): Json => ({ by: 'node', node, ...more });

/** A rider of the box along a guide with the marks given. */
export const riderOn = (id: string, guide: string, marks: readonly Json[], more: Json = {}): Json => ({
  id,
  name: id,
  art: 'box',
  guide,
  heading: { mode: 'along' },
  ...more,
  pace: {
    marks: marks.map((mark, i) => ({ id: `${id}-m${i + 1}`, ...mark })),
    ...(more['pace'] ?? {}),
  },
});

/** Riders for every way of moving that a writer must hold: eased, reversing, overshooting, dwelling, lifted, there and back, hairpin, cusp. */
export const WRITER_SCENES: Readonly<Record<string, Scene>> = {
  eased: sceneOf({
    guides: [LOOPS],
    riders: [
      riderOn('eased', 'loops', [
        { time: 0, place: at('l1'), ease: { kind: 'family', family: 'cubic', mode: 'in-out' } },
        { time: 4, place: at('l1', { lap: 1 }) },
      ]),
    ],
  }),
  reversing: sceneOf({
    guides: [LOOPS],
    riders: [
      riderOn('reversing', 'loops', [
        { time: 0, place: at('l1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
        { time: 2.2, place: at('l4', { along: 0.5 }), ease: { kind: 'bezier', values: [0.3, 0, 0.2, 1] } },
        { time: 3, place: at('l2'), ease: { kind: 'steady' } },
        { time: 4, place: at('l1') },
      ]),
    ],
  }),
  overshooting: sceneOf({
    guides: [
      {
        ...LINE,
        nodes: [
          { id: 'a', x: 100, y: 400, out: [120, -200] },
          { id: 'b', x: 500, y: 300, in: [-100, 160] },
        ],
      },
    ],
    riders: [
      riderOn('overshooting', 'line', [
        { time: 0, place: at('a'), ease: { kind: 'family', family: 'elastic', mode: 'out' } },
        { time: 2, place: at('b'), ease: { kind: 'family', family: 'back', mode: 'in-out' } },
        { time: 4, place: at('a') },
      ]),
    ],
  }),
  dwelling: sceneOf({
    guides: [SQUARE],
    riders: [
      riderOn('dwelling', 'square', [
        { time: 0, place: at('q1'), dwell: 0.4, ease: { kind: 'family', family: 'bounce', mode: 'out' } },
        { time: 1.7, place: at('q3'), dwell: 0.8, ease: { kind: 'hold' } },
        {
          time: 3,
          place: at('q4'),
          dwell: 0.25,
          ease: {
            kind: 'points',
            points: [
              [0, 0],
              [0.4, 0.7],
              [0.6, 0.6],
              [1, 1],
            ],
          },
        },
        { time: 4, place: at('q1', { lap: 1 }) },
      ]),
    ],
  }),
  lifted: sceneOf({
    guides: [LOOPS],
    riders: [
      riderOn(
        'lifted',
        'loops',
        [
          { time: 0, place: at('l1') },
          { time: 4, place: at('l1', { lap: 1 }) },
        ],
        { lift: 30, lead: -20, scale: [1.4, -0.8], heading: { mode: 'along', offset: 35 }, opacity: 0.6 },
      ),
    ],
  }),
  'there-and-back': sceneOf({
    clock: { duration: 1.5, fps: 30, repeat: 'there-and-back' },
    guides: [LOOPS],
    riders: [
      riderOn('back', 'loops', [
        { time: 0.2, place: at('l2'), ease: { kind: 'family', family: 'quad', mode: 'in' } },
        { time: 1.5, place: at('l4') },
      ]),
    ],
  }),
  hairpin: sceneOf({
    guides: [HAIRPIN],
    riders: [
      riderOn('round-hairpin', 'hairpin', [
        { time: 0, place: at('h1') },
        { time: 2, place: at('h2') },
        { time: 4, place: at('h1') },
      ]),
    ],
  }),
  cusp: sceneOf({
    guides: [CUSP],
    riders: [
      riderOn('over-cusp', 'cusp', [
        { time: 0, place: at('k1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
        { time: 2.5, place: at('k2') },
        { time: 4, place: at('k1') },
      ]),
    ],
  }),
  turning: sceneOf({
    clock: { duration: 2, fps: 30, repeat: 'there-and-back' },
    guides: [LOOPS],
    riders: [
      riderOn(
        'turning',
        'loops',
        [
          { time: 0, place: at('l1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
          { time: 2, place: at('l4') },
        ],
        { heading: { mode: 'along', smooth: 40, reverse: 'turn', left: 'mirror' } },
      ),
      riderOn(
        'slow',
        'loops',
        [
          { time: 0, place: at('l2') },
          { time: 2, place: at('l3') },
        ],
        {
          heading: { mode: 'along', limit: 120 },
        },
      ),
    ],
  }),
  following: sceneOf({
    guides: [LOOPS],
    riders: [
      ...[0, 0.7, -2.2].map((delay, i) =>
        riderOn(
          `follower-${i}`,
          'loops',
          [
            { time: 0, place: at('l1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
            { time: 1.5, place: at('l3'), dwell: 0.5 },
            { time: 4, place: at('l1', { lap: 1 }) },
          ],
          { heading: { mode: 'level' }, scale: [0.6, 0.6], pace: { delay } },
        ),
      ),
      riderOn(
        'other',
        'loops',
        [
          { time: 0, place: at('l2') },
          { time: 4, place: at('l2', { lap: 1 }) },
        ],
        { scale: [0.2, 0.2], heading: { mode: 'along', offset: 20 }, lift: 25 },
      ),
    ],
  }),
  rolling: sceneOf({
    guides: [LOOPS],
    riders: [
      riderOn(
        'rolling',
        'loops',
        [
          { time: 0, place: at('l1'), ease: { kind: 'family', family: 'quad', mode: 'in-out' } },
          { time: 4, place: at('l1', { lap: 1 }) },
        ],
        { roll: { radius: 30 } },
      ),
      riderOn(
        'on-two',
        'loops',
        [
          { time: 0, place: at('l2') },
          { time: 4, place: at('l2', { lap: 1 }) },
        ],
        {
          heading: { mode: 'contacts', base: 50 },
        },
      ),
    ],
  }),
  keyed: sceneOf({
    guides: [LINE],
    riders: [
      riderOn(
        'keyed',
        'line',
        [
          { time: 0, place: at('a') },
          { time: 4, place: at('c') },
        ],
        {
          keys: {
            turn: [
              { id: 't1', time: 0, value: 0, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
              { id: 't2', time: 2, value: 60 },
              { id: 't3', time: 4, value: 0 },
            ],
            scale: [
              { id: 's1', time: 0.5, value: [1, 1], ease: { kind: 'family', family: 'back', mode: 'out' } },
              { id: 's2', time: 1.5, value: [1.6, 0.7] },
            ],
            opacity: [
              { id: 'o1', time: 0, value: 0 },
              { id: 'o2', time: 1, value: 1 },
            ],
            lift: [
              { id: 'l1', time: 1, value: 0, ease: { kind: 'family', family: 'quad', mode: 'out' } },
              { id: 'l2', time: 2, value: 80, ease: { kind: 'family', family: 'quad', mode: 'in' } },
              { id: 'l3', time: 3, value: 0 },
            ],
            squash: [
              { id: 'q1', time: 2.8, value: 1 },
              { id: 'q2', time: 3, value: 0.6 },
              { id: 'q3', time: 3.4, value: 1 },
            ],
          },
          squash: { axis: 'fixed', about: [30, 40] },
        },
      ),
      riderOn(
        'stretched',
        'line',
        [
          { time: 0, place: at('a'), ease: { kind: 'family', family: 'cubic', mode: 'in-out' } },
          { time: 4, place: at('c') },
        ],
        {
          squash: { by: 'speed', strength: 2, limit: 1.5 },
        },
      ),
    ],
  }),
  carried: sceneOf({
    guides: [LOOPS, { ...SQUARE, carrier: 'boat' }],
    riders: [
      riderOn(
        'boat',
        'loops',
        [
          { time: 0, place: at('l1') },
          { time: 4, place: at('l1', { lap: 1 }) },
        ],
        {
          heading: { mode: 'along', left: 'mirror' },
        },
      ),
      riderOn('lamp', 'square', [], { guide: null, at: [50, 0], carrier: { rider: 'boat', turn: false } }),
      riderOn(
        'moth',
        'square',
        [
          { time: 0, place: at('q1') },
          { time: 2, place: at('q1', { lap: 1 }) },
        ],
        {
          scale: [0.4, 0.4],
          carrier: { rider: 'boat' },
          pace: { cycle: 2 },
        },
      ),
      riderOn('watcher', 'square', [], {
        guide: null,
        at: [650, 500],
        heading: { mode: 'toward', target: { kind: 'rider', rider: 'moth' } },
      }),
    ],
  }),
  deep: sceneOf({
    guides: [
      {
        ...LOOPS,
        depth: {
          stops: [
            { at: 0.1, scale: 0.4 },
            { at: 0.55, scale: 1.3 },
          ],
          speed: true,
        },
      },
    ],
    riders: [
      riderOn(
        'far',
        'loops',
        [
          { time: 0, place: at('l1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
          { time: 4, place: at('l1', { lap: 1 }) },
        ],
        { raise: 50 },
      ),
    ],
  }),
  strung: sceneOf({
    guides: [LOOPS],
    riders: [
      riderOn(
        'one',
        'loops',
        [
          { time: 0, place: at('l1') },
          { time: 4, place: at('l1', { lap: 1 }) },
        ],
        { scale: [0.5, 0.5] },
      ),
      riderOn('two', 'loops', [], { guide: null, at: [380, 300] }),
      riderOn('rod', 'loops', [], { guide: null, strung: { from: 'two', to: 'one', toAt: [60, 40] } }),
      riderOn('band', 'loops', [], {
        guide: null,
        heading: { mode: 'level', offset: 20 },
        strung: { from: 'one', to: 'two', stretch: true },
      }),
    ],
  }),
};

/** An art of one plain box, told from others by its colour. */
export const colouredArt = (id: string, fill: string, width = 60, height = 40): Json => ({
  ...BOX_ART,
  ...{ id, name: id, width, height, pivot: [width / 2, height / 2] },
  markup: boxMarkup(fill, width, height),
});

const boxMarkup = (fill: string, width: number, height: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" overflow="visible"><rect width="${width}" height="${height}" fill="${fill}"/></svg>`;

/** A strip of such boxes. */
export function colouredStrip(id: string, fills: readonly string[]): Json {
  const { markup: _markup, ...box } = BOX_ART;
  const poses = fills.map((fill) => ({ kind: 'svg', markup: boxMarkup(fill, 60, 40) }));
  return { ...box, id, name: id, kind: 'strip', pivot: [30, 20], poses };
}

const lap = [
  { time: 0, place: at('l1') },
  { time: 4, place: at('l1', { lap: 1 }) },
];

/** Scenes of which it counts what is in front, which pose is shown and what of it is seen: every picture has a colour of its own. */
export const LAYERED_SCENES: Readonly<Record<string, Scene>> = {
  'behind and in front': sceneOf({
    guides: [LOOPS],
    art: [
      colouredArt('flyer-art', '#aa0001'),
      colouredArt('post-art', '#aa0002', 40, 300),
      colouredArt('wall-art', '#aa0003', 200, 60),
      colouredStrip('bird-art', ['#aa0011', '#aa0012', '#aa0013']),
    ],
    riders: [
      riderOn('wall', 'loops', [], { art: 'wall-art', guide: null, at: [540, 380] }),
      riderOn('post', 'loops', [], { art: 'post-art', guide: null, at: [390, 250] }),
      riderOn('flyer', 'loops', lap, {
        art: 'flyer-art',
        behind: [
          { by: 'places', rider: 'post', from: at('l1', { along: 0.4 }), to: at('l2', { along: 0.3 }) },
          { by: 'places', rider: 'wall', from: at('l2', { along: 0.6 }), to: at('l3', { along: 0.5 }) },
        ],
      }),
      riderOn('bird', 'loops', lap, {
        art: 'bird-art',
        pace: { delay: 0.35 },
        poses: { by: 'distance', stride: 170 },
        behind: [{ by: 'marks', rider: 'flyer', from: 'bird-m1', to: 'bird-m1' }],
      }),
    ],
  }),
  'inside, outside, at a mark': sceneOf({
    guides: [LOOPS, SQUARE],
    art: [
      colouredArt('flyer-art', '#bb0001'),
      colouredArt('sheet-art', '#bb0002', 300, 200),
      colouredStrip('splash-art', ['#bb0011', '#bb0012', '#bb0013']),
      colouredStrip('lamp-art', ['#bb0021', '#bb0022']),
    ],
    riders: [
      riderOn('sheet', 'loops', [], {
        art: 'sheet-art',
        guide: null,
        at: [300, 280],
        inside: { guide: 'square', keep: 'outside' },
      }),
      riderOn('flyer', 'loops', lap, { art: 'flyer-art', inside: { guide: 'loops' } }),
      riderOn('splash', 'loops', [], {
        ...{ art: 'splash-art', guide: null, at: [600, 200] },
        poses: { by: 'mark', rate: 2, mark: { rider: 'flyer', mark: 'flyer-m1' }, around: 'hidden' },
      }),
      riderOn('lamp', 'loops', [], {
        art: 'lamp-art',
        guide: null,
        at: [700, 480],
        poses: { by: 'time', rate: 3, first: 2 },
      }),
    ],
  }),
  'a camera that rides': sceneOf({
    guides: [LOOPS],
    camera: 'eye',
    art: [
      colouredArt('flyer-art', '#cc0001'),
      colouredArt('hill-art', '#cc0002', 300, 100),
      colouredArt('sky-art', '#cc0003', 200, 80),
      colouredArt('eye-art', '#cc0004'),
    ],
    riders: [
      riderOn('sky', 'loops', [], { art: 'sky-art', guide: null, at: [420, 200], parallax: 0 }),
      riderOn('hill', 'loops', [], { art: 'hill-art', guide: null, at: [400, 330], parallax: 0.5 }),
      riderOn('flyer', 'loops', lap, { art: 'flyer-art' }),
      riderOn('eye', 'loops', lap, {
        art: 'eye-art',
        output: false,
        heading: { mode: 'level', offset: 10 },
        pace: { delay: 0.2 },
        scale: [0.8, 0.8],
        keys: {
          scale: [
            { id: 'e1', time: 0, value: [1, 1], ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
            { id: 'e2', time: 2, value: [0.6, 0.6], ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
            { id: 'e3', time: 4, value: [1, 1] },
          ],
          turn: [
            { id: 'e4', time: 0, value: 0 },
            { id: 'e5', time: 2, value: -25 },
            { id: 'e6', time: 4, value: 0 },
          ],
        },
      }),
    ],
  }),
};

/** Boxes on one guide, r1, r2 and so on, each with the marks of a list: a loop of 4 s. */
export const ridersOn = (guide: object, ...lists: object[][]): Scene =>
  sceneOf({
    guides: [guide],
    riders: lists.map((marks, i) => riderOn(`r${i + 1}`, (guide as { id: string }).id, marks as never)),
  });
