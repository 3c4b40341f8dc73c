import type { Guide } from '@pace-line/core';

/** Whether a guide can be taken on the canvas: it is shown, and lies there; one that is carried moves with its carrier, and is set free to be worked on. */
export const isInHand = (guide: Guide): boolean => guide.visible && guide.carrier === null;
