export { emptyFolded, fold, foldTime, isHeld, REPEATS, roundOf, type Folding, type Repeat } from './fold.ts';
export { cutsAtWraps, shownTimes, timesOfLocals } from './unfold.ts';
