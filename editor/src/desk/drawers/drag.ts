/** The data type under which art travels from its drawer to the canvas. */
export const ART_DRAG = 'application/x-pace-line-art';

/** The data type under which a kept guide travels from the collection to the canvas. */
export const GUIDE_DRAG = 'application/x-pace-line-guide';
