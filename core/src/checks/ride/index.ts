export { drawnRadius, slip } from './slip.ts';
export { stall, stallsOf } from './stall.ts';
