export { cameraOf, LEAST_VIEW, viewOf } from './camera.ts';
export { displayOrder, drawerOf, drawnShare, type Displayed } from './display-order.ts';
export { Motion, prepare } from './motion.ts';
export { Poses } from './pose.ts';
export { radiusOf } from './prepared-rider.ts';
export type { RiderMotion } from './rider-motion.ts';
export { MOST_STEPS } from './stage.ts';
export { POSE, POSE_SIZE } from './slots.ts';
export { CHANNELS, type Channel } from './posed.ts';
