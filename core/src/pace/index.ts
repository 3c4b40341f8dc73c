export { compileEase, STEADY, type CompiledEase, type Ease, type EasePart } from './ease.ts';
export { EASE_FAMILIES, EASE_MODES, type EaseFamily, type EaseMode } from './families.ts';
export { fold, foldTime, REPEATS, roundOf, type Folded, type Repeat } from './fold.ts';
export { fitPaceLine, type FittedMark, type Moment } from './fit-line.ts';
export { PaceLine, type PlacedMark } from './pace-line.ts';
