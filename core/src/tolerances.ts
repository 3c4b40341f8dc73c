/** Every numeric tolerance of the core: a name, a unit, a reason. Algorithms take them as defaulted arguments. */

/** px. Largest disagreement of two Gauss–Legendre orders that the length integration accepts per panel. */
export const LENGTH_TOLERANCE = 1e-11;

/** px. Largest error along the curve of the fitted inverse (distance to parameter): what is carried and made larger by its carrier is still within a millionth. */
export const INVERSE_TOLERANCE = 2e-7;

/** rad. Largest error of the tangent's angle that the fitted inverse may cause; half of the promised 0.001°. */
export const TANGENT_TOLERANCE = 8e-6;

/** px. Pieces of a span shorter than this are interpolated linearly: no picture can show them. */
export const SHORTEST_PIECE = 1e-8;

/** Share of a cubic's control polygon: a derivative below this is noise, and the tangent is taken as the one-sided limit. */
export const VANISHING_SPEED = 1e-10;

/** px. A distance this near to a node is at the node (root finding leaves about 1e-10 px). */
export const AT_NODE = 1e-7;

/** Ratio of cross to dot product below which two opposite tangents are an exact reversal, which turns clockwise. */
export const REVERSAL = 1e-9;

/** Share of a leg's way below which a piece of an ease returns to where it began, so that it has no normalised shape. */
export const FLAT_PART = 1e-6;

/** rad. Turn of the tangent at a node above which the node counts as a corner (an event for baking): a fiftieth of a degree. */
export const CORNER_ANGLE = 3.5e-4;

/** px. Largest displacement of the art box's corners between a baked track and the evaluator. */
export const BAKE_TOLERANCE = 0.25;

/** s. Shortest interval that baking resolves; steps inside it are shown as a ramp that no display can show. */
export const SHORTEST_SAMPLE = 2e-5;

/** Unitless grid to which evaluated numbers are rounded before they are compared or written: engines differ in the last bit of sin, pow and exp. */
export const QUANTUM = 1e-9;

/** Opacity at or below which something is not seen. */
export const UNSEEN_OPACITY = 0.01;

/** px. Gap at the seam above which a loop is said to jump: half of what a sharp eye sees on a screen. */
export const SEAM_GAP = 0.5;

/** Share of the larger speed by which speeds at the seam may differ. */
export const SEAM_SPEED = 0.05;

/** px/s. A step in speed at the seam that nobody sees: half of what is seen of a place, in a second. */
export const SEAM_STILL = 0.5;

/** rad. Difference of angle at the seam above which a rider is said to jerk: one degree. */
export const SEAM_ANGLE = Math.PI / 180;

/** Difference of opacity, and share of the size, at the seam above which a rider is said to blink. */
export const SEAM_FADE = 0.02;

/** rad. Rotation from one moment to the next above which a nose is said to snap: less is a corner that was rounded by hand, or a traced line. */
export const SNAP_ANGLE = Math.PI / 12;

/** Difference of opacity, and share of the size, from one moment to the next above which a rider is said to leap. */
export const SNAP_SHARE = 0.1;

/** px. Radial error allowed when an imported elliptical arc becomes cubics. */
export const ARC_TOLERANCE = 1e-3;

/** px. Largest distance between a parallel guide and the true parallel. */
export const PARALLEL_TOLERANCE = 0.1;
