export * from './art/index.ts';
export { emptyScene, ROUTE_COLORS } from './defaults.ts';
export { readScene, sceneFromJson, wordingOf, writeScene, type SceneProblem, type SceneReading } from './file.ts';
export { migrate, MIGRATIONS, type Migration } from './migrations.ts';
export { distanceOfPlace, nodeIndex, placeAtDistance } from './places.ts';
export {
  artById,
  cycleOf,
  frameCount,
  freeId,
  freeName,
  guideById,
  idsIn,
  loopLength,
  markById,
  pathOfGuide,
  riderById,
  ridersOf,
} from './queries.ts';
export {
  SCENE_FORMAT,
  SCENE_VERSION,
  sceneSchema,
  sceneShape,
  type Art,
  type Clock,
  type Guide,
  type GuideLink,
  type GuideStroke,
  type Heading,
  type Join,
  type Mark,
  type Node,
  type Pace,
  type Place,
  type Rider,
  type Scene,
  type Tracing,
} from './schema.ts';
