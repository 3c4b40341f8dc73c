export { flashes } from './flashes.ts';
export { offCanvas } from './off-canvas.ts';
export { reading } from './reading.ts';
