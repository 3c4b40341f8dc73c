import { keyValueAt, retimeMark, setEase, setKey, setPace, setRider } from '../commands/index.ts';
import { prepare } from '../motion/index.ts';
import {
  artById,
  countedIds,
  cycleOf,
  distanceOfPlace,
  guideById,
  KEY_CHANNELS,
  loopLength,
  pathOfGuide,
  posesOf,
  riderById,
  type KeyChannel,
  type Rider,
  type Scene,
} from '../scene/index.ts';
import { checkSeam } from './seam.ts';
import { stridesOf } from './strides.ts';

/** What can be done about a seam that shows. */
export type MendKind =
  'whole-laps' | 'keys-meet' | 'whole-strides' | 'fit-cycle' | 'there-and-back' | 'match-speeds' | 'rest-at-seam';

export interface Mend {
  readonly kind: MendKind;
  /** The edit. */
  readonly apply: (scene: Scene) => Scene;
}

type Maker = (scene: Scene, rider: Rider) => ((scene: Scene) => Scene) | undefined;

/** The last mark moved to a whole number of laps from the first, at least one in its own direction. */
const wholeLaps: Maker = (scene, { id, guide: guideId, pace }) => {
  const guide = guideById(scene, guideId);
  const first = pace.marks[0];
  const last = pace.marks.at(-1);
  if (!guide?.closed || !first || !last || first === last) return undefined;
  const path = pathOfGuide(guide);
  if (path.length === 0) return undefined;
  const from = distanceOfPlace(guide, path, first.place);
  const way = (distanceOfPlace(guide, path, last.place) - from) / path.length;
  const laps = Math.round(way) || (way < 0 ? -1 : 1);
  const distance = from + laps * path.length;
  return (base) => retimeMark(base, { rider: id, mark: last.id, time: last.time, distance });
};

/** Keys at the end of the cycle as they are at its start. */
const keysMeet: Maker = (scene, rider) => {
  const cycle = cycleOf(rider, scene.clock);
  const isOpen = (channel: KeyChannel): boolean =>
    JSON.stringify(keyValueAt(rider.keys, channel, 0)) !== JSON.stringify(keyValueAt(rider.keys, channel, cycle));
  const open = KEY_CHANNELS.filter(isOpen);
  if (open.length === 0) return undefined;
  return (base) =>
    open.reduce((sum, channel) => {
      const next = countedIds(sum, `${rider.id}-${channel}-`);
      const value = keyValueAt(rider.keys, channel, 0);
      return setKey(sum, { rider: rider.id, channel, time: cycle, value, ids: [next(), next(), next()] });
    }, base);
};

/** A cycle of its own that goes into the loop a whole number of times. */
const fitCycle: Maker = (scene, rider) => {
  const { duration } = scene.clock;
  const cycle = cycleOf(rider, scene.clock);
  const times = Math.max(1, Math.round(duration / cycle));
  if (Math.abs(times * cycle - duration) < 1e-9) return undefined;
  return (base) => setPace(base, { rider: rider.id, patch: { cycle: times === 1 ? null : duration / times } });
};

const thereAndBack: Maker = (scene, { id, pace }) =>
  (pace.repeat ?? scene.clock.repeat) === 'there-and-back'
    ? undefined
    : (base) => {
        // Its way there and its way back fill the loop between them.
        const repeated = setPace(base, { rider: id, patch: { repeat: 'there-and-back' } });
        return setPace(repeated, { rider: id, patch: { cycle: loopLength(base.clock) / 2 } });
      };

/** The legs on both sides of the seam flow into each other. */
const matchSpeeds: Maker = (_scene, { id, pace }) => {
  const ends = [pace.marks[0], pace.marks.at(-2)].flatMap((mark) => (mark ? [mark.id] : []));
  return pace.marks.length < 2 || pace.recipe
    ? undefined
    : (base) => setEase(base, { rider: id, marks: [...new Set(ends)], ease: { kind: 'flow' } });
};

/** The first leg starts from rest and the last one comes to rest. */
const restAtSeam: Maker = (_scene, { id, pace }) => {
  const first = pace.marks[0];
  const last = pace.marks.at(-2);
  if (!first || !last) return undefined;
  const ends = new Set([first.id, last.id]);
  return (base) =>
    first === last
      ? setEase(base, { rider: id, marks: [...ends], ease: { kind: 'family', family: 'sine', mode: 'in-out' } })
      : setEase(setEase(base, { rider: id, marks: [first.id], ease: { kind: 'family', family: 'sine', mode: 'in' } }), {
          rider: id,
          marks: [last.id],
          ease: { kind: 'family', family: 'sine', mode: 'out' },
        });
};

/** A stride, or poses a second, that goes into the cycle a whole number of times. */
const wholeStrides: Maker = (scene, rider) => {
  const count = posesOf(artById(scene, rider.art));
  const moving = prepare(scene).rider(rider.id);
  const { poses } = rider;
  if (count < 2 || !moving) return undefined;
  const { cycle } = moving.folding;
  const set =
    (patch: Partial<Rider['poses']>) =>
    (base: Scene): Scene =>
      setRider(base, { id: rider.id, patch: { poses: { ...poses, ...patch } } });
  if (poses.by === 'time') {
    const rounds = Math.max(1, Math.round((cycle * poses.rate) / count));
    return set({ rate: (rounds * count) / cycle });
  }
  const { stride } = stridesOf(scene, rider);
  return poses.by === 'distance' && stride !== undefined ? set({ stride }) : undefined;
};

const MAKERS: readonly (readonly [MendKind, Maker])[] = [
  ['whole-laps', wholeLaps],
  ['keys-meet', keysMeet],
  ['whole-strides', wholeStrides],
  ['fit-cycle', fitCycle],
  ['there-and-back', thereAndBack],
  ['match-speeds', matchSpeeds],
  ['rest-at-seam', restAtSeam],
];

/** What evens the speed of a seam that closes. */
const SMOOTHING: readonly MendKind[] = ['match-speeds', 'rest-at-seam'];

/** What makes a rider's seam close and run smoothly: each was tried on the scene, and only what helps is named. What closes a seam may leave a step in speed, to be mended next. */
export function mendsOfSeam(scene: Scene, riderId: string): readonly Mend[] {
  const rider = riderById(scene, riderId);
  const before = seamOf(scene, riderId);
  if (!rider || !before) return [];
  if (before.closes && before.smooth) return mendsOfTurns(scene, rider, before.turnSpeed);
  return MAKERS.flatMap(([kind, make]): Mend[] => {
    if (before.closes !== SMOOTHING.includes(kind)) return [];
    const apply = make(scene, rider);
    if (!apply) return [];
    const after = seamOf(apply(scene), riderId);
    return after?.closes && (after.smooth || !before.closes) ? [{ kind, apply }] : [];
  });
}

const seamOf = (scene: Scene, riderId: string): ReturnType<typeof checkSeam>[number] | undefined =>
  checkSeam(scene).find((one) => one.rider === riderId);

/** px/s. What turns more slowly comes to rest as good as. */
export const TURNS_AT_REST = 2;

/** What softens the turns of something that goes there and back. */
function mendsOfTurns(scene: Scene, rider: Rider, turnSpeed: number): readonly Mend[] {
  if (turnSpeed <= TURNS_AT_REST || rider.pace.recipe) return [];
  const apply = restAtSeam(scene, rider);
  const after = apply && seamOf(apply(scene), rider.id);
  return apply && after && after.turnSpeed <= TURNS_AT_REST ? [{ kind: 'rest-at-seam', apply }] : [];
}
