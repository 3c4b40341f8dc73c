export { withoutDefaults, defaultsOf } from './defaults.ts';
export { guideSchema } from './guide.ts';
export { sceneSchema } from './invariants.ts';
export { markSchema, paceSchema } from './pace.ts';
export { riderSchema } from './rider.ts';
export { SCENE_FORMAT, SCENE_VERSION, sceneShape } from './scene.ts';
export type {
  Art,
  Clock,
  Guide,
  GuideLink,
  GuideStroke,
  Heading,
  Join,
  Mark,
  Node,
  Pace,
  Place,
  Rider,
  Scene,
  Tracing,
} from './types.ts';
