import type { Figure } from '../figure.ts';
import { beads } from './beads.ts';
import { findings } from './findings.ts';
import { headingStrip } from './heading-strip.ts';
import { marks } from './marks.ts';
import type { SheetNow } from './now.ts';
import { otherLines } from './other-lines.ts';
import { ribbon } from './ribbon.ts';
import { workedLine } from './worked-line.ts';

export { HEADING_STRIP } from './heading-strip.ts';
export { KEY_STRIP, keyStrips, type KeysNow } from './key-strips.ts';
export type { SheetNow } from './now.ts';
export { tintOf } from './tints.ts';

/** What is painted on the sheet, from the lowest layer to the highest: behind what takes the hand, within the chart’s box, and over all. */
export const SHEET_FIGURES: {
  readonly behind: readonly Figure<SheetNow>[];
  readonly within: readonly Figure<SheetNow>[];
  readonly over: readonly Figure<SheetNow>[];
} = { behind: [findings, otherLines], within: [workedLine], over: [beads, marks, ribbon, headingStrip] };
