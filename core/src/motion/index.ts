export { eventTimes } from './events.ts';
export { Motion, paceLineOf, prepare, type RiderMotion } from './motion.ts';
export { POSE, POSE_SIZE, Poses } from './pose.ts';
