export {
  compileLeg,
  EASE_FAMILIES,
  EASE_MODES,
  EASE_OFFERS,
  easeSchema,
  joinedEase,
  offerOfEase,
  rangeOfEase,
  reversedEase,
  splitEase,
  STEADY,
  strengthOfEase,
  wordsOfEase,
  type CompiledEase,
  type Ease,
} from './eases/index.ts';
export type { DistanceLine } from './distance-line.ts';
export { EasedLine } from './eased-line.ts';
export { fitPaceLine, type Moment } from './fit-line.ts';
export { PaceLine } from './pace-line.ts';
export {
  cookedLine,
  type Cooked,
  newRecipe,
  recipeSchema,
  secondsOfArc,
  takesTimes,
  swayOf,
  type Sway,
  wordsOfRecipe,
  type Recipe,
} from './recipes/index.ts';
export { cssOfEase, easeFromCss, type EaseReading } from './ease-css.ts';
export { curveOfEase, wordsOfLeg } from './ease-words.ts';
export {
  knotsOf,
  shapedFrom,
  withoutShapingPoint,
  withShapingAt,
  withShapingPoint,
  withShapingSlope,
  type Shaped,
} from './shaping.ts';
