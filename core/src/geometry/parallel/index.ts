export { parallelNodes } from './parallel.ts';
