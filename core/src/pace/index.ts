export {
  compileLeg,
  EASE_FAMILIES,
  EASE_MODES,
  EASE_OFFERS,
  easeSchema,
  joinedEase,
  offerOfEase,
  rangeOfEase,
  splitEase,
  STEADY,
  wordsOfEase,
  type Ease,
} from './eases/index.ts';
export type { DistanceLine } from './distance-line.ts';
export { EasedLine } from './eased-line.ts';
export { fitPaceLine, type Moment } from './fit-line.ts';
export { PaceLine } from './pace-line.ts';
