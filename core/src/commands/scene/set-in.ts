import { runsByTime } from '../../drive/index.ts';
import { transformed, type Vec } from '../../geometry/index.ts';
import { prepare } from '../../motion/index.ts';
import {
  artById,
  freeName,
  freshIds,
  isStill,
  MOST,
  newGuide,
  newRider,
  sheetMarkup,
  type Art,
  type Guide,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { copyThings, pasteThings } from '../clip/clip.ts';
import { command, type Command } from '../command.ts';
import { refusal } from '../refusal.ts';
import { posesAtRate } from '../rider/carried-clock.ts';
import { carriedBy } from '../rider/carriers.ts';
import { setClock } from './scene.ts';

export interface SetIn {
  /** The scene that becomes art in the other one. */
  readonly inner: Scene;
  /** Where its middle comes to lie, canvas px. */
  readonly at: Vec;
  /** Its size: a factor of its own px. */
  readonly size: number;
  /** How long its loop takes from now on, s. */
  readonly duration: number;
  /** What reaches beyond its canvas is cut off there. Absent: it is. */
  readonly cut?: boolean;
}

/**
 * Sets a scene into another one as art with a clock of its own: a rider as large as its canvas, showing its background, carries all that is in it, on guides
 * that it carries as well; each runs by the inner loop, and what reaches beyond its canvas is cut off there. That rider is placed, turned, keyed and set on a guide as any other. It is the first of the riders that come.
 */
export const setIn: Command<SetIn> = command<SetIn>(
  (scene, { inner, duration }) => {
    if (scene.riders.length + inner.riders.length + 1 > MOST.riders) return refusal('too-many-riders');
    return setClock.can(inner, { duration, along: true });
  },
  (scene, { inner, at, size, duration, cut = true }) => {
    const timed = clockedAlone(atRate(inner, duration));
    const [width, height] = [inner.canvas.width, inner.canvas.height];
    // Not those of the inner scene either: what is carried names its carrier before it gets an id of its own here.
    const free = freshIds({ ...scene, riders: [...scene.riders, ...inner.riders], art: [...scene.art, ...inner.art] });
    const frame: Art = {
      id: free('frame'),
      name: inner.name,
      kind: 'svg',
      markup: sheetMarkup(inner.canvas),
      ...{ width, height, pivot: [width / 2, height / 2] as const, facing: 0 },
    };
    const holder = newRider({ id: free('set-in'), name: freeName(namesIn(scene), inner.name), art: frame.id, at });
    const held: Scene = {
      ...scene,
      art: [...scene.art, frame],
      riders: [...scene.riders, { ...holder, scale: [size, size] as const }],
    };
    const [guides, riders] = [timed.guides.map(({ id }) => id), timed.riders.map(({ id }) => id)];
    const clip = copyThings(timed, guides, riders);
    const edge = cut && reachesBeyond(inner) ? edgeOf(inner, holder.id, free) : undefined;
    const carried = {
      ...clip,
      guides: [
        ...clip.guides.map((guide) => (guide.carrier === null ? { ...guide, carrier: holder.id } : guide)),
        ...(edge ? [edge] : []),
      ],
      riders: clip.riders.map((rider) => heldBy(rider, holder.id, size, edge?.id)),
    };
    return pasteThings(held, carried, 0, guides).scene;
  },
);

const namesIn = ({ riders }: Scene): string[] => riders.map(({ name }) => name);

/** What a scene loses as art in another one. */
export interface LostInside {
  /** Names of riders that are not cut off at its edges, where others are: they are seen within a guide already. */
  readonly uncut: readonly string[];
  readonly camera: boolean;
  /** What drives it on a page is the outer scene's. */
  readonly driver: boolean;
}

/** What of a scene is lost where it is set into another. */
export function lostInside(inner: Scene): LostInside {
  const { riders, camera, driver } = inner;
  const within = riders.flatMap(({ name, inside }) => (inside ? [name] : []));
  return {
    uncut: within.length > 0 && reachesBeyond(inner) ? within : [],
    camera: camera !== null,
    driver: !runsByTime(driver),
  };
}

/** Poses that are looked at to tell whether anything reaches beyond a canvas, and times at least and at most. */
const POSES = 60_000;
const [FEWEST_LOOKS, MOST_LOOKS] = [12, 240];

/** px that may reach beyond it unseen. */
const UNSEEN = 0.5;

/** Whether any rider that is sent reaches beyond the canvas at any of many times of the loop. */
function reachesBeyond(scene: Scene): boolean {
  const motion = prepare(scene);
  const { width, height } = scene.canvas;
  const isOut = ([x, y]: Vec): boolean => x < -UNSEEN || y < -UNSEEN || x > width + UNSEEN || y > height + UNSEEN;
  const corners = scene.riders.map((rider): Vec[] => {
    const art = rider.output ? artById(scene, rider.art) : undefined;
    if (!art) return [];
    return [
      [0, 0],
      [art.width, 0],
      [art.width, art.height],
      [0, art.height],
    ];
  });
  const looks = Math.min(MOST_LOOKS, Math.max(FEWEST_LOOKS, Math.ceil(POSES / scene.riders.length)));
  return Array.from({ length: looks }, (_, k) => (motion.length * k) / looks).some((time) => {
    const poses = motion.poseAt(time);
    return corners.some((box, index) => {
      const [a, b, c, d, e, f] = MATRIX.map((key) => poses.of(index, key));
      return box.some((corner) => isOut(transformed([a ?? 1, b ?? 0, c ?? 0, d ?? 1, e ?? 0, f ?? 0], corner)));
    });
  });
}

const MATRIX = ['a', 'b', 'c', 'd', 'e', 'f'] as const;

/** The inner canvas's edge as a guide that the holder carries; it is not shown, as it is the holder's own. */
function edgeOf({ name, canvas: { width, height } }: Scene, carrier: string, free: (stem: string) => string): Guide {
  const corners: readonly Vec[] = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
  const nodes = corners.map(([x, y]) => ({ id: free('corner'), x, y, join: 'corner' as const }));
  return newGuide({
    ...{ id: free('edge'), name: `${name}: edge`, color: '#6B6256', nodes },
    ...{ closed: true, carrier, visible: false },
  });
}

/** The scene slower or faster as a whole: poses that go by time as well. */
function atRate(inner: Scene, duration: number): Scene {
  const factor = duration / inner.clock.duration;
  const timed = setClock(inner, { duration, along: true });
  if (factor === 1) return timed;
  return { ...timed, riders: timed.riders.map((rider) => ({ ...rider, poses: posesAtRate(rider.poses, factor) })) };
}

/** Every rider with the scene's cycle and repeat as its own, but those that never move. */
const clockedAlone = (inner: Scene): Scene => ({
  ...inner,
  riders: inner.riders.map((rider) => {
    const { pace } = rider;
    if (isStill(rider)) return rider;
    const { duration, repeat } = inner.clock;
    return { ...rider, pace: { ...pace, cycle: pace.cycle ?? duration, repeat: pace.repeat ?? repeat } };
  }),
});

/** A rider of the inner scene in the holder's frame: what has no carrier is carried by the holder; what is strung between two is on the canvas, and gets its size. */
function heldBy(rider: Rider, holder: string, size: number, edge: string | undefined): Rider {
  const [x, y] = rider.scale;
  const inside = rider.inside ?? (edge === undefined ? null : { guide: edge, keep: 'inside' });
  if (rider.strung) return { ...rider, inside, scale: [x * size, y * size] };
  return { ...rider, inside, carrier: rider.carrier ?? carriedBy(holder) };
}
