import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import {
  actedMotion,
  newGuide,
  newHeading,
  newMark,
  newPace,
  newRecipe,
  newRider,
  pullSpan,
  rideActed,
  setDown,
  setEase,
  setJoin,
  type Mark,
  type Node,
  pathThrough,
  prepare,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { paddleArt } from './paddle.ts';
import { art, at, drawingOf, NO_KEYS, NO_POSES, node, scene, scenery, overlapping } from './kit.ts';
import { narrows, race } from './found.ts';
import { order } from './order.ts';
import { tin } from './tin.ts';
import { STRIDE, walkingArt } from './walking.ts';

/** Lantern Quay: a made-up canal-side tea market at dusk. Each scene is a complete job. */

/** Leaves and reaches its marks at about four tenths of the mean speed, so that it flows through them. */
const GLIDE = { kind: 'bezier', values: [0.4, 0.16, 0.6, 0.84] } as const;

function canal(): Scene {
  const nodes: Node[] = [
    node('west', -90, 470, undefined, { out: [90, -6] }),
    node('bend', 250, 520, [110, 26], { join: 'smooth' }),
    node('landing', 648, 452, [84, 0]),
    node('reach', 960, 560, [120, 20], { join: 'smooth' }),
    node('east', 1380, 486, undefined, { in: [-120, 34] }),
  ];
  const guide = newGuide({
    id: 'canal',
    name: 'Canal',
    closed: false,
    nodes,
    color: '#0B7A75',
  });
  const marks: Mark[] = [
    newMark('sets-out', 0, at('west'), { ease: { kind: 'family', family: 'sine', mode: 'out' } }),
    newMark('moors', 3.6, at('landing'), { dwell: 0.9, ease: { kind: 'family', family: 'sine', mode: 'in' } }),
    newMark('leaves', 8, at('east')),
  ];
  return scene({
    name: 'Down the canal',
    canvas: { width: 1280, height: 720, background: '#2F6670' },
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    art: [
      art('quay', 'Quay at dusk', [0, 0]),
      art('paper-boat', 'Paper boat', [58, 66]),
      art('lantern', 'Paper lantern', [48, 0]),
    ],
    guides: [guide],
    riders: [
      scenery('quay', 'Quay'),
      newRider({
        id: 'boat',
        name: 'Paper boat',
        art: 'paper-boat',
        guide: 'canal',
        pace: newPace({ marks }),
        heading: newHeading({ mode: 'along' }),
      }),
      newRider({
        id: 'boat-lamp',
        name: 'Lamp on the boat',
        art: 'lantern',
        at: [100, 30],
        scale: [0.42, 0.42],
        carrier: { rider: 'boat', turn: false, scale: true, mirror: true },
        keys: {
          ...NO_KEYS,
          turn: [0, 2, 4, 6, 8].map((time, i) => ({
            id: `sway-${i + 1}`,
            time,
            value: i % 2 === 0 ? -7 : 7,
            ease: { kind: 'family', family: 'sine', mode: 'in-out' },
            mark: null,
          })),
        },
      }),
    ],
  });
}

/** A barrel rolls down beside the stairs, over the ground, and out of the picture: its turns are those of the way it covers. */
function barrel(): Scene {
  const nodes: Node[] = [
    node('quay-end', -80, 300, undefined, { out: [100, 0] }),
    node('ramp-top', 330, 300, undefined, { in: [-80, 0], out: [110, 0], join: 'smooth' }),
    node('ramp-foot', 740, 560, undefined, { in: [-110, 0], out: [90, 0], join: 'smooth' }),
    node('rise', 980, 546, [80, 0]),
    node('away', 1380, 560, undefined, { in: [-120, 0] }),
  ];
  const guide = newGuide({ id: 'ground', name: 'Ground', nodes, color: '#A3471F' });
  const marks: Mark[] = [newMark('pushed', 0, at('quay-end')), newMark('gone', 4.8, at('away'))];
  // Pushed, it runs down the ramp and over the rise as its weight has it.
  const recipe = { ...newRecipe('fall'), gravity: 420, start: 220, least: 120, friction: 0.05 } as const;
  return scene({
    name: 'Tea barrel down the ramp',
    canvas: { width: 1280, height: 720, background: '#54608C' },
    clock: { duration: 4.8, fps: 30, repeat: 'loop' },
    art: [art('stair-ramp', 'Stair ramp', [0, 0]), art('tea-barrel', 'Tea barrel', [38, 38])],
    guides: [guide],
    riders: [
      scenery('stair-ramp', 'Stair ramp'),
      newRider({
        id: 'barrel',
        name: 'Tea barrel',
        art: 'tea-barrel',
        guide: 'ground',
        pace: { ...newPace({ marks }), recipe },
        roll: { radius: null, guide: 'ground', side: 'left' },
      }),
    ],
  });
}

/** Where lanterns hang, and how large they are. */
const LANTERNS = [
  [210, 106, 0.86],
  [420, 60, 1],
  [640, 84, 0.8],
  [860, 60, 1.06],
  [1080, 66, 0.9],
] as const;

function dragonfly(): Scene {
  const nodes: Node[] = [
    node('perch', 250, 300, [0, -120]),
    node('small-top', 420, 170, [90, 0]),
    node('small-low', 520, 330, [-60, 60], { join: 'smooth' }),
    node('small-back', 400, 300, [20, -90]),
    node('cross', 640, 250, [110, 60]),
    node('great-right', 1080, 330, [0, 150]),
    node('great-low', 860, 520, [-170, 0]),
    node('great-left', 690, 360, [30, -150]),
    node('great-top', 900, 170, [110, 10]),
    node('tight', 985, 260, [0, 60]),
    node('tight-low', 910, 310, [-60, 0]),
    node('tight-back', 860, 240, [-30, -70], { join: 'smooth' }),
    node('home', 560, 110, [-150, 10], { join: 'smooth' }),
    node('low', 300, 470, [-70, -30], { join: 'smooth' }),
  ];
  const guide = newGuide({
    id: 'flight',
    name: 'Flight',
    closed: true,
    nodes,
    color: '#7A3E7E',
  });
  const path = pathThrough(nodes, true);
  const timeAt = (id: string): number => {
    const index = nodes.findIndex((one) => one.id === id);
    return Math.round(((9 * (path.starts[index] ?? 0)) / path.length) * 1e4) / 1e4;
  };
  const stops = ['perch', 'cross', 'great-left', 'home'];
  const marks: Mark[] = [
    ...stops.map((id, i): Mark => ({
      id: `over-${id}`,
      time: i === 0 ? 0 : timeAt(id),
      place: at(id),
      dwell: 0,
      ease: GLIDE,
    })),
    newMark('round', 9, at('perch', 1)),
  ];
  const plain = scene({
    name: 'Dragonfly among lanterns',
    canvas: { width: 1280, height: 720, background: '#232A4A' },
    clock: { duration: 9, fps: 30, repeat: 'loop' },
    art: [
      art('reeds', 'Reeds by night', [0, 0]),
      art('lantern', 'Paper lantern', [48, 0]),
      art('line', 'Line', [0, 0]),
      art('glow', 'Glow', [120, 120]),
      art('dragonfly', 'Dragonfly', [78, 52]),
    ],
    guides: [guide],
    riders: [
      scenery('reeds', 'Reeds'),
      ...LANTERNS.map(([x, y, size], i) =>
        newRider({
          id: `lantern-${i + 1}`,
          name: `Lantern ${i + 1}`,
          art: 'lantern',
          at: [x, y],
          scale: [size, size],
          locked: true,
        }),
      ),
      newRider({
        id: 'dragonfly-1',
        name: 'Dragonfly',
        art: 'dragonfly',
        guide: 'flight',
        pace: newPace({ marks }),
        heading: newHeading({ mode: 'along', smooth: 60 }),
      }),
    ],
  });
  return litInTurn(plain);
}

/** Lanterns light up as the dragonfly passes: a glow over each, brightest when it is nearest. */
function litInTurn(plain: Scene): Scene {
  const motion = prepare(plain);
  const flies = motion.indexOf('dragonfly-1');
  const times = Array.from({ length: 900 }, (_, i) => i / 100);
  const glows = LANTERNS.map(([x, y, size], i): Rider => {
    const middle = y + 84 * size;
    const gapAt = (time: number): number => {
      const pose = motion.poseAt(time);
      return Math.hypot(pose.of(flies, 'x') - x, pose.of(flies, 'y') - middle);
    };
    const nearest = times.reduce((best, time) => (gapAt(time) < gapAt(best) ? time : best), 0);
    const lit = (k: number, time: number, value: number) => ({
      id: `glow-${i + 1}-${k}`,
      time,
      value,
      ease: { kind: 'family', family: 'sine', mode: 'in-out' } as const,
      mark: null,
    });
    return newRider({
      id: `glow-${i + 1}`,
      name: `Glow ${i + 1}`,
      art: 'glow',
      at: [x, middle],
      scale: [size, size],
      locked: true,
      // Its cycle begins a second before the dragonfly is there.
      pace: newPace({ delay: Math.round((nearest - 1) * 100) / 100 }),
      keys: { ...NO_KEYS, opacity: [lit(1, 0.2, 0.12), lit(2, 1, 1), lit(3, 2.6, 0.12)] },
    });
  });
  const riders = plain.riders.filter(({ id }) => id !== 'dragonfly-1');
  // A line from lantern to lantern, each piece stretched between two of them.
  const lines = LANTERNS.slice(1).map((_, i): Rider =>
    newRider({
      id: `line-${i + 1}`,
      name: `Line ${i + 1}`,
      art: 'line',
      locked: true,
      strung: { from: `lantern-${i + 1}`, to: `lantern-${i + 2}`, fromAt: null, toAt: null, stretch: true },
    }),
  );
  const [reeds, ...lanterns] = riders;
  return {
    ...plain,
    riders: [
      ...(reeds ? [reeds] : []),
      ...lines,
      ...lanterns,
      ...glows,
      ...plain.riders.filter(({ id }) => id === 'dragonfly-1'),
    ],
  };
}

function ferries(): Scene {
  const nodes: Node[] = [
    node('west-landing', 216, 364, [0, -110]),
    node('north', 640, 190, [260, 0]),
    node('east-landing', 1064, 364, [0, 110]),
    node('south', 640, 538, [-260, 0]),
  ];
  const guide = newGuide({
    id: 'service',
    name: 'Ferry service',
    closed: true,
    nodes,
    color: '#0B7A75',
  });
  const SWAY = { kind: 'family', family: 'sine', mode: 'in-out' } as const;
  const service = (prefix: string): Mark[] => [
    { id: `${prefix}-west`, time: 0, place: at('west-landing'), dwell: 1, ease: SWAY },
    { id: `${prefix}-east`, time: 6, place: at('east-landing'), dwell: 1, ease: SWAY },
    newMark(`${prefix}-home`, 12, at('west-landing', 1)),
  ];
  const ferry = (id: string, name: string, delay: number): Rider =>
    newRider({
      id,
      name,
      art: 'ferry',
      guide: 'service',
      pace: newPace({ marks: service(id), delay }),
      heading: newHeading({ mode: 'along' }),
    });
  return scene({
    name: 'Two ferries, one loop',
    canvas: { width: 1280, height: 720, background: '#E6D3B1' },
    clock: { duration: 12, fps: 30, repeat: 'loop' },
    art: [
      art('basin', 'Basin from above', [0, 0]),
      paddleArt(),
      art('ferry', 'Ferry', [66, 34]),
      art('skiff', 'Skiff', [20, 10]),
    ],
    guides: [guide],
    riders: [
      scenery('basin', 'Basin'),
      ferry('ferry-a', 'Ferry A', 0),
      ...paddlesOf('ferry-a', 'A'),
      ferry('ferry-b', 'Ferry B', 6),
      ...paddlesOf('ferry-b', 'B'),
      skiff(),
    ],
  });
}

/** A skiff on the ferries' way, a little outside of it: rowed evenly, it is overtaken between the landings and goes by while they rest. */
const skiff = (): Rider =>
  newRider({
    ...{ id: 'skiff-1', name: 'Skiff', art: 'skiff', guide: 'service', lift: 56 },
    pace: newPace({
      marks: [newMark('skiff-sets-out', 0, at('west-landing')), newMark('skiff-home', 12, at('west-landing', 1))],
      delay: 0.36,
    }),
    heading: newHeading({ mode: 'along' }),
  });

/** The paddles at both sides of a ferry: their blades turn over twice a second, on a clock of their own, and slide back under the deck as seen from above. */
function paddlesOf(ferry: string, name: string): Rider[] {
  return [7, 61].map((y, i) =>
    newRider({
      id: `${ferry}-paddle-${i + 1}`,
      name: `Paddle ${name}${i + 1}`,
      art: 'paddle',
      at: [67, y],
      carrier: { rider: ferry, turn: true, scale: true, mirror: true },
      poses: { ...NO_POSES, by: 'time', rate: 16 },
      pace: newPace({ cycle: 0.5 }),
      locked: true,
    }),
  );
}

/** A kite set down at four places, one after another, over a sketch of the swing; then the spans between were pulled. */
function kite(): Scene {
  const sketch = readFileSync(new URL('./art/swing-sketch.svg', import.meta.url));
  const asset = createHash('sha256').update(sketch).digest('hex');
  const start = scene({
    name: 'Kite over the quay',
    canvas: { width: 1280, height: 720, background: '#2F6670' },
    clock: { duration: 5, fps: 30, repeat: 'there-and-back' },
    art: [art('quay', 'Quay at dusk', [0, 0]), art('kite', 'Kite', [75, 58])],
    guides: [],
    riders: [scenery('quay', 'Quay'), newRider({ id: 'kite-1', name: 'Kite', art: 'kite', at: [256, 228] })],
    tracing: [
      {
        id: 'swing',
        name: 'Sketch of the swing',
        asset,
        type: 'image/svg+xml',
        width: 1280,
        height: 720,
        x: 640,
        y: 360,
        scale: 1,
        turn: 0,
        opacity: 0.55,
        visible: true,
        locked: true,
      },
    ],
    assets: { [asset]: sketch.toString('base64') },
  });
  const places = [
    [1.5, 451, 105],
    [3, 618, 176],
    [4, 855, 247],
    [5, 1010, 168],
  ] as const;
  const set = places.reduce(
    (sum, [time, x, y], i) =>
      setDown(sum, {
        rider: 'kite-1',
        time,
        to: [x, y],
        ids: {
          guide: 'swing-way',
          nodes: [`swing-way-n${2 * i + 1}`, `swing-way-n${2 * i + 2}`],
          marks: [`kite-m${2 * i + 1}`, `kite-m${2 * i + 2}`],
        },
        name: 'Swing',
        color: '#A3471F',
      }),
    start,
  );
  const pulls = [
    [0, 318, 138],
    [1, 542, 112],
    [2, 730, 240],
    [3, 948, 228],
  ] as const;
  const bent = pulls.reduce(
    (sum, [span, x, y]) => pullSpan(sum, { guide: 'swing-way', span, t: 0.5, to: [x, y] }),
    set,
  );
  const way = bent.guides[0]?.nodes.map((one) => one.id) ?? [];
  const smooth = setJoin(bent, { guide: 'swing-way', nodes: way.slice(1, -1), join: 'smooth' });
  const marks = smooth.riders.find((one) => one.id === 'kite-1')?.pace.marks ?? [];
  // It leaves its ends from rest and flows through the places between.
  return marks.slice(0, -1).reduce((sum, mark, i) => {
    const leaves = i === 0 ? 0 : 0.16;
    const arrives = i === marks.length - 2 ? 1 : 0.84;
    const ease = { kind: 'bezier', values: [0.4, leaves, 0.6, arrives] } as const;
    return setEase(sum, { rider: 'kite-1', marks: [mark.id], ease });
  }, smooth);
}

/** A heron's way along the bank, acted out by a hand that steps, waits and steps on. */
function heron(): Scene {
  const steps = [0, 0.13, 0.13, 0.3, 0.42, 0.42, 0.42, 0.62, 0.78, 0.78, 1];
  const hand = Array.from({ length: 401 }, (_, i) => {
    const time = i * 0.02;
    const at = (time / 8) * (steps.length - 1);
    const k = Math.min(steps.length - 2, Math.floor(at));
    const u = at - k;
    const share = (steps[k] ?? 0) + ((steps[k + 1] ?? 1) - (steps[k] ?? 0)) * u * u * (3 - 2 * u);
    const x = -120 + 1540 * share;
    return { time, x, y: 612 - 40 * Math.sin((share + 0.08) * 6.2) * (1 - share / 2) + 12 * Math.sin(share * 19) };
  });
  const acted = actedMotion(hand, { ids: 'bank-n' });
  if (!acted) throw new Error('the hand did not move');
  const start = scene({
    name: 'Heron along the bank',
    canvas: { width: 1280, height: 720, background: '#A9C3C0' },
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    art: [art('bank', 'Bank at dawn', [0, 0]), walkingArt('heron', 'Heron', drawingOf('heron'))],
    guides: [],
    riders: [
      scenery('bank', 'Bank'),
      // Its poses go with the way, so that its feet stay where they were set down, however it hastens and waits.
      newRider({
        id: 'heron-1',
        name: 'Heron',
        art: 'heron',
        at: [-120, 600],
        poses: { ...NO_POSES, by: 'distance', stride: STRIDE },
      }),
    ],
  });
  const guide = newGuide({
    id: 'bank-way',
    name: 'Along the bank',
    closed: false,
    nodes: acted.nodes,
    color: '#55752A',
  });
  return rideActed(start, { rider: 'heron-1', guide, marks: acted.marks, start: 0, ids: 'heron-m' });
}

export const SAMPLES: readonly { readonly file: string; readonly scene: Scene }[] = [
  { file: 'down-the-canal.paceline.json', scene: canal() },
  { file: 'dragonfly.paceline.json', scene: overlapping(dragonfly(), 'it is lit by the lanterns') },
  { file: 'two-ferries.paceline.json', scene: ferries() },
  { file: 'tea-barrel.paceline.json', scene: barrel() },
  { file: 'kite.paceline.json', scene: kite() },
  { file: 'heron.paceline.json', scene: heron() },
  { file: 'tea-tin.paceline.json', scene: tin() },
  { file: 'tea-order.paceline.json', scene: overlapping(order(), 'it falls into the basket') },
  { file: 'narrows.paceline.json', scene: narrows() },
  { file: 'two-sledges.paceline.json', scene: race() },
];
