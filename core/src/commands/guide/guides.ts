import { idsIn, type Guide, type Rider, type Scene } from '../../scene/index.ts';
import { lockedGuide } from '../node/check-nodes.ts';
import { command, guideOf, missingGuide, refusal, replaceGuide, replaceRider } from '../command.ts';
import { mapPlaces } from '../places/place-map.ts';
import { asShare } from '../places/places.ts';
import { poseOf, stoodAs } from '../rider/standing.ts';

/** Adds many guides at once: one by one, each would ask after the ids of all. */
export const addGuides = command<{ guides: readonly Guide[] }>(
  (scene, { guides }) => {
    const ids = idsIn(scene);
    for (const guide of guides)
      for (const id of [guide.id, ...guide.nodes.map((node) => node.id)]) {
        if (ids.has(id)) return refusal('id-taken', { id });
        ids.add(id);
      }
    return undefined;
  },
  (scene, { guides }) => (guides.length === 0 ? scene : { ...scene, guides: [...scene.guides, ...guides] }),
);

/** Adds a guide above the others. Its ids and its nodes' must be free. */
export const addGuide = command<{ guide: Guide }>(
  (scene, { guide }) => {
    const ids = idsIn(scene);
    const taken = [guide.id, ...guide.nodes.map((node) => node.id)].find((id) => ids.has(id));
    return taken === undefined ? undefined : refusal('id-taken', { id: taken });
  },
  (scene, { guide }) => ({ ...scene, guides: [...scene.guides, guide] }),
);

/** Changes what a guide is called, how it looks and whether it can be edited. A stroke of the guide's own colour takes over its new one; one that was given another keeps that. */
export const setGuide = command<{
  id: string;
  patch: Partial<Pick<Guide, 'name' | 'color' | 'visible' | 'locked' | 'corridor' | 'thickness' | 'stroke' | 'depth'>>;
}>(
  (scene, { id }) => missingGuide(scene, id),
  (scene, { id, patch }) => {
    const guide = guideOf(scene, id);
    const { color = guide.color } = patch;
    const follows = guide.stroke?.color.toLowerCase() === guide.color.toLowerCase();
    const stroke = guide.stroke && follows ? { stroke: { ...guide.stroke, color } } : {};
    return replaceGuide(scene, { ...guide, ...stroke, ...patch });
  },
);

/** Moves whole guides by an offset, px; shapes stay live, a linked copy stands elsewhere then. A parallel guide moves with its original only. */
export const moveGuides = command<{ ids: readonly string[]; dx: number; dy: number }>(
  (scene, { ids }) => {
    const missing = ids.map((id) => missingGuide(scene, id)).find(Boolean) ?? lockedGuide(scene, ids);
    if (missing) return missing;
    const bound = scene.guides.find(
      ({ id, link }) => ids.includes(id) && link?.kind === 'parallel' && !ids.includes(link.of),
    );
    return bound ? refusal('parallel-bound', { name: bound.name }) : undefined;
  },
  (scene, { ids, dx, dy }) => ({
    ...scene,
    guides: scene.guides.map((guide) => (ids.includes(guide.id) ? movedGuide(guide, dx, dy, ids) : guide)),
  }),
);

function movedGuide(guide: Guide, dx: number, dy: number, moving: readonly string[]): Guide {
  const { link, shape } = guide;
  if (link?.kind === 'copy')
    return moving.includes(link.of) ? guide : { ...guide, link: { ...link, dx: link.dx + dx, dy: link.dy + dy } };
  if (link) return guide;
  return {
    ...guide,
    nodes: guide.nodes.map((node) => ({ ...node, x: node.x + dx, y: node.y + dy })),
    ...(shape ? { shape: { ...shape, x: shape.x + dx, y: shape.y + dy } } : {}),
  };
}

/** Deletes guides. Their riders are parked where they are at `time`, s; their marks keep their times and become shares, for the next guide. */
export const deleteGuides = command<{ ids: readonly string[]; time: number }>(
  (scene, { ids }) => ids.map((id) => missingGuide(scene, id)).find(Boolean) ?? lockedGuide(scene, ids),
  (scene, { ids, time }) => ({
    ...parkRiders(
      scene,
      scene.riders.filter((rider) => rider.guide !== null && ids.includes(rider.guide)).map((rider) => rider.id),
      time,
    ),
    guides: scene.guides.filter((guide) => !ids.includes(guide.id)),
  }),
);

/** Takes riders off their guides and leaves each where it is, facing as it does, at a time. Heading, lift, lead and keys stay for its next guide. */
export function parkRiders(scene: Scene, ids: readonly string[], time: number): Scene {
  return scene.riders.reduce((sum, rider): Scene => {
    if (!ids.includes(rider.id) || rider.guide === null) return sum;
    const guide = guideOf(scene, rider.guide);
    const pose = poseOf(scene, rider.id, time);
    const parked: Rider = { ...mapPlaces(rider, (place) => asShare(guide, place)), guide: null };
    const next = replaceRider(sum, parked);
    return pose ? stoodAs(next, rider.id, time, pose) : next;
  }, scene);
}
