export {
  IDENTITY_MATRIX,
  inverseOf,
  matrixAbout,
  productOf,
  transformed,
  transformedNode,
  type Matrix,
} from './affine.ts';
export { countIntegrations } from './arc-length.ts';
export { Body } from './body.ts';
export { gapBetween, isPartlyIn, nearParts, noGap, stretchOf } from './body-gap.ts';
export { EMPTY_BOX, isEmptyBox, unionOf, type Box } from './box.ts';
export { splitCubic, pointAtParameter, type ControlPoints, cubicFrom } from './cubic.ts';
export { nearestOnPath, type Nearest } from './nearest.ts';
export { angleOfFrame, emptyFrame, pathThrough, Path, type Frame, type Side } from './path.ts';
export { controlPointsBetween, type PathNode } from './span.ts';
export { add, subtract, multiply, distanceBetween, type Vec } from './vec.ts';
export { fitOneCubic, fitSamples, fitStroke, gapToSegment, type Sample } from './fit/index.ts';
export { arcThrough, pulledSpan } from './bend.ts';
export { bracketedRoot } from './roots.ts';
export { landmarksOf } from './extremes.ts';
export { whipOf } from './whip.ts';
export { parallelNodes } from './parallel/index.ts';
export { nodesOfShape, reversedNodes, SHAPE_KINDS, type GuideShape, type ShapeForm, type ShapeKind } from './shapes.ts';
export { hullOf } from './hull.ts';
