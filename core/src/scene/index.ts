export * from './art/index.ts';
export { amountPassed } from './amounts.ts';
export { partTrouble, problemsOf } from './check.ts';
export {
  emptyScene,
  newEntrance,
  newGuide,
  newHeading,
  newMark,
  newPace,
  newRider,
  ROUTE_COLORS,
  routeColor,
} from './defaults.ts';
export { readScene, sceneFromJson, wordingOf, writeScene } from './file.ts';
export { MOST_PROBLEMS, type SceneProblem, type SceneReading } from './problems.ts';
export { CircleError, dependenciesOf, MOST_DEEP, orderOfDependence } from './dependence.ts';
export { carried, carriesScene, linked, linkedScene, sceneIn, withoutTracing } from './packed.ts';
export { migrate } from './migrations/index.ts';
export { distanceOfPlace, nodeIndex, placeAtDistance } from './places.ts';
export { placeFromText, textOfPlace } from './place-text.ts';
export { holdersAround, isHolder, sheetMarkup, withAllInside } from './set-in-scenes.ts';
export {
  artById,
  cycleOf,
  foldingOf,
  frameCount,
  countedIds,
  freeId,
  freshIds,
  freeName,
  freshNames,
  guideById,
  idsIn,
  isStill,
  loopLength,
  markById,
  markIdsOf,
  nameOfNode,
  nameOfNodeAt,
  pathOfGuide,
  riderById,
  ridersOf,
  sentFrames,
} from './queries.ts';
export { MOST_TEXT, troubleOfText } from './weight.ts';
export { MOST_NODES } from './schema/guide.ts';
export { missingPictures, usedAssets, type MissingPicture } from './schema/assets.ts';
export { asName, wellFormed } from './schema/text.ts';
export {
  KEY_CHANNELS,
  MOST,
  MOST_OUTPUTS,
  MOST_POSES,
  MOST_SETS,
  PIXEL_TYPES,
  SCENE_FORMAT,
  SCENE_VERSION,
  sceneShape,
  type Art,
  type Carrier,
  type Clock,
  type Driver,
  type Guide,
  type ImageArt,
  type GuideLink,
  type GuideStroke,
  type Entrance,
  type Heading,
  type Join,
  type Key,
  type KeyChannel,
  type Keys,
  type Mark,
  type Node,
  type Output,
  type OutputSet,
  type Pace,
  type Place,
  type Rider,
  type Roll,
  type Scene,
  type Squash,
  type StripArt,
  type StripPose,
  type Strung,
  type RiderPoses,
  type Behind,
  type GuideDepth,
  type SvgArt,
  type Area,
  type Bound,
  type Meant,
  type Tracing,
} from './schema/index.ts';
export { riderCodes } from './codes.ts';
export { foldingWith, hiddenUntil, leadingOf, leadInOf, localAt, SPEED_WINDOW, type Leading } from './lead-in.ts';
