export { gapToSegment } from './cubic.ts';
export { fitOneCubic, fitSamples, type Sample } from './samples.ts';
export { fitStroke } from './stroke.ts';
