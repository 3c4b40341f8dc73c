import { speedRibbon, timeAtX, type Axes, type RiderMotion } from '@pace-line/core';

/** px: where the strip of speed begins below the chart, how high it is where there is room, and what of that its names and line leave free. */
const [BELOW, TALL, FREE] = [14, 84, 16];

/** Where the strip of speed stands on the sheet, px. */
export const ribbonBox = ({ bottom, ribbon = TALL }: Axes): { readonly top: number; readonly bottom: number } => ({
  top: bottom + BELOW,
  bottom: bottom + BELOW + ribbon,
});

/** px of height for each px/s of a strip that reaches from one speed to another, px/s. */
export const ribbonScale = (least: number, most: number): number => (TALL - FREE) / (most - least);

/** Whether a place of the sheet lies in the strip of speed. */
export function isInRibbon(axes: Axes, x: number, y: number): boolean {
  const { top, bottom } = ribbonBox(axes);
  return top < bottom && y >= top && y <= bottom && x >= axes.left && x <= axes.right;
}

/** px/s by which a px of the hand's way up changes the speed of a rider, and the time of the loop that is pressed, s. */
export function ribbonAt(rider: RiderMotion, axes: Axes, x: number): { readonly perPx: number; readonly time: number } {
  const { least, most } = speedRibbon(rider, axes);
  return { perPx: 1 / ribbonScale(least, most), time: timeAtX(axes, x) };
}
