import { compileLeg, rangeOfEase, type Ease } from './eases/index.ts';

/** Share of the way beyond its ends from which a leg is said to go past them. */
const PAST = 0.01;

/** Share of the leg's mean speed below which it is said to be slow there, and above which fast. */
const [SLOW, FAST] = [0.4, 1.6];

/** Where a leg's end is looked at to tell whether it stops there, and the share of its mean speed below which it does. */
const [LAST, STILL] = [1e-3, 0.05];

/** Where, as shares of the time, a leg's start and end are looked at. */
const NEAR = 0.04;

/** What a leg does, in a few words: how it starts, how it arrives, whether it goes past. */
export function wordsOfLeg(ease: Ease): string {
  if (ease.kind === 'hold') return 'holds, then jumps';
  if (ease.kind === 'flow') return 'flows through the marks';
  const { progress } = compileLeg(ease);
  const [low, high] = rangeOfEase(ease);
  const [backs, past] = [low < -PAST, high > 1 + PAST];
  const [start, end] = [progress(NEAR) / NEAR, (1 - progress(1 - NEAR)) / NEAR];
  const slows = (1 - progress(1 - LAST)) / LAST < STILL ? 'slows to a stop' : 'slows down';
  if (past && turnsOf(progress) > 3) return backs ? 'anticipation, then swings and settles' : 'swings and settles';
  if (backs && past) return 'anticipation and overshoot';
  if (backs) return end < SLOW ? `anticipation, ${slows}` : 'anticipation';
  if (past) return start < SLOW ? 'eases in, overshoots' : 'overshoots, comes back';
  if (turnsOf(progress) > 1) return 'backs up on the way';
  if (start < SLOW && end < SLOW) return `eases in, ${slows}`;
  if (start < SLOW) return end > FAST ? 'speeds up' : 'eases in';
  if (end < SLOW) return slows;
  if (start > FAST && end > FAST) return 'slows in the middle';
  return Math.abs(start - 1) < 0.1 && Math.abs(end - 1) < 0.1 && isEven(progress) ? 'constant speed' : 'keeps moving';
}

/** Looks at a leg for its turns. */
const LOOKS = 200;

/** How often a leg turns back. */
function turnsOf(progress: (u: number) => number): number {
  let turns = 0;
  let way = 1;
  for (let i = 1; i <= LOOKS; i++) {
    const step = progress(i / LOOKS) - progress((i - 1) / LOOKS);
    if (Math.abs(step) < 1e-4 || Math.sign(step) === way) continue;
    way = Math.sign(step);
    turns++;
  }
  return turns;
}

const isEven = (progress: (u: number) => number): boolean =>
  [0.25, 0.5, 0.75].every((u) => Math.abs(progress(u) - u) < 0.02);

/** An ease as points (share of time, share of way) to be drawn as a line: a hold as its jump. */
export function curveOfEase(ease: Ease, looks = 40): (readonly [time: number, way: number])[] {
  if (ease.kind === 'hold')
    return [
      [0, 0],
      [1, 0],
      [1, 1],
    ];
  const { progress, breaks } = compileLeg(ease);
  const times = Array.from({ length: looks + 1 }, (_, i) => i / looks);
  return [...new Set([...times, ...breaks])].sort((a, b) => a - b).map((time) => [time, progress(time)] as const);
}
