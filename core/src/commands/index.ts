export * from './clip.ts';
export { SceneError, type CanTwin, type Command, type Refusal } from './command.ts';
export {
  addGuide,
  canAddGuide,
  canDeleteGuides,
  canMoveGuides,
  canSetGuide,
  deleteGuides,
  moveGuides,
  setGuide,
} from './guides.ts';
export * from './marks.ts';
export * from './nodes.ts';
export * from './riders.ts';
export * from './scene.ts';
export { asShare, nearestPlace, pointOfPlace } from './places.ts';
export {
  actedMotion,
  canRefitActed,
  canRideActed,
  refitActed,
  rideActed,
  type Acted,
  type HandMoment,
} from './act-out.ts';
export * from './bend.ts';
export * from './direction.ts';
export * from './joining.ts';
export * from './links.ts';
export * from './outline.ts';
export { canFairGuide, canSetOutline, canSimplifyGuide, fairGuide, setOutline, simplifyGuide } from './refit.ts';
export * from './set-down.ts';
export { namedNode } from './settle.ts';
export * from './shapes.ts';
export * from './tracing.ts';
export * from './transform.ts';
