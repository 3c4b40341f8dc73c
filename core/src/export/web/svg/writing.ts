import type { Picture } from '../../../scene/index.ts';
import type { Curve, Steps, Take } from '../../../take/index.ts';
import type { Track, Tracked } from '../tracks.ts';

/** What the pieces of one drawing share while it is written. */
export interface Writing {
  /** Stands before every id, class and keyframes' name, so that several drawings can stand in one page. */
  readonly prefix: string;
  readonly take: Take;
  /** Pictures that are shown more than once, numbered: written once and used. */
  readonly shared: ReadonlyMap<Picture, number>;
  /** All that moves, by the name of its class. */
  readonly tracks: Map<string, Track>;
  /** What is ahead of the tracks that it shares, by the name of its class. */
  readonly echoes: Map<string, EchoRule>;
  /** Every id that is given to a group. */
  readonly ids: Set<string>;
  /** What stands in <defs>, by its id. */
  readonly definitions: Map<string, string>;
  /** What clips, by its id, which is the class of what it clips. */
  readonly clips: Map<string, Clipping>;
  /** Ids of the clips by the lines that riders are seen within, or outside of. */
  readonly lines: Map<string, string>;
}

/** The property by which something clips: a mask may hold what moves, a clip-path is painted faster and has sharp edges. */
export type Clipping = 'clip-path' | 'mask';

/** How far something is ahead of what its tracks were made of, s, and the share of its path at which it begins. */
export interface EchoRule {
  readonly ahead: number;
  readonly share: number | null;
}

/** What names the tracks of one thing and says how they are played. */
export interface Moves {
  /** Stands before the tracks' keys. */
  readonly name: string;
  /** s by which it is ahead of them. */
  readonly ahead: number;
  /** The class that says so; empty where it is not. */
  readonly echo: string;
  /** The second half of the loop is the first one backward. */
  readonly mirrored: boolean;
  /** Its loop begins with the lead-in. */
  readonly runs: boolean;
}

/** Tracks of a thing's own, played as they are. */
export const ownMoves = (name: string, runs = false): Moves => ({ name, ahead: 0, echo: '', mirrored: false, runs });

/** The class of what stands still but for what it lies in: a page’s own styles do not turn it about another point. */
export const fixedOf = ({ prefix }: Writing): string => `${prefix}-f`;

/** An id of its own as an attribute: what is drawn in several places has a number more in each. */
export function identified({ ids }: Writing, wanted: string): string {
  let id = wanted;
  for (let n = 2; ids.has(id); n++) id = `${wanted}_${n}`;
  ids.add(id);
  return ` id="${id}"`;
}

/** The classes of what moves: what sets it in motion, its track, and how it plays that (style.ts). */
const classOf = (prefix: string, track: string, echo: string, mirrored: boolean): string =>
  ` class="${[`${prefix}-m`, mirrored ? `${prefix}-r` : '', track, echo].filter(Boolean).join(' ')}"`;

/** Notes something that moves; gives its class attribute. */
export function animated(
  { tracks, prefix }: Writing,
  { name, echo, mirrored, runs }: Moves,
  property: Tracked,
  curve: Curve,
  {
    path = null,
    entering = null,
    joint = null,
  }: Partial<Pick<Track, 'path' | 'joint'>> & { readonly entering?: Curve | null } = {},
): string {
  const track = name + property;
  if (!tracks.has(track))
    tracks.set(track, { name: track, property, curve, steps: null, runs, entering, joint, path, mirrored });
  return classOf(prefix, track, echo, mirrored);
}

/** Opacity that nobody sees: of nothing at all an optimiser takes the whole group away, though it is shown later. */
const HIDDEN = '.001';

/** The same for what is there at times and at others not: opacity, as that hides whatever the drawing says of itself. */
export function stepped(
  { tracks, prefix }: Writing,
  { name, echo, mirrored, runs }: Moves,
  key: string,
  steps: Steps,
  entering: Steps | null = null,
): string {
  const track = name + key;
  if (!tracks.has(track))
    tracks.set(track, {
      name: track,
      property: 'o',
      curve: null,
      steps,
      runs,
      entering,
      joint: null,
      path: null,
      mirrored,
    });
  return `${classOf(prefix, track, echo, mirrored)}${steps[0]?.value === 0 ? ` opacity="${HIDDEN}"` : ''}`;
}
