import { cycleOf, freeName, freshIds, MOST, type Rider, type Scene } from '../../scene/index.ts';
import { command, missingRider, refusal, riderOf } from '../command.ts';
import { renamedKeys } from '../key/key-maps.ts';

/**
 * Sets copies of a rider on its guide, after it: `count` in all, with its pace line, phases apart evenly over its cycle, or `every` s apart. On a closed guide run once a lap at one speed they are as far
 * from each other everywhere. Linked, they share their marks from then on.
 */
export const copiesAlong = command<{ rider: string; count: number; every: number | null; linked?: boolean }>(
  (scene, { rider: id, count }) => {
    const missing = missingRider(scene, id);
    if (missing) return missing;
    if (riderOf(scene, id).guide === null) return refusal('parked');
    return scene.riders.length + count - 1 > MOST.riders ? refusal('too-many-riders') : undefined;
  },
  (scene, { rider: id, count, every, linked = false }) => {
    const one = riderOf(scene, id);
    const rider = linked ? { ...one, pace: { ...one.pace, link: one.pace.link ?? id } } : one;
    const step = every ?? cycleOf(rider, scene.clock) / count;
    const fresh = freshIds(scene);
    const names = scene.riders.map(({ name }) => name);
    const copies = Array.from({ length: Math.max(0, count - 1) }, (_, i): Rider => {
      const name = freeName(names, rider.name);
      names.push(name);
      return copyOf(rider, name, fresh, rider.pace.delay + step * (i + 1));
    });
    const at = scene.riders.indexOf(one) + 1;
    return {
      ...scene,
      riders: [...scene.riders.slice(0, at - 1), rider, ...copies, ...scene.riders.slice(at)],
    } satisfies Scene;
  },
);

function copyOf(rider: Rider, name: string, fresh: (id: string) => string, delay: number): Rider {
  const renamed = new Map(rider.pace.marks.map((mark) => [mark.id, fresh(mark.id)]));
  const to = (id: string): string => renamed.get(id) ?? id;
  const id = fresh(rider.id);
  const { mark } = rider.poses;
  return {
    ...rider,
    id,
    poses: mark?.rider === rider.id ? { ...rider.poses, mark: { rider: id, mark: to(mark.mark) } } : rider.poses,
    behind: rider.behind.map((one) => (one.by === 'marks' ? { ...one, from: to(one.from), to: to(one.to) } : one)),
    name,
    keys: renamedKeys(rider.keys, fresh, to),
    pace: { ...rider.pace, delay, marks: rider.pace.marks.map((mark) => ({ ...mark, id: to(mark.id) })) },
  };
}
