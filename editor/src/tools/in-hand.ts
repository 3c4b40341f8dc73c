import type { Guide } from '@pace-line/core';

/** Whether a guide is shown and lies on the canvas itself, so that other things can be drawn to it; one that is carried goes with its carrier (guide-frame.ts). */
export const isInHand = (guide: Guide): boolean => guide.visible && guide.carrier === null;
