export { bake, reduceKeys, samplePiece, type BakeOptions, type Take, type Track } from './bake.ts';
export { between, CHANNELS, cornerGap, keyAt, quantised, type Channel, type Key, type PivotBox } from './key.ts';
export { bakeStrokes, drawnShare, strokeLevel, type DrawnKey, type DrawnStroke } from './strokes.ts';
