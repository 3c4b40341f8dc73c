import { prepare } from '../../motion/index.ts';
import { idsIn, type Guide, type Rider, type Scene } from '../../scene/index.ts';
import { lockedGuide } from '../node/check-nodes.ts';
import { command, guideOf, missingGuide, refusal, replaceGuide } from '../command.ts';
import { mapPlaces } from '../places/place-map.ts';
import { asShare } from '../places/places.ts';

/** Adds a guide above the others. Its ids and its nodes' must be free. */
export const addGuide = command<{ guide: Guide }>(
  (scene, { guide }) => {
    const ids = idsIn(scene);
    const taken = [guide.id, ...guide.nodes.map((node) => node.id)].find((id) => ids.has(id));
    return taken === undefined ? undefined : refusal('id-taken', { id: taken });
  },
  (scene, { guide }) => ({ ...scene, guides: [...scene.guides, guide] }),
);

/** Changes what a guide is called, how it looks and whether it can be edited. */
export const setGuide = command<{
  id: string;
  patch: Partial<Pick<Guide, 'name' | 'color' | 'visible' | 'locked' | 'corridor' | 'thickness' | 'stroke'>>;
}>(
  (scene, { id }) => missingGuide(scene, id),
  (scene, { id, patch }) => replaceGuide(scene, { ...guideOf(scene, id), ...patch }),
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

/** Takes riders off their guides and leaves each where it is, facing as it does, at a time. */
export function parkRiders(scene: Scene, ids: readonly string[], time: number): Scene {
  const motion = prepare(scene);
  const poses = motion.poseAt(time);
  return {
    ...scene,
    riders: scene.riders.map((rider, i): Rider => {
      if (!ids.includes(rider.id) || rider.guide === null) return rider;
      const guide = guideOf(scene, rider.guide);
      return {
        ...mapPlaces(rider, (place) => asShare(guide, place)),
        guide: null,
        at: [poses.of(i, 'x'), poses.of(i, 'y')],
        heading: { mode: 'level', offset: degreesNear(poses.of(i, 'angle')) },
        lift: 0,
        lead: 0,
      };
    }),
  };
}

/** An angle in rad as degrees in (−180, 180], rounded to a millionth. */
export function degreesNear(angle: number): number {
  const turns = (angle * 180) / Math.PI / 360;
  const rest = (turns - Math.ceil(turns - 0.5)) * 360;
  return Math.round(rest * 1e6) / 1e6 + 0;
}
