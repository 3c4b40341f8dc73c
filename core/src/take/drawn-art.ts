import { runsByTime } from '../drive/index.ts';
import type { PathNode } from '../geometry/index.ts';
import type { Channel, Displayed, RiderMotion } from '../motion/index.ts';
import { artOfRider, guideById, leadInOf, riderById, type Art, type Rider, type Scene } from '../scene/index.ts';
import { alongOf, isShorter, type Along } from './along.ts';
import type { CarriedFrame, FrameBaking, FrameOf } from './carried-frame.ts';
import type { Curve } from './curve.ts';
import { constantCurves, curvesOf, goesBothWays } from './curves-of.ts';
import type { DrawnStroke } from './drawn-stroke.ts';
import { lookedAt } from './reduction.ts';
import { ledThrough, type Led } from './lead-in.ts';
import { isMirrored } from './same.ts';
import { pivotBoxOf } from './sample.ts';
import { stepsBefore, stepsOf, type Steps } from './steps.ts';

/** A rider's art, and each channel of its pose over the loop. */
export interface DrawnArt extends Led {
  readonly kind: 'art';
  /** Id and name of the rider, and what code calls it. */
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly art: Art;
  /** Of one that repeats another those of that one. */
  readonly curves: Readonly<Record<Channel, Curve>>;
  /** The same by a motion along its guide, where that is written shorter and was asked for. */
  readonly along: Along | null;
  /** The rider whose motion it repeats, and by how much it is ahead of it, s; null where it has its own, or that was not asked for. */
  readonly echo: Echo | null;
  /** Both channels of its place have the same keys and straight legs: where that was asked for, one animation holds them. */
  readonly joint: boolean;
  /** The second half of the loop is the first one backward; told where that was asked for. */
  readonly mirrored: boolean;
  /** The pose that is shown, counted from 1; 0: nothing is. */
  readonly pose: Steps;
  /** 1 while it is drawn at this place of the order, else 0: what goes behind something stands in it more than once. */
  readonly shown: Steps;
  /** Both in the lead-in, from its beginning on; null where that is as it runs, or stands, there. */
  readonly posing: Steps | null;
  readonly showing: Steps | null;
  /** The line within which it is seen, or outside of which, by the even-odd rule. */
  readonly inside: Inside | null;
  /** How far the view's movement moves it. */
  readonly parallax: number;
  /** What code calls the rider with which it goes: what carries all that carries it, itself where nothing does; null where it hangs between others. */
  readonly root: string | null;
  /** Whether that one turns along its guide. */
  readonly turns: boolean;
}

export type Drawn = DrawnArt | DrawnStroke;

export interface Echo {
  readonly of: string;
  readonly ahead: number;
}

export interface Inside {
  /** Id of the guide whose line it is. */
  readonly guide: string;
  readonly nodes: readonly PathNode[];
  readonly keep: 'inside' | 'outside';
  /** The frame that the line lies in; null where that is the canvas. */
  readonly frame: CarriedFrame | null;
}

/** Finds riders that repeat earlier ones (echoes.ts). */
export interface Repeats {
  of: (
    rider: RiderMotion,
    repeating: Pick<DrawnArt, 'art' | 'pose' | 'shown'>,
  ) => { readonly leader: DrawnArt; readonly ahead: number } | undefined;
  note: (rider: RiderMotion, drawn: DrawnArt) => void;
}

/** How riders are baked. */
export interface Baking extends FrameBaking {
  readonly ways: boolean;
  /** Places are wanted with keys that one animation can hold. */
  readonly joint: boolean;
  /** What code calls riders, by their ids. */
  readonly codes: ReadonlyMap<string, string>;
  /** Where a guide's line lies. */
  readonly frameOf: FrameOf;
  /** What finds riders that repeat others; null: each has its own motion. */
  readonly echoes: Repeats | null;
}

/** A rider as it is drawn at one place of the order; undefined where nothing of it is. */
export function drawnArt(
  { scene, motion, tolerance, cubic, ways, joint: isWanted, codes, leadIn, frameOf, echoes }: Baking,
  { rider, index, under }: Displayed & { kind: 'rider' },
  tell: (share: number) => void,
): DrawnArt | undefined {
  const art = artOfRider(scene, rider);
  const moving = motion.riders[index];
  if (!rider.output || !art || !moving) return undefined;
  const { length } = motion;
  const isHere = { key: 'under', of: (value: number) => (value === under ? 1 : 0) } as const;
  const shown = stepsOf(moving, length, isHere);
  const showing = stepsBefore(moving, leadIn, shown[0]?.value, isHere);
  if ([...shown, ...(showing ?? [])].every(({ value }) => value === 0)) return undefined;
  const pose = stepsOf(moving, length, { key: 'pose' });
  const { id, name, parallax } = rider;
  const box = pivotBoxOf(art);
  const led = ledThrough(moving, leadIn, box, tolerance, cubic);
  const ownWay = { along: null, echo: null, joint: false, mirrored: false };
  const still = {
    ...ownWay,
    ...led,
    pose,
    shown,
    posing: stepsBefore(moving, leadIn, pose[0]?.value, { key: 'pose' }),
    showing,
    inside: insideOf(scene, rider, frameOf),
    parallax,
    ...goesWith(scene, rider, codes),
  };
  if (moving.varies.length === 0) return { kind: 'art', id, name, art, curves: constantCurves(moving), ...still };
  const repeated = echoes?.of(moving, { art, pose, shown });
  if (repeated) {
    const { leader, ahead } = repeated;
    const { curves, along, joint, mirrored } = leader;
    return { kind: 'art', id, name, art, curves, ...still, along, joint, mirrored, echo: { of: leader.id, ahead } };
  }
  const looked = lookedAt(moving, length, box, tolerance, cubic, (share) => tell(share / 2));
  // What enters has curves alone: those of its lead-in go on in them.
  const joint = isWanted && !led.entering && goesBothWays(moving);
  const curves = curvesOf(moving, looked, joint);
  tell(0.75);
  const guide = ways && !joint && !led.entering && guideById(scene, rider.guide);
  const along = guide ? alongOf(moving, guide, length, looked) : null;
  const mirrored =
    ways && isEndless(scene) && scene.clock.repeat === 'there-and-back' && isMirrored(moving, length, box);
  const shorter = along && isShorter(along, curves) ? along : null;
  const drawn: DrawnArt = { kind: 'art', id, name, art, curves, ...still, joint, along: shorter, mirrored };
  echoes?.note(moving, drawn);
  return drawn;
}

/** With which rider one goes, and whether that turns along its guide. */
export function goesWith(
  scene: Scene,
  rider: Rider,
  codes: ReadonlyMap<string, string>,
): Pick<DrawnArt, 'code' | 'root' | 'turns'> {
  let root = rider;
  for (let next = root.carrier; next; next = root.carrier) {
    const above = riderById(scene, next.rider);
    if (!above) break;
    root = above;
  }
  const codeOf = ({ id }: Rider): string => codes.get(id) ?? id;
  return { code: codeOf(rider), root: root.strung ? null : codeOf(root), turns: root.heading.mode !== 'level' };
}

/** Whether a scene is played for ever, by its time alone, with nothing before it: then it does not matter where a rider begins. */
export const isEndless = (scene: Scene): boolean =>
  scene.clock.repeat !== 'once' && scene.clock.times === null && runsByTime(scene.driver) && leadInOf(scene) === 0;

/** The line within which a rider is seen. */
export function insideOf(scene: Scene, { inside }: Rider, frameOf: FrameOf): Inside | null {
  const guide = inside && guideById(scene, inside.guide);
  return guide ? { guide: guide.id, nodes: guide.nodes, keep: inside.keep, frame: frameOf(guide) } : null;
}
