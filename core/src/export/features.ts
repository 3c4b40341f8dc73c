import type { Rider, Scene } from '../scene/index.ts';

/** Things a scene may hold that not every format can. */
export const FEATURES = [
  'art',
  'background',
  'strokes',
  'drawn-strokes',
  'dashes-while-drawn',
  'poses',
  'stack',
  'clips',
  'camera',
  'driver',
  'lead-in',
] as const;
export type Feature = (typeof FEATURES)[number];

/** What a drawing of the scene holds, whatever it is written as. */
export const DRAWN: readonly Feature[] = [
  ...(['art', 'background', 'strokes', 'drawn-strokes', 'poses', 'stack', 'clips', 'camera'] as const),
];

interface FeatureWords {
  /** Names of what in the scene uses it; none: it is not used. */
  readonly usedBy: (scene: Scene) => readonly string[];
  /** What is lost without it. */
  readonly lost: (names: readonly string[]) => string;
}

const quoted = (names: readonly string[]): string => names.map((name) => `“${name}”`).join(', ');
const sent = (scene: Scene, is: (rider: Rider) => boolean): string[] =>
  scene.riders.filter((rider) => rider.output && is(rider)).map(({ name }) => name);
const strokes = (scene: Scene): Scene['guides'] => scene.guides.filter((guide) => guide.stroke);

/** Whether a rider enters, comes only once or is hidden until it starts. */
const isOtherAtFirst = ({ entrance, pace }: Pick<Rider, 'entrance' | 'pace'>): boolean =>
  entrance !== null || pace.only || (pace.hidden && pace.delay > 0);

/** Worded once, for every format. */
const WORDS: Readonly<Record<Feature, FeatureWords>> = {
  art: {
    usedBy: (scene) => scene.riders.filter((rider) => rider.output).map((rider) => rider.name),
    lost: () => 'The drawings: it holds the motion alone.',
  },
  background: {
    usedBy: ({ canvas }) => (canvas.background === null ? [] : ['canvas']),
    lost: () => 'The canvas’s background.',
  },
  strokes: {
    usedBy: (scene) => strokes(scene).map((guide) => guide.name),
    lost: (names) => `The lines of ${quoted(names)}.`,
  },
  'drawn-strokes': {
    usedBy: (scene) => strokes(scene).flatMap((guide) => (guide.stroke?.draws == null ? [] : [guide.name])),
    lost: (names) => `That riders draw ${quoted(names)}: the lines are there whole.`,
  },
  'dashes-while-drawn': {
    usedBy: (scene) =>
      strokes(scene).flatMap((guide) => (guide.stroke?.draws != null && guide.stroke.dash ? [guide.name] : [])),
    lost: (names) => `The dashes of ${quoted(names)}: a rider draws the line whole.`,
  },
  poses: {
    usedBy: (scene) => {
      const strips = new Set(scene.art.filter(({ kind }) => kind === 'strip').map(({ id }) => id));
      return sent(scene, (rider) => strips.has(rider.art));
    },
    lost: (names) => `The poses of ${quoted(names)}.`,
  },
  stack: {
    usedBy: (scene) => sent(scene, ({ behind }) => behind.length > 0),
    lost: (names) => `That ${quoted(names)} are behind others at times.`,
  },
  clips: {
    usedBy: (scene) => sent(scene, ({ inside }) => inside !== null),
    lost: (names) => `The shapes within which ${quoted(names)} are seen.`,
  },
  camera: {
    usedBy: (scene) => scene.riders.filter(({ id }) => id === scene.camera).map(({ name }) => name),
    lost: (names) => `The camera ${quoted(names)}: the canvas is shown as it is.`,
  },
  driver: {
    usedBy: ({ driver }) => driver.flatMap(({ kind }) => (kind === 'time' ? [] : [kind])),
    lost: () => 'What drives it: it plays by time.',
  },
  'lead-in': {
    usedBy: ({ riders, camera }) =>
      riders
        .filter(({ id, output, ...rider }) => isOtherAtFirst(rider) && (output || id === camera))
        .map(({ name }) => name),
    lost: (names) => `How ${quoted(names)} ${names.length === 1 ? 'enters' : 'enter'}: the loop begins at once.`,
  },
};

/** Where a feature is lost with another anyway, only the other is said. */
const WITHIN: Readonly<Partial<Record<Feature, Feature>>> = {
  'drawn-strokes': 'strokes',
  'dashes-while-drawn': 'drawn-strokes',
  poses: 'art',
  stack: 'art',
  clips: 'art',
};

/** What of a scene a format leaves out that holds only some features, a sentence each. */
export function lostFeatures(scene: Scene, holds: readonly Feature[]): string[] {
  const isLost = (feature: Feature): boolean => !holds.includes(feature);
  return FEATURES.filter((feature) => isLost(feature) && !isSaid(feature, isLost)).flatMap((feature) => {
    const names = WORDS[feature].usedBy(scene);
    return names.length > 0 ? [WORDS[feature].lost(names)] : [];
  });
}

function isSaid(feature: Feature, isLost: (feature: Feature) => boolean): boolean {
  const whole = WITHIN[feature];
  return whole !== undefined && (isLost(whole) || isSaid(whole, isLost));
}
