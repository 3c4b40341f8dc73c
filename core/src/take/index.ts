export { easedShare, isConstant, valueOfCurve, type Curve, type CurveKey } from './curve.ts';
export { framesOf, type Frames } from './frames.ts';
export { reducedCurve, type Point } from './reduce.ts';
export {
  evenDelays,
  frameTimes,
  type FilmCoding,
  type PixelOptions,
  type PixelRect,
  type Pixels,
  type SheetLayout,
} from './pixels.ts';
export { boundRounds } from './too-much.ts';
export { keysOf } from './keys.ts';
export { measureTake, type TakeError } from './measure.ts';
export type { Steps } from './steps.ts';
export type { Along } from './along.ts';
export type { CarriedFrame } from './carried-frame.ts';
export type { Drawn, DrawnArt, Inside } from './drawn-art.ts';
export type { DrawnStroke } from './drawn-stroke.ts';
export { bake, stillTake, type Take } from './take.ts';
export type { View, ViewCurves } from './view.ts';
export { sheetsOf, type SheetLine, type SheetRoute, type Sheets } from './sheets.ts';
