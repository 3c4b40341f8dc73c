import {
  freeId,
  freshNames,
  freshIds,
  guideById,
  markIdsOf,
  riderById,
  usedAssets,
  type Art,
  type Guide,
  type Rider,
  type Scene,
  type StripPose,
} from '../../scene/index.ts';
import { within } from '../command.ts';
import { renamedKeys } from '../key/key-maps.ts';
import { withoutLoose } from '../loose.ts';
import { withCarriers } from '../rider/carriers.ts';
import { mergedAssets } from '../scene/assets.ts';
import { mapPlaces, nodePlaces } from '../places/place-map.ts';
import type { KeysClip } from './keys.ts';
import type { MarksClip } from './marks.ts';

/** Copied riders and guides with all that they need. */
export interface ThingsClip {
  readonly kind: 'things';
  readonly art: readonly Art[];
  /** Pixels of its pictures. */
  readonly assets: Scene['assets'];
  readonly guides: readonly Guide[];
  readonly riders: readonly Rider[];
}

/** What is copied: things of a scene, marks of one pace line, or keys of one rider. */
export type Clip = ThingsClip | MarksClip | KeysClip;

/** Copies guides and riders; a rider brings its art, and its guide where that is copied too or `withGuides` asks for it. */
export function copyThings(scene: Scene, guideIds: readonly string[], riderIds: readonly string[]): ThingsClip {
  const riders = scene.riders.filter((rider) => riderIds.includes(rider.id));
  const guides = scene.guides.filter((guide) => guideIds.includes(guide.id));
  const art = scene.art.filter((one) => riders.some((rider) => rider.art === one.id));
  const asked = new Set(guides.map((guide) => guide.id));
  const needed = scene.guides.filter(
    (guide) => !asked.has(guide.id) && riders.some((rider) => rider.guide === guide.id),
  );
  const pixels = usedAssets(art).map((asset) => [asset, scene.assets[asset] ?? ''] as const);
  return { kind: 'things', art, assets: Object.fromEntries(pixels), guides: [...guides, ...needed], riders };
}

/** The ids that `pasteThings` gives, so that the caller can select what it made. */
export interface Pasted {
  readonly scene: Scene;
  readonly guides: readonly string[];
  readonly riders: readonly string[];
}

/**
 * Pastes guides and riders with new ids, moved by an offset, px (what is carried goes with its carrier). Art that the scene has already (same markup) is shared;
 * riders whose guide was not itself copied stay on that guide where the scene has it. What was linked or carried among the copied is so among the pasted.
 */
export function pasteThings(scene: Scene, clip: ThingsClip, offset: number, copyGuides: readonly string[]): Pasted {
  const free = freshIds(scene);
  const renamed = new Map<string, string>();
  const fresh = (id: string): string => {
    const made = free(id);
    renamed.set(id, made);
    return made;
  };
  const art: Art[] = [];
  for (const one of clip.art) {
    const same = scene.art.find((known) => isSameArt(known, one));
    if (same) renamed.set(one.id, same.id);
    else art.push({ ...one, id: fresh(one.id) });
  }
  const comes = new Set(clip.riders.map((rider) => rider.id));
  const links = linksAmong(scene, clip.riders);
  const guideName = freshNames(scene.guides.map(({ name }) => name));
  const riderName = freshNames(scene.riders.map(({ name }) => name));
  const guides: Guide[] = [];
  for (const guide of clip.guides) {
    const isHere = guideById(scene, guide.id) !== undefined;
    if (isHere && !copyGuides.includes(guide.id)) continue;
    const { shape, ...rest } = guide;
    const by = guide.carrier !== null && comes.has(guide.carrier) ? 0 : offset;
    guides.push({
      ...rest,
      id: fresh(guide.id),
      name: guideName(guide.name),
      nodes: guide.nodes.map((node) => ({ ...node, id: fresh(node.id), x: node.x + by, y: node.y + by })),
      ...(shape ? { shape: { ...shape, x: shape.x + by, y: shape.y + by } } : {}),
    });
  }
  const riders: Rider[] = [];
  const to = (id: string): string => renamed.get(id) ?? id;
  const renaming = nodePlaces((place) => ({ ...place, node: to(place.node) }));
  for (const rider of clip.riders) {
    const moved = mapPlaces(rider, renaming);
    const by = rider.carrier && comes.has(rider.carrier.rider) ? 0 : offset;
    const link = links.get(rider.pace.link ?? '') ?? null;
    riders.push({
      ...moved,
      id: fresh(rider.id),
      name: riderName(rider.name),
      art: to(rider.art),
      guide: rider.guide === null ? null : to(rider.guide),
      at: [rider.at[0] + by, rider.at[1] + by],
      pace: { ...moved.pace, link, marks: moved.pace.marks.map((mark) => ({ ...mark, id: fresh(mark.id) })) },
    });
  }
  // Once every mark has its name: keys may go with those of riders that come later, or that were there before.
  const there = markIdsOf(scene.riders);
  const markOf = (id: string): string | null => renamed.get(id) ?? (there.has(id) ? id : null);
  const bound = riders.map((rider) =>
    boundRider(scene, { ...rider, keys: renamedKeys(rider.keys, fresh, markOf) }, renamed),
  );
  return {
    scene: pastedInto(scene, {
      ...scene,
      art: [...scene.art, ...art],
      assets: mergedAssets(scene.assets, clip.assets),
      guides: [...scene.guides, ...guides.map((guide) => boundAnew(scene, guide, guides, riders, renamed))],
      riders: [...scene.riders, ...bound],
    }),
    guides: guides.map((guide) => guide.id),
    riders: riders.map((rider) => rider.id),
  };
}

/** Riders on carried guides are carried as these are, and what leads nowhere is let go of. */
const pastedInto = (before: Scene, scene: Scene): Scene => within(before, withoutLoose(withCarriers(scene)));

/** New links for those that join two or more of what is copied, by the old ones; what was linked with nobody of them stands on its own. */
function linksAmong(scene: Scene, copied: readonly Rider[]): ReadonlyMap<string, string> {
  const linksOf = (riders: readonly Rider[]): string[] =>
    riders.flatMap(({ pace }) => (pace.link === null ? [] : [pace.link]));
  const links = linksOf(copied);
  const shared = new Set(links.filter((link, i) => links.indexOf(link) !== i));
  const taken = new Set(linksOf(scene.riders));
  return new Map([...shared].map((link) => [link, freeId(taken, link)]));
}

function isSamePicture(a: Art | StripPose, b: Art | StripPose): boolean {
  if (a.kind === 'svg') return b.kind === 'svg' && a.markup === b.markup;
  if (a.kind === 'image') return b.kind === 'image' && a.asset === b.asset;
  if (b.kind !== 'strip') return false;
  return a.poses.length === b.poses.length && a.poses.every((pose, i) => isSamePicture(pose, b.poses[i] ?? pose));
}

const isSameArt = (a: Art, b: Art): boolean => isSamePicture(a, b) && a.width === b.width && a.name === b.name;

/** A pasted rider is carried by, and looks toward, what was pasted with it, else what is in the scene, else nothing. */
function boundRider(scene: Scene, rider: Rider, renamed: ReadonlyMap<string, string>): Rider {
  const to = (id: string): string => renamed.get(id) ?? id;
  const { carrier, heading, strung, inside, poses } = rider;
  const { target } = heading;
  // What comes along may keep its name, where nothing here has it.
  const isThere = (id: string): boolean => renamed.has(id) || riderById(scene, id) !== undefined;
  return {
    ...rider,
    // What of these leads nowhere is let go of once all is settled.
    strung: strung && { ...strung, from: to(strung.from), to: to(strung.to) },
    inside: inside && { ...inside, guide: to(inside.guide) },
    poses: { ...poses, mark: poses.mark && { rider: to(poses.mark.rider), mark: to(poses.mark.mark) } },
    behind: rider.behind.map((one) =>
      one.by === 'marks'
        ? { ...one, rider: to(one.rider), from: to(one.from), to: to(one.to) }
        : { ...one, rider: to(one.rider) },
    ),
    // On a guide it is carried as that is.
    carrier: carrier && isThere(carrier.rider) ? { ...carrier, rider: to(carrier.rider) } : null,
    heading:
      target.kind === 'point'
        ? heading
        : {
            ...heading,
            target: isThere(target.rider) ? { ...target, rider: to(target.rider) } : { kind: 'point', at: [0, 0] },
          },
  };
}

/** A pasted guide follows, and is drawn by, only what was pasted with it; else it stands on its own, there whole. It is carried by that, or by who is in the scene. */
function boundAnew(
  scene: Scene,
  { link, stroke, carrier, ...guide }: Guide,
  guides: readonly Guide[],
  riders: readonly Rider[],
  renamed: ReadonlyMap<string, string>,
): Guide {
  const original = guides.find((one) => one.id === renamed.get(link?.of ?? ''));
  const drawer = riders.find((one) => one.id === renamed.get(stroke?.draws ?? ''));
  return {
    ...guide,
    carrier: carrier === null ? null : (renamed.get(carrier) ?? riderById(scene, carrier)?.id ?? null),
    ...(link && original ? { link: { ...link, of: original.id } } : {}),
    ...(stroke ? { stroke: { ...stroke, draws: drawer?.id ?? null } } : {}),
  };
}
