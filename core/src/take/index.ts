export { easedShare, isConstant, valueOfCurve, type Curve, type CurveKey } from './curve.ts';
export { framesOf, type Frames } from './frames.ts';
export { measureTake, type TakeError } from './measure.ts';
export { bake, type Drawn, type DrawnArt, type DrawnStroke, type Take } from './take.ts';
