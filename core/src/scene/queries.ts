import { pathThrough, type Path } from '../geometry/index.ts';
import { roundOf, type Folding } from '../time/index.ts';
import { KEY_CHANNELS } from './schema/index.ts';
import type { Art, Clock, Guide, Mark, Node, Rider, Scene } from './schema/index.ts';

/** The path of a guide; made once for each node list. */
export const pathOfGuide = (guide: Guide): Path => pathThrough(guide.nodes, guide.closed);

/** A guide of a scene by its id; undefined where there is none. */
export const guideById = (scene: Scene, id: string | null): Guide | undefined =>
  id === null ? undefined : scene.guides.find((guide) => guide.id === id);

/** A rider of a scene by its id; undefined where there is none. */
export const riderById = (scene: Scene, id: string): Rider | undefined => scene.riders.find((rider) => rider.id === id);

/** An art of a scene by its id; undefined where there is none. */
export const artById = (scene: Scene, id: string): Art | undefined => scene.art.find((art) => art.id === id);

export const ridersOf = (scene: Scene, guideId: string): readonly Rider[] =>
  scene.riders.filter((rider) => rider.guide === guideId);

/** The ids of all riders' marks. */
export const markIdsOf = (riders: readonly Pick<Rider, 'pace'>[]): Set<string> =>
  new Set(riders.flatMap(({ pace }) => pace.marks.map(({ id }) => id)));

/** A mark of a rider by its id; undefined where there is none. */
export const markById = (rider: Rider, id: string): Mark | undefined => rider.pace.marks.find((mark) => mark.id === id);

/** Seconds that are played and sent: the duration, or twice that for there-and-back. */
export const loopLength = (clock: Clock): number => roundOf(clock.duration, clock.repeat);

/** Number of frames that are written of a loop: what loops does not repeat its first at its end, what plays once ends with its last moment. */
export const sentFrames = (clock: Clock): number => frameCount(clock) + (clock.repeat === 'once' ? 1 : 0);

/** Number of a loop's steps from frame to frame: at least one. */
export const frameCount = (clock: Clock): number => Math.max(1, Math.round(loopLength(clock) * clock.fps));

/** A rider's own cycle, s. */
export const cycleOf = (rider: Rider, clock: Clock): number => rider.pace.cycle ?? clock.duration;

/** Whether a rider never moves by itself, whatever else does: parked, without keys, in one pose. */
export const isStill = ({ guide, keys, poses }: Rider): boolean =>
  guide === null && poses.by === 'still' && KEY_CHANNELS.every((channel) => keys[channel].length === 0);

/** What folds a rider's time, as its pace is set: what comes only the first time has one round where nothing is said of them. */
export const foldingOf = (rider: Rider, clock: Clock): Folding => ({
  delay: rider.pace.delay,
  cycle: cycleOf(rider, clock),
  repeat: rider.pace.repeat ?? clock.repeat,
  times: rider.pace.times ?? (rider.pace.only ? 1 : null),
});

/** Every id in the scene. */
export function idsIn(scene: Scene): Set<string> {
  const ids = new Set<string>();
  for (const art of scene.art) ids.add(art.id);
  for (const guide of scene.guides) {
    ids.add(guide.id);
    for (const node of guide.nodes) ids.add(node.id);
  }
  for (const rider of scene.riders) {
    ids.add(rider.id);
    for (const mark of rider.pace.marks) ids.add(mark.id);
    for (const channel of KEY_CHANNELS) for (const key of rider.keys[channel]) ids.add(key.id);
  }
  for (const picture of scene.tracing) ids.add(picture.id);
  for (const set of scene.sets) ids.add(set.id);
  return ids;
}

/** Gives ids that are free in a scene, each once: `base`, or `base-2`, `base-3`, … */
export function freshIds(scene: Scene): (base: string) => string {
  const taken = idsIn(scene);
  const next = new Map<string, number>();
  return (base) => {
    let id = base;
    for (let n = next.get(base) ?? 2; taken.has(id); n++) {
      id = `${base}-${n}`;
      next.set(base, n + 1);
    }
    taken.add(id);
    return id;
  };
}

/** Gives ids that are free in a scene, counted on: `stem1`, `stem2`, … */
export function countedIds(scene: Scene, stem: string): () => string {
  const taken = idsIn(scene);
  let counter = 0;
  return () => {
    do counter++;
    while (taken.has(`${stem}${counter}`));
    return `${stem}${counter}`;
  };
}

/** `base`, or `base-2`, `base-3`, … : the first that is not taken. */
export function freeId(taken: ReadonlySet<string>, base: string): string {
  if (!taken.has(base)) return base;
  let n = 2;
  while (taken.has(`${base}-${n}`)) n++;
  return `${base}-${n}`;
}

/** `base`, or `base 2`, `base 3`, … : the first that no listed name has. */
export function freeName(taken: readonly string[], base: string): string {
  if (!taken.includes(base)) return base;
  const stem = base.replace(/ \d+$/, '');
  let n = 2;
  while (taken.includes(`${stem} ${n}`)) n++;
  return `${stem} ${n}`;
}

/** As `freeName`, for many names in turn: each that is given is taken from then on. */
export function freshNames(names: readonly string[]): (base: string) => string {
  const taken = new Set(names);
  const next = new Map<string, number>();
  return (base) => {
    const stem = base.replace(/ \d+$/, '');
    let name = base;
    for (let n = next.get(stem) ?? 2; taken.has(name); n++) {
      name = `${stem} ${n}`;
      next.set(stem, n + 1);
    }
    taken.add(name);
    return name;
  };
}

/** What a node is called: by its name, by its id where that is made of words, else by its number. */
export function nameOfNode(guide: Guide, id: string): string {
  const index = guide.nodes.findIndex((node) => node.id === id);
  const node = guide.nodes[index];
  return node ? nameOfNodeAt(node, index) : nameOfNodeAt({ id }, index);
}

/** The same where the node's index is known. */
export function nameOfNodeAt({ id, name }: Pick<Node, 'id' | 'name'>, index: number): string {
  if (name !== undefined) return name;
  if (/-[ns]\d*(?:-\d+)?$|^n\d+$|\.p\d+$/.test(id)) return `Node ${index + 1}`;
  const words = id.replace(/[-_]+/g, ' ').trim();
  return words.charAt(0).toUpperCase() + words.slice(1);
}
