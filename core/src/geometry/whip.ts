import type { Path } from './path.ts';

/** Looks at a path for its bends. */
const LOOKS = 600;

/** Where what is carried beside a path runs backward: a bend whose radius is less than its offset. */
interface Whip {
  /** px from the path's start. */
  readonly distance: number;
  /** px; 0 at a corner. */
  readonly radius: number;
}

/**
 * The tightest bend between two distances of a path, px, on the inner side of which something `lift` px left of it (less than 0: right) would run backward, because the radius there
 * is less; undefined where none is.
 */
export function whipOf(path: Path, lift: number, from: number, to: number): Whip | undefined {
  if (lift === 0 || !(to > from) || !(path.length > 0)) return undefined;
  const side = Math.sign(lift);
  let found: Whip | undefined;
  const look = (distance: number, curvature: number): void => {
    // Clockwise bends have their inner side on the right.
    const inner = -side * curvature;
    if (!(inner * Math.abs(lift) > 1) || (found && found.radius <= 1 / inner)) return;
    found = { distance, radius: 1 / inner };
  };
  for (let i = 0; i <= LOOKS; i++) {
    const distance = from + ((to - from) * i) / LOOKS;
    look(distance, path.frameAtDistance(distance).curvature);
  }
  for (const corner of path.corners()) {
    if (corner < from || corner > to) continue;
    const [before, after] = [path.frameAtDistance(corner, -1), path.frameAtDistance(corner, 1)];
    const turn = before.tangentX * after.tangentY - before.tangentY * after.tangentX;
    if (-side * turn > 1e-6) return { distance: corner, radius: 0 };
  }
  return found;
}
