import type { Rings } from '../../drawing/areas.ts';
import { Body, unionOf, type Box } from '../../geometry/index.ts';
import { POSE, type RiderMotion } from '../../motion/index.ts';
import type { Track } from '../bodies/tracks.ts';
import type { Placed } from './areas.ts';

/** px beyond all that is reached to which the outside of an area goes on. */
const BEYOND = 100;

/** What lies round an area, at least as far as a rider comes. */
export function around({ rings, body, by }: Placed, { swept }: Track, length: number): Body {
  let reach: Box = by ? reachOf(by, body.box, length) : body.box;
  for (let at = 0; at < swept.length; at += 4)
    if ((swept[at] ?? 0) <= (swept[at + 2] ?? 0))
      reach = unionOf(reach, {
        left: swept[at] ?? 0,
        top: swept[at + 1] ?? 0,
        right: swept[at + 2] ?? 0,
        bottom: swept[at + 3] ?? 0,
      });
  // However it is turned meanwhile.
  const far = Math.hypot(reach.right - reach.left, reach.bottom - reach.top) / least(by, length) + BEYOND;
  return outsideOf(body, rings, 2 ** Math.ceil(Math.log2(far)));
}

/** What lies round areas, by how far it goes, px. */
const made = new WeakMap<Body, Map<number, Body>>();

function outsideOf(body: Body, rings: Rings, far: number): Body {
  const known = made.get(body) ?? new Map<number, Body>();
  made.set(body, known);
  let outside = known.get(far);
  if (!outside) {
    const { left, top, right, bottom } = body.box;
    const edge = [left - far, top - far, right + far, top - far, right + far, bottom + far, left - far, bottom + far];
    known.set(far, (outside = new Body([edge, ...rings])));
  }
  return outside;
}

/** Looks at what carries an area, for how far it is carried and how small it becomes. */
const LOOKS = 240;

function reachOf(by: RiderMotion, box: Box, length: number): Box {
  let all = box;
  for (let k = 0; k <= LOOKS; k++) {
    const pose = by.poseAt((length * k) / LOOKS);
    for (const x of [box.left, box.right])
      for (const y of [box.top, box.bottom]) {
        const px = (pose[0] ?? 1) * x + (pose[2] ?? 0) * y + (pose[4] ?? 0);
        const py = (pose[1] ?? 0) * x + (pose[3] ?? 1) * y + (pose[5] ?? 0);
        all = unionOf(all, { left: px, top: py, right: px, bottom: py });
      }
  }
  return all;
}

/** The smallest scale of what carries an area. */
function least(by: RiderMotion | undefined, length: number): number {
  if (!by) return 1;
  let scale = 1;
  for (let k = 0; k <= LOOKS; k++) {
    const pose = by.poseAt((length * k) / LOOKS);
    scale = Math.min(scale, Math.abs(pose[POSE.scaleX] ?? 1), Math.abs(pose[POSE.scaleY] ?? 1));
  }
  return Math.max(scale, 0.01);
}
