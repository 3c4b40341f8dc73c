import type { Vec } from '../../geometry/index.ts';
import { freeName, freshIds, isStill, MOST, newRider, type Art, type Rider, type Scene } from '../../scene/index.ts';
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
}

/**
 * Sets a scene into another one as art with a clock of its own: a rider as large as its canvas, showing its background, carries all that is in it, on guides
 * that it carries as well; each runs by the inner loop. That rider is placed, turned, keyed and set on a guide as any other. It is the first of the riders that come.
 */
export const setIn: Command<SetIn> = command<SetIn>(
  (scene, { inner, duration }) => {
    if (scene.riders.length + inner.riders.length + 1 > MOST.riders) return refusal('too-many-riders');
    return setClock.can(inner, { duration, along: true });
  },
  (scene, { inner, at, size, duration }) => {
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
    const carried = {
      ...clip,
      guides: clip.guides.map((guide) => (guide.carrier === null ? { ...guide, carrier: holder.id } : guide)),
      riders: clip.riders.map((rider) => heldBy(rider, holder.id, size)),
    };
    return pasteThings(held, carried, 0, guides).scene;
  },
);

const namesIn = ({ riders }: Scene): string[] => riders.map(({ name }) => name);

/** What a scene loses as art in another one: the names of those that concern it, by what is lost. */
export interface LostInside {
  /** Riders that were seen inside or outside of a guide: a carried one clips nothing. */
  readonly clips: readonly string[];
  readonly camera: boolean;
  /** What drives it on a page is the outer scene's. */
  readonly driver: boolean;
}

export function lostInside({ riders, camera, driver }: Scene): LostInside {
  return {
    clips: riders.flatMap(({ name, inside }) => (inside ? [name] : [])),
    camera: camera !== null,
    driver: driver.kind !== 'time',
  };
}

/** The inner canvas as a sheet of its background, seen or not. */
const sheetMarkup = ({ width, height, background }: Scene['canvas']): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><rect width="${width}" height="${height}" fill="${background ?? 'none'}"/></svg>`;

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
function heldBy(rider: Rider, holder: string, size: number): Rider {
  const [x, y] = rider.scale;
  if (rider.strung) return { ...rider, inside: null, scale: [x * size, y * size] };
  return { ...rider, inside: null, carrier: rider.carrier ?? carriedBy(holder) };
}
