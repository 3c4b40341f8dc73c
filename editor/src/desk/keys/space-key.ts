/** Whether space is held, and whether the canvas was panned while it was: then letting go does not play. */
export const spaceHeld = { current: false, panned: false };
