import {
  emptyScene,
  newGuide,
  newHeading,
  newMark,
  newPace,
  newRider,
  outlinesFromPathData,
  type Art,
  type Ease,
  type Guide,
  type Rider,
  type Scene,
} from '@pace-line/core';

/** One line of a recipe's picture, and who rides it. */
export interface Way {
  /** Path data on a canvas of 240 × 108 px. */
  readonly d: string;
  readonly color?: string;
  readonly dash?: boolean;
  /** The line is drawn by its rider as it goes. */
  readonly drawn?: boolean;
  readonly art?: keyof typeof ARTS;
  readonly level?: boolean;
  /** Time, s of 4, and share of the way of each mark; absent: the whole way, eased in and out. */
  readonly marks?: readonly (readonly [time: number, share: number])[];
  readonly ease?: Ease;
}

const SIZE = { width: 240, height: 108 };
const INK = '#1F2933';
const TEAL = '#0B7A75';
const RUST = '#A3471F';

const drawing = (id: string, width: number, height: number, inside: string, pivot: Art['pivot']): Art => ({
  id,
  name: id,
  kind: 'svg',
  markup: `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${inside}</svg>`,
  width,
  height,
  pivot,
  facing: 0,
});

/** What rides in the pictures, each drawn to face right. */
const ARTS = {
  pen: drawing('pen', 14, 14, `<circle cx="7" cy="7" r="5" fill="#FFFDF7" stroke="${INK}" stroke-width="2"/>`, [7, 7]),
  boat: drawing(
    'boat',
    34,
    18,
    `<path d="M1 3C12-1 24 1 33 9C24 17 12 19 1 15Z" fill="${RUST}"/><rect x="8" y="6" width="11" height="6" rx="2" fill="#FBE3B5"/>`,
    [17, 9],
  ),
  lamp: drawing(
    'lamp',
    20,
    26,
    `<path d="M10 1V5" stroke="${INK}" stroke-width="2"/><path d="M5 5H15L18 20H2Z" fill="#F2A93B"/><rect x="4" y="20" width="12" height="4" fill="${INK}"/>`,
    [10, 13],
  ),
  square: drawing(
    'square',
    12,
    12,
    `<path d="M2 2H10V10H2Z" fill="#FFFDF7" stroke="${INK}" stroke-width="2"/>`,
    [6, 6],
  ),
} as const satisfies Record<string, Art>;

const SMOOTH: Ease = { kind: 'family', family: 'sine', mode: 'in-out' };

/** The scene of a picture: what our own writer makes a moving SVG of. */
export function pictureScene(name: string, ways: readonly Way[]): Scene {
  const made = ways.map((way, i) => guideAndRider(way, i));
  return {
    ...emptyScene(name),
    canvas: { ...SIZE, background: '#F7F3EA' },
    art: Object.values(ARTS).filter((art) => made.some(({ rider }) => rider?.art === art.id)),
    guides: made.map(({ guide }) => guide),
    riders: made.flatMap(({ rider }) => rider ?? []),
  };
}

function guideAndRider(way: Way, index: number): { guide: Guide; rider: Rider | undefined } {
  const read = outlinesFromPathData(way.d);
  const outline = read.ok ? read.outlines[0] : undefined;
  if (!outline) throw new Error(`A recipe's way cannot be read: ${way.d}`);
  const id = `way${index}`;
  const rides = way.art && `rider${index}`;
  const guide = newGuide({
    id,
    name: id,
    color: TEAL,
    closed: outline.closed,
    nodes: outline.nodes.map((node, i) => ({ join: 'corner' as const, ...node, id: `${id}-n${i}` })),
    stroke: {
      color: way.color ?? TEAL,
      width: way.dash ? 1.5 : 3,
      dash: way.dash ? [4, 5] : null,
      draws: way.drawn && rides ? rides : null,
    },
  });
  if (!rides || !way.art) return { guide, rider: undefined };
  const marks = (
    way.marks ?? [
      [0, 0],
      [3.4, 1],
    ]
  ).map(([time, value], i) => newMark(`${rides}-m${i}`, time, { by: 'share', value }, { ease: way.ease ?? SMOOTH }));
  const heading = newHeading({ mode: way.level ? 'level' : 'along' });
  return {
    guide,
    rider: newRider({ id: rides, name: rides, art: way.art, guide: id, heading, pace: newPace({ marks }) }),
  };
}
