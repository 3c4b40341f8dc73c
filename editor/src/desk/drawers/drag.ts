/** The data type under which art travels from its drawer to the canvas. */
export const ART_DRAG = 'application/x-pace-line-art';
