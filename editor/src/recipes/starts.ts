import {
  emptyScene,
  newGuide,
  newHeading,
  newMark,
  newPace,
  newRider,
  outlinesFromPathData,
  ROUTE_COLORS,
  type Art,
  type Guide,
  type Heading,
  type Rider,
  type Scene,
} from '@pace-line/core';

const INK = '#1F2933';

const svg = (width: number, height: number, inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${inside}</svg>`;

const drawing = (id: string, name: string, [width, height]: readonly [number, number], inside: string): Art => ({
  ...{ id: `${id}-art`, name, kind: 'svg', markup: svg(width, height, inside), width, height, facing: 0 },
  pivot: [width / 2, height / 2],
});

/** A walker in a few poses, its feet at the foot of its box. */
const walker = (): Art => ({
  ...{ id: 'walker-art', name: 'Walker', kind: 'strip', width: 60, height: 100, pivot: [30, 100], facing: 0 },
  poses: [22, 10, 0, -10, -22, -10, 0, 10].map((reach) => ({
    kind: 'svg' as const,
    markup: svg(
      60,
      100,
      `<path d="M${30 - reach} 98L30 60L${30 + reach} 98" fill="none" stroke="${INK}" stroke-width="6" stroke-linejoin="round" stroke-linecap="round"/><path d="M14 62C14 30 22 20 34 20S50 34 46 62Z" fill="#0B7A75"/><circle cx="38" cy="13" r="12" fill="#F2C79B"/>`,
    ),
  })),
});

const DRAWINGS = {
  boat: drawing(
    'boat',
    'Boat',
    [112, 60],
    '<path d="M2 10C40 -4 80 4 110 30C80 56 40 64 2 50Z" fill="#A3471F"/><rect x="26" y="20" width="38" height="20" rx="6" fill="#FBE3B5"/>',
  ),
  lamp: drawing(
    'lamp',
    'Lamp',
    [60, 78],
    `<path d="M30 2V16" stroke="${INK}" stroke-width="5"/><path d="M14 16H46L56 62H4Z" fill="#F2A93B"/><rect x="10" y="62" width="40" height="12" fill="${INK}"/>`,
  ),
  barrel: drawing(
    'barrel',
    'Barrel',
    [80, 80],
    `<circle cx="40" cy="40" r="38" fill="#A86F0B"/><path d="M40 40H76M40 40L22 8M40 40L22 72" stroke="${INK}" stroke-width="5" stroke-linecap="round"/>`,
  ),
  cart: drawing(
    'cart',
    'Cart',
    [120, 50],
    `<rect x="2" y="4" width="116" height="30" rx="6" fill="#3D5A99"/><circle cx="24" cy="40" r="9" fill="${INK}"/><circle cx="96" cy="40" r="9" fill="${INK}"/>`,
  ),
  moon: drawing('moon', 'Moon', [44, 44], '<circle cx="22" cy="22" r="20" fill="#7A3E7E"/>'),
  rod: drawing('rod', 'Rod', [160, 16], '<rect x="0" y="3" width="160" height="10" rx="5" fill="#1F2933"/>'),
  reeds: drawing(
    'reeds',
    'Reeds',
    [160, 150],
    '<path d="M20 150L34 10M60 150L52 0M96 150L108 16M132 150L122 30" stroke="#55752A" stroke-width="16" stroke-linecap="round"/>',
  ),
  shadow: drawing('shadow', 'Shadow', [112, 30], '<ellipse cx="56" cy="15" rx="54" ry="13" fill="#1F2933"/>'),
  label: drawing(
    'label',
    'Button',
    [200, 64],
    '<rect x="2" y="2" width="196" height="60" rx="12" fill="#0B7A75"/><path d="M60 32H140M116 16L140 32L116 48" fill="none" stroke="#FBF5E6" stroke-width="8" stroke-linecap="round" stroke-linejoin="round"/>',
  ),
} as const satisfies Record<string, Art>;

const ART: Readonly<Record<keyof typeof DRAWINGS | 'walker', Art>> = { ...DRAWINGS, walker: walker() };

export type StartArt = keyof typeof ART;

export interface StartGuide {
  readonly name: string;
  /** Path data on a canvas of 1280 × 720 px. */
  readonly d: string;
}

export interface StartRider {
  readonly art: StartArt;
  readonly name?: string;
  /** The guide that it rides, by name; absent: it is parked. */
  readonly on?: string;
  readonly at?: readonly [number, number];
  /** Time, s, and share of the way of each mark; absent: from end to end, steadily. */
  readonly marks?: readonly (readonly [time: number, share: number])[];
  readonly heading?: Partial<Heading>;
}

interface Start {
  readonly guides?: readonly StartGuide[];
  readonly riders?: readonly StartRider[];
  /** Drawings that lie in the Art drawer beside those of the riders. */
  readonly art?: readonly StartArt[];
  readonly clock?: Partial<Scene['clock']>;
  readonly canvas?: Partial<Scene['canvas']>;
}

/** The scene of a recipe: what is there before its first step. */
export function startWith({ guides = [], riders = [], art = [], clock, canvas }: Start): Scene {
  const scene = emptyScene('');
  const used = new Set([...art, ...riders.map((one) => one.art)]);
  return {
    ...scene,
    canvas: { ...scene.canvas, ...canvas },
    clock: { ...scene.clock, ...clock },
    art: [...used].map((id) => ART[id]),
    guides: guides.map(guideOf),
    riders: riders.map(riderOf(clock?.duration ?? scene.clock.duration)),
  };
}

const idOf = (name: string): string => name.toLowerCase().replaceAll(' ', '-');

function guideOf({ name, d }: StartGuide, index: number): Guide {
  const read = outlinesFromPathData(d);
  const outline = read.ok ? read.outlines[0] : undefined;
  if (!outline) throw new Error(`The way of ${name} cannot be read: ${d}`);
  const nodes = outline.nodes.map((node, i) => ({ join: 'corner' as const, ...node, id: `${idOf(name)}-n${i + 1}` }));
  return newGuide({
    id: idOf(name),
    name,
    color: ROUTE_COLORS[index % ROUTE_COLORS.length] ?? ROUTE_COLORS[0],
    closed: outline.closed,
    nodes,
  });
}

const riderOf =
  (duration: number) =>
  ({ art, name = ART[art].name, on, at, marks, heading }: StartRider): Rider => {
    const times = marks ?? [
      [0, 0],
      [duration, 1],
    ];
    return newRider({
      ...{ id: idOf(name), name, art: ART[art].id, guide: on === undefined ? null : idOf(on) },
      ...(at && { at: [at[0], at[1]] }),
      heading: newHeading(heading ?? (on === undefined ? {} : { mode: 'along' })),
      pace: newPace({
        marks:
          on === undefined
            ? []
            : times.map(([time, share], i) => newMark(`${idOf(name)}-m${i + 1}`, time, { by: 'share', value: share })),
      }),
    });
  };

/** Ways that recipes share. Halfway along the arch is 640, 300; a quarter of the round is 640, 220. */
export const WAYS_OF_STARTS = {
  arch: 'M140 480C400 240 880 240 1140 480',
  round: 'M200 400C200 160 1080 160 1080 400S200 640 200 400Z',
  line: 'M140 420H1140',
  hills: 'M100 420C200 420 240 560 400 560S640 300 780 300S1000 520 1180 520',
  hairpin: 'M120 240H980C1180 240 1180 500 980 500H160',
} as const;

/** A boat on an arch, there and back. */
export const boatOnArch = (more: Start = {}): Scene =>
  startWith({
    guides: [{ name: 'Canal', d: WAYS_OF_STARTS.arch }],
    clock: { repeat: 'there-and-back' },
    ...more,
    riders: [{ art: 'boat', on: 'Canal' }, ...(more.riders ?? [])],
  });

/** px by which they ride beside their guides. */
const BESIDE: Readonly<Record<string, number>> = { boat: -24, cart: 24, moon: 12 };

/** Two that pass each other too closely, and one that leaves its lane. */
export function crowdedLanes(): Scene {
  const scene = startWith({
    guides: [
      { name: 'Canal', d: WAYS_OF_STARTS.line },
      { name: 'Ditch', d: 'M140 600H1140' },
    ],
    clock: { repeat: 'there-and-back' },
    riders: [
      { art: 'boat', on: 'Canal' },
      {
        ...{ art: 'cart', on: 'Canal' },
        marks: [
          [0, 1],
          [4, 0],
        ],
      },
      { art: 'moon', on: 'Ditch' },
    ],
  });
  return {
    ...scene,
    guides: scene.guides.map((guide) => (guide.name === 'Ditch' ? { ...guide, corridor: 56 } : guide)),
    riders: scene.riders.map((rider) => ({ ...rider, lift: BESIDE[rider.id] ?? 0 })),
  };
}

/** A boat that goes round. */
export const boatRound = (more: Start = {}): Scene =>
  startWith({
    guides: [{ name: 'Basin', d: WAYS_OF_STARTS.round }],
    ...more,
    riders: [{ art: 'boat', on: 'Basin' }, ...(more.riders ?? [])],
  });
