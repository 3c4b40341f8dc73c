import { bandOf, betweenLines, enclosedBy, type Rings } from '../../drawing/areas.ts';
import { paintedOf, partPaintedOf } from '../../drawing/painted.ts';
import { Body } from '../../geometry/index.ts';
import type { Motion, RiderMotion } from '../../motion/index.ts';
import { artOfRider, guideById, pictureOf, riderById, type Area, type Guide, type Scene } from '../../scene/index.ts';

/** An area where it is drawn, and what moves it. */
export interface Placed {
  readonly rings: Rings;
  readonly body: Body;
  /** What carries it; undefined where it lies on the canvas. */
  readonly by: RiderMotion | undefined;
}

/** An area of a scene; undefined where there is none: its guide or rider is gone, is open, or has no width. */
export function placedArea(scene: Scene, motion: Motion, area: Area): Placed | undefined {
  switch (area.kind) {
    case 'lane':
    case 'inside': {
      const guide = guideById(scene, area.guide);
      const made = guide && (area.kind === 'lane' ? laneOf(guide) : insideOf(guide));
      return made && { ...made, by: carrierOf(guide, motion) };
    }
    case 'between': {
      const [a, b] = area.guides.map((id) => guideById(scene, id));
      const made = a && b && a.carrier === b.carrier ? betweenOf(a, b) : undefined;
      return made && { ...made, by: carrierOf(a, motion) };
    }
    case 'art': {
      const rider = riderById(scene, area.rider);
      const art = rider && artOfRider(scene, rider);
      const picture = art && pictureOf(art, 1);
      if (!picture) return undefined;
      const painted = area.part === null ? paintedOf(picture) : partPaintedOf(picture, area.part);
      return painted && !painted.body.isEmpty ? { ...painted, by: motion.rider(area.rider) } : undefined;
    }
  }
}

const carrierOf = (guide: Guide | undefined, motion: Motion): RiderMotion | undefined =>
  guide?.carrier == null ? undefined : motion.rider(guide.carrier);

interface Made {
  readonly rings: Rings;
  readonly body: Body;
}

const bodied = (rings: Rings): Made | undefined => (rings.length > 0 ? { rings, body: new Body(rings) } : undefined);

/** A function of guides that is asked once for each. */
function once(make: (guide: Guide) => Rings): (guide: Guide) => Made | undefined {
  const made = new WeakMap<Guide, Made | undefined>();
  return (guide) => {
    if (!made.has(guide)) made.set(guide, bodied(make(guide)));
    return made.get(guide);
  };
}

/** px by which the lane of an open guide goes straight on beyond its ends: who comes and goes there is within it. */
const ON = 1000;

/** The lane that a guide's corridor makes about it. */
export const laneOf = once((guide) =>
  guide.corridor === null || guide.nodes.length === 0 ? [] : bandOf(guide, guide.corridor, ON),
);

/** What a closed guide goes round. */
const insideOf = once((guide) => (guide.closed ? enclosedBy(guide) : []));

const between = new WeakMap<Guide, WeakMap<Guide, { readonly made: Made | undefined }>>();

function betweenOf(a: Guide, b: Guide): Made | undefined {
  const ofA = between.get(a) ?? new WeakMap<Guide, { readonly made: Made | undefined }>();
  between.set(a, ofA);
  let found = ofA.get(b);
  if (!found) ofA.set(b, (found = { made: bodied(betweenLines(a, b)) }));
  return found.made;
}
