export { MOST_POSES, PIXEL_TYPES } from './art.ts';
export { withoutDefaults, defaultsOf } from './defaults.ts';
export { entranceSchema } from './entrance.ts';
export { guideSchema } from './guide.ts';
export { headingSchema } from './heading.ts';
export { KEY_CHANNELS } from './keys.ts';
export { markSchema, paceSchema } from './pace.ts';
export { riderSchema } from './rider.ts';
export { MOST_OUTPUTS, MOST_SETS } from './sets.ts';
export { MOST, SCENE_FORMAT, SCENE_VERSION, sceneShape } from './scene.ts';
export type {
  Art,
  Carrier,
  Clock,
  Driver,
  Guide,
  ImageArt,
  GuideLink,
  GuideStroke,
  Entrance,
  Heading,
  Join,
  Key,
  KeyChannel,
  Keys,
  Mark,
  Node,
  Output,
  OutputSet,
  Pace,
  Place,
  Rider,
  Roll,
  Scene,
  Squash,
  StripArt,
  StripPose,
  Strung,
  RiderPoses,
  Behind,
  GuideDepth,
  SvgArt,
  Area,
  Bound,
  Meant,
  Tracing,
} from './types.ts';
