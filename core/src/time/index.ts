export { emptyFolded, fold, foldTime, isHeld, lastsOf, REPEATS, roundOf, type Folding, type Repeat } from './fold.ts';
export { cutsAtWraps, shownCopies, shownTimes, timesOfLocals, type Shown } from './unfold.ts';
