import {
  artById,
  cycleOf,
  freshNames,
  freshIds,
  guideById,
  MOST,
  pathOfGuide,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { command, missingRider, refusal, riderOf } from '../command.ts';
import { renamedKeys } from '../key/key-maps.ts';

/**
 * How copies are set along a guide: by phases apart evenly over the cycle; each so many s after the one before; as far from each other as a closed guide allows evenly; or each so many
 * px behind the one before.
 */
export type Spread =
  | { readonly by: 'time' }
  | { readonly by: 'stagger'; readonly seconds: number }
  | { readonly by: 'distance' }
  | { readonly by: 'train'; readonly gap: number };

export interface CopiesAlong {
  readonly rider: string;
  /** How many in all. */
  readonly count: number;
  readonly spread: Spread;
  /** In the first round they are not seen before they start. */
  readonly hidden?: boolean;
  /** They share their marks from then on. */
  readonly linked?: boolean;
  /** Art that the copies show in turn with that of the rider itself. */
  readonly arts?: readonly string[];
  /** Share by which sizes differ from it at most; the same ones each time. */
  readonly vary?: number;
}

/** Steps of the golden ratio spread evenly, and no two neighbours are alike. */
const GOLDEN = 0.618033988749895;

/** Sets copies of a rider on its guide, after it in the order. On a closed guide run once a lap at one speed, phases apart are as far from each other everywhere. */
export const copiesAlong = command<CopiesAlong>(
  (scene, { rider: id, count, spread, arts = [] }) => {
    const missing = missingRider(scene, id);
    if (missing) return missing;
    const guide = guideById(scene, riderOf(scene, id).guide);
    if (!guide) return refusal('parked');
    if (spread.by === 'distance' && !guide.closed) return refusal('needs-closed');
    if (arts.some((art) => !artById(scene, art))) return refusal('no-art');
    return scene.riders.length + count - 1 > MOST.riders ? refusal('too-many-riders') : undefined;
  },
  (scene, { rider: id, count, spread, hidden = false, linked = false, arts = [], vary = 0 }) => {
    const one = riderOf(scene, id);
    const rider = linked ? { ...one, pace: { ...one.pace, link: one.pace.link ?? id } } : one;
    const fresh = freshIds(scene);
    const named = freshNames(scene.riders.map(({ name }) => name));
    const shown = [one.art, ...arts];
    const copies = Array.from({ length: Math.max(0, count - 1) }, (_, k): Rider => {
      const i = k + 1;
      const name = named(rider.name);
      const size = 1 + vary * (2 * ((i * GOLDEN) % 1) - 1);
      const copy = copyOf(rider, name, fresh);
      return {
        ...copy,
        ...placed(scene, rider, i, count, spread),
        art: shown[i % shown.length] ?? one.art,
        scale: [copy.scale[0] * size, copy.scale[1] * size],
        pace: {
          ...copy.pace,
          hidden: hidden || copy.pace.hidden,
          delay: rider.pace.delay + delayOf(scene, rider, i, count, spread),
        },
      };
    });
    const at = scene.riders.indexOf(one);
    return { ...scene, riders: [...scene.riders.slice(0, at), rider, ...copies, ...scene.riders.slice(at + 1)] };
  },
);

/** s after the rider itself. */
function delayOf(scene: Scene, rider: Rider, i: number, count: number, spread: Spread): number {
  if (spread.by === 'time') return (cycleOf(rider, scene.clock) / count) * i;
  return spread.by === 'stagger' ? spread.seconds * i : 0;
}

/** Before or behind the rider itself on the guide. */
function placed(scene: Scene, rider: Rider, i: number, count: number, spread: Spread): Pick<Rider, 'lead'> {
  const guide = guideById(scene, rider.guide);
  if (spread.by === 'train') return { lead: rider.lead - spread.gap * i };
  if (spread.by !== 'distance' || !guide) return { lead: rider.lead };
  return { lead: rider.lead + (pathOfGuide(guide).length / count) * i };
}

function copyOf(rider: Rider, name: string, fresh: (id: string) => string): Rider {
  const renamed = new Map(rider.pace.marks.map((mark) => [mark.id, fresh(mark.id)]));
  const to = (id: string): string => renamed.get(id) ?? id;
  const id = fresh(rider.id);
  const { mark } = rider.poses;
  return {
    ...rider,
    id,
    name,
    poses: mark?.rider === rider.id ? { ...rider.poses, mark: { rider: id, mark: to(mark.mark) } } : rider.poses,
    behind: rider.behind.map((one) => (one.by === 'marks' ? { ...one, from: to(one.from), to: to(one.to) } : one)),
    keys: renamedKeys(rider.keys, fresh, to),
    pace: { ...rider.pace, marks: rider.pace.marks.map((mark) => ({ ...mark, id: to(mark.id) })) },
  };
}
