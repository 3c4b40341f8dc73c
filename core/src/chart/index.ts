export {
  distanceAtY,
  distancePerPx,
  secondsPerPx,
  timeAtX,
  timeTicks,
  xOfTime,
  yOfDistance,
  type Axes,
} from './axes.ts';
export { copiesInView, type CopyInView } from './copies.ts';
export { gapToLine, paceLinePoints, pathOfPoints } from './line.ts';
export { reachOfRiders } from './reach.ts';
export { speedRibbon } from './ribbon.ts';
export { thinned } from './thin.ts';
export { distanceOnSheet, landmarkHeights, nodeRules, snappedDistance } from './rules.ts';
export { measuresOf, standoutsOf, type Measure } from './measures.ts';
