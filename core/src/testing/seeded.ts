import type { Scene } from '../scene/index.ts';
import { countedRandom } from './random.ts';
import { BOX_ART, colouredArt, colouredStrip, riderOn, sceneOf, SQUARE } from './scenes.ts';

type Json = Record<string, unknown>;

const inked = (id: string, inside: string, more = ''): Json => ({
  ...BOX_ART,
  ...{ id, name: id },
  markup: `<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40" viewBox="0 0 60 40"${more}>${inside}</svg>`,
});

/** Art of every make: plain, with edges that clip it, a gradient, letters, a clip within it, a viewBox of another shape, and poses. */
const ARTS: readonly Json[] = [
  colouredArt('plain', '#b00020'),
  inked('reaching', '<circle cx="30" cy="20" r="26" fill="#0050b0" stroke="#111" stroke-width="4"/>'),
  inked(
    'shaded',
    '<defs><linearGradient id="g"><stop offset="0" stop-color="#b0a000"/><stop offset="1" stop-color="#00a0b0"/></linearGradient></defs><g opacity=".8"><rect x="4" y="4" width="52" height="32" fill="url(#g)"/></g>',
  ),
  inked('lettered', '<rect width="60" height="40" fill="#ddd"/><text x="6" y="26" font-size="18">Tea</text>'),
  inked(
    'cut',
    '<defs><clipPath id="c"><circle cx="30" cy="20" r="15"/></clipPath></defs><rect width="60" height="40" fill="#306010" clip-path="url(#c)"/>',
  ),
  {
    ...inked('boxed', '<path d="M0 0h100v100h-100z" fill="#803080"/><path d="M20 20h20v20h-20z" fill="#fff"/>'),
    markup:
      '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40" viewBox="0 0 100 100" preserveAspectRatio="xMaxYMin meet"><path d="M0 0h100v100h-100z" fill="#803080"/><path d="M20 20h20v20h-20z" fill="#fff"/></svg>',
  },
  colouredStrip('posing', ['#aa4400', '#00aa44', '#4400aa']),
];

/** A scene of up to five riders that differ in all that writers treat in ways of their own: the same for a seed in every run. */
export function seededScene(seed: number): Scene {
  const random = countedRandom(seed);
  const chance = (share: number): boolean => random() < share;
  const between = (from: number, to: number): number => Math.round((from + random() * (to - from)) * 100) / 100;
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const nodes = Array.from({ length: 3 + Math.floor(random() * 3) }, (_, i) => {
    const out = chance(0.6) ? [between(-120, 120), between(-120, 120)] : undefined;
    const handles = out ? { out, in: [-out[0]!, -out[1]!] } : {};
    return { id: `w${i + 1}`, x: between(120, 680), y: between(100, 500), ...handles };
  });
  const way = { id: 'way', name: 'Way', closed: chance(0.7), color: '#0B7A75', nodes };
  const keyed = (name: string, value: () => unknown): Json =>
    chance(0.35)
      ? {
          [name]: [0, 1.3, 2.6, 4].map((time, i) => ({ id: `${name}${seed}-${i}-${random()}`, time, value: value() })),
        }
      : {};
  const riders = Array.from({ length: 1 + Math.floor(random() * 5) }, (_, i): Json => {
    const [id, art] = [`r${i + 1}`, one(ARTS)];
    const rides = chance(0.75);
    const marks = [
      { time: 0, place: { by: 'share', value: 0 } },
      { time: between(1, 3), place: { by: 'share', value: between(0.2, 0.9) }, dwell: chance(0.3) ? 0.3 : 0 },
      { time: 4, place: { by: 'share', value: 1 } },
    ];
    const keys = {
      ...keyed('turn', () => between(-60, 60)),
      ...keyed('scale', () => [between(0.5, 1.6), between(0.5, 1.6)]),
      ...keyed('opacity', () => between(0.2, 1)),
    };
    return riderOn(id, 'way', rides ? marks : [], {
      ...{ art: art['id'], keys },
      ...(rides ? {} : { guide: null, at: [between(150, 650), between(120, 480)] }),
      heading: { mode: one(['along', 'level']) },
      parallax: one([1, 1, 1, 0.5]),
      ...(chance(0.2) ? { inside: { guide: 'square', keep: one(['inside', 'outside']) } } : {}),
      ...(art['kind'] === 'strip' ? { poses: { by: 'time', rate: 3, first: 1 } } : {}),
      ...(i > 0 && chance(0.2) ? { guide: null, at: [between(-60, 60), 50], carrier: { rider: 'r1' } } : {}),
    });
  });
  const isSeen = chance(0.4);
  const camera: Json[] = isSeen
    ? [
        riderOn('eye', 'way', [], {
          ...{ guide: null, at: [between(350, 450), between(250, 350)], output: false },
          keys: { ...keyed('turn', () => between(-15, 15)), ...keyed('scale', () => [between(0.8, 1.2), 1]) },
        }),
      ]
    : [];
  return sceneOf({
    name: `Seed ${seed}`,
    guides: [way, SQUARE],
    art: [BOX_ART, ...ARTS],
    riders: [...riders, ...camera],
    ...(isSeen ? { camera: 'eye' } : {}),
  });
}
