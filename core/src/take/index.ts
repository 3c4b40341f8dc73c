export { easedShare, isConstant, valueOfCurve, type Curve, type CurveKey } from './curve.ts';
export { framesOf, type Frames } from './frames.ts';
export { reducedCurve, type Point } from './reduce.ts';
export { evenDelays, frameTimes, type PixelOptions, type PixelRect, type Pixels, type SheetLayout } from './pixels.ts';
export { measureTake, type TakeError } from './measure.ts';
export type { Steps } from './steps.ts';
export { bake, type Drawn, type DrawnArt, type DrawnStroke, type Inside, type Take } from './take.ts';
export type { View } from './view.ts';
export { sheetsOf, type SheetLine, type SheetRoute, type Sheets } from './sheets.ts';
