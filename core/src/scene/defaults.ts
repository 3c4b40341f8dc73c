import {
  defaultsOf,
  entranceSchema,
  guideSchema,
  headingSchema,
  markSchema,
  paceSchema,
  riderSchema,
  SCENE_FORMAT,
  SCENE_VERSION,
  sceneShape,
  type Entrance,
  type Guide,
  type Heading,
  type Mark,
  type Pace,
  type Rider,
  type Scene,
} from './schema/index.ts';

/** Route colours: told apart by people with colour-vision deficiencies too, and readable on paper. */
export const ROUTE_COLORS = ['#0B7A75', '#3D5A99', '#7A3E7E', '#A3471F', '#55752A', '#A86F0B'] as const;

/** The route colour of the n-th guide of a scene. */
export const routeColor = (n: number): string => ROUTE_COLORS[n % ROUTE_COLORS.length] ?? ROUTE_COLORS[0];

const RIDER = defaultsOf(riderSchema) as Omit<Rider, 'id' | 'name' | 'art' | 'guide'>;
const GUIDE = defaultsOf(guideSchema) as Omit<Guide, 'id' | 'name' | 'nodes' | 'closed' | 'color'>;
const PACE = defaultsOf(paceSchema) as Pace;
const HEADING = defaultsOf(headingSchema) as Heading;
const MARK = defaultsOf(markSchema) as Omit<Mark, 'id' | 'time' | 'place'>;
const SCENE = defaultsOf(sceneShape) as Pick<Scene, 'tracing' | 'assets' | 'camera' | 'driver' | 'sets' | 'checks'>;

/** A heading that is level, or as given. */
export const newHeading = (given: Partial<Heading> = {}): Heading => ({ ...HEADING, ...given });

/** How a rider enters where nothing else is said: it fades in, in its place. */
export const newEntrance = (): Entrance => entranceSchema.parse({});

/** A rider with all that is not given as the schema has it; parked where no guide is given. */
export const newRider = (given: Pick<Rider, 'id' | 'name' | 'art'> & Partial<Rider>): Rider => ({
  ...RIDER,
  guide: null,
  ...given,
});

/** An open guide with all that is not given as the schema has it. */
export const newGuide = (given: Pick<Guide, 'id' | 'name' | 'nodes' | 'color'> & Partial<Guide>): Guide => ({
  ...GUIDE,
  closed: false,
  ...given,
});

/** A mark without a dwell, left steadily, unless given otherwise. */
export const newMark = (id: string, time: number, place: Mark['place'], more: Partial<Mark> = {}): Mark => ({
  ...MARK,
  id,
  time,
  place,
  ...more,
});

/** A pace without marks, by the clock, unless given otherwise. */
export const newPace = (given: Partial<Pace> = {}): Pace => ({ ...PACE, ...given });

/** A new scene: a landscape canvas, four seconds, nothing on it. */
export function emptyScene(name: string): Scene {
  return {
    format: SCENE_FORMAT,
    version: SCENE_VERSION,
    name,
    canvas: { width: 1280, height: 720, background: '#F7F3EA' },
    clock: { duration: 4, fps: 30, repeat: 'loop', times: null, tempo: null },
    art: [],
    guides: [],
    riders: [],
    ...SCENE,
  };
}
