export { countIntegrations } from './arc-length.ts';
export { EMPTY_BOX, isEmptyBox, unionOf, type Box } from './box.ts';
export { splitCubic, pointAtParameter, cubicFrom, type ControlPoints } from './cubic.ts';
export { nearestOnPath, type Nearest } from './nearest.ts';
export { angleOfFrame, emptyFrame, pathThrough, Path, type Frame, type Side } from './path.ts';
export { controlPointsBetween, type PathNode, type Span } from './span.ts';
export { add, subtract, multiply, mix, distanceBetween, turnBetween, type Vec } from './vec.ts';
export { fitOneCubic, fitSamples, fitStroke, gapToSegment, type Fitted, type Sample } from './fit.ts';
export { arcThrough, pulledSpan } from './bend.ts';
export { landmarksOf, type Landmark } from './extremes.ts';
export { parallelNodes } from './parallel.ts';
export {
  nodesOfShape,
  reversedNodes,
  SHAPE_KINDS,
  type GuideShape,
  type ShapeForm,
  type ShapeKind,
  type ShapeStance,
} from './shapes.ts';
