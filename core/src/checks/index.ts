export { checkSeam, type SeamFinding } from './seam.ts';
