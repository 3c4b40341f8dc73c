import { TURNS_AT_REST } from './mends.ts';
import type { Closing } from './closing.ts';
import type { JumpFinding } from './leaps/jumps.ts';
import type { SnapFinding } from './leaps/snaps.ts';
import { SEAM, type SeamFinding } from './seam.ts';

/** Whether nothing of a rider's seam can be seen: it closes, and goes on as fast as it came. */
export const seamHolds = ({ closes, smooth }: SeamFinding): boolean => closes && smooth;

/** What jumps at a seam that does not close: its place, else its turn, its poses, its opacity or its size. */
function stepWords({ gap, turn, fade, growth, skipped }: SeamFinding): string {
  if (gap > SEAM.gap) return `jumps ${gap.toFixed(1)} px`;
  if (turn > SEAM.angle) return `rotation jumps ${((turn * 180) / Math.PI).toFixed(1)}°`;
  if (skipped > 0 && fade <= SEAM.fade && growth <= SEAM.fade) return `skips ${skipped} pose${skipped > 1 ? 's' : ''}`;
  return fade >= growth ? `opacity jumps ${Math.round(fade * 100)} %` : `size jumps ${Math.round(growth * 100)} %`;
}

/** A rider's seam in a few words. */
export function seamWords(finding: SeamFinding): string {
  const { gap, speedBefore, speedAfter, turnSpeed, hidden, closes, smooth } = finding;
  if (hidden) return 'out of sight';
  if (!closes) return stepWords(finding);
  if (!smooth) return `${Math.round(speedBefore)} → ${Math.round(speedAfter)} px/s`;
  return turnSpeed > TURNS_AT_REST ? `turns at ${Math.round(turnSpeed)} px/s` : `${gap.toFixed(2)} px`;
}

/** A rider's leaps: how far the widest is, when, and how many there are. */
export const jumpWords = ({ times, gap, at }: JumpFinding): string =>
  `${gap.toFixed(gap < 10 ? 1 : 0)} px at ${at.toFixed(2)} s${times.length > 1 ? `, ${times.length} times` : ''}`;

/** How one value of a rider leaps: how far the widest is, when, and how many there are. */
export function snapWords({ kind, amount, at, times }: SnapFinding): string {
  const figure = kind === 'rotation' ? `${((amount * 180) / Math.PI).toFixed(0)}°` : `${Math.round(amount * 100)} %`;
  return `${kind} ${figure} at ${at.toFixed(2)} s${times.length > 1 ? `, ${times.length} times` : ''}`;
}

/** How often two meet, when first, and how fast one passes the other then, px/s. */
export const meetingWords = (times: readonly number[], speed: number): string =>
  `${times.length > 1 ? `${times.length} times, first ` : ''}at ${(times[0] ?? 0).toFixed(2)} s, passing at ${Math.round(speed)} px/s`;

/** When everything has come round together. */
export const closingWords = ({ loops, length }: Closing): string =>
  length === undefined || loops === undefined
    ? 'never'
    : `after ${loops} loop${loops > 1 ? 's' : ''}, ${length.toFixed(2)} s`;
