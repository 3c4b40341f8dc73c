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
