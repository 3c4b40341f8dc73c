import { retimeMark, setEase, setPace, timeLocked } from '../../../commands/index.ts';
import { prepare } from '../../../motion/index.ts';
import { cycleOf, riderById, type Rider, type Scene } from '../../../scene/index.ts';
import { foldTime } from '../../../time/index.ts';
import { stallsOf } from '../../ride/index.ts';
import { bothWays, laterBy, steps, timesOf, type Knob } from './knob.ts';

/** When it starts: up to half its cycle later or earlier. */
export const delay: Knob<'delay'> = {
  kind: 'delay',
  digits: 2,
  now: ({ pace }) => pace.delay,
  tried(scene, rider) {
    if (rider.guide === null && (prepare(scene).rider(rider.id)?.varies.length ?? 0) === 0) return [];
    const most = cycleOf(rider, scene.clock) / 2;
    return bothWays(rider.pace.delay, most);
  },
  set: (scene, rider, value) => setPace(scene, { rider, patch: { delay: value } }),
  size: (scene, rider, value) => Math.abs(value - rider.pace.delay) / cycleOf(rider, scene.clock),
  words: (change, name) => `Start ${name} ${laterBy(change)}`,
};

/** Local time of a rider's cycle, s, that it has at a time. */
const localAt = (scene: Scene, rider: Rider, time: number): number => {
  const moving = prepare(scene).rider(rider.id);
  return moving ? foldTime(time, moving.folding).local : time;
};

/** When it is at the mark before, or at the one after: up to half the way to that one's neighbours. The first and the last stay, which hold the seam. */
export const mark: Knob<'mark'> = {
  kind: 'mark',
  digits: 2,
  now: ({ pace }, part) => pace.marks.find(({ id }) => id === part)?.time ?? 0,
  tried(scene, rider, finding) {
    const { marks } = rider.pace;
    const beside = timesOf(finding).flatMap((at) => {
      const local = localAt(scene, rider, at);
      const after = marks.findIndex(({ time }) => time > local);
      return [after - 1, after];
    });
    return [...new Set(beside)].flatMap((i) => {
      const [one, left, right] = [marks[i], marks[i - 1], marks[i + 1]];
      if (!one || !left || !right || timeLocked(scene, rider, one.id)) return [];
      return [left.time + left.dwell, right.time - one.dwell].map((end) => ({
        values: steps(one.time, (end - one.time) / 2),
        part: one.id,
      }));
    });
  },
  set: (scene, rider, value, part = '') => retimeMark(scene, { rider, mark: part, time: value }),
  size: (scene, rider, value, part) => Math.abs(value - mark.now(rider, part)) / cycleOf(rider, scene.clock),
  words: (change, name, scene) => {
    const marks = riderById(scene, change.rider)?.pace.marks ?? [];
    return `${name} at mark ${marks.findIndex(({ id }) => id === change.part) + 1} ${laterBy(change)}`;
  },
};

/** Eases of the legs at marks where it stops: they flow into each other. */
export const flow: Knob<'flow'> = {
  kind: 'flow',
  digits: 0,
  isGiven: true,
  now: () => 0,
  tried: (scene, rider) => (stallsOf(scene, rider).length > 0 ? [{ values: [1] }] : []),
  set(scene, id) {
    const rider = riderById(scene, id);
    const stalls = rider ? stallsOf(scene, rider) : [];
    const legs = stalls.flatMap(({ mark }) => [mark - 2, mark - 1].flatMap((i) => rider?.pace.marks[i]?.id ?? []));
    return setEase(scene, { rider: id, marks: [...new Set(legs)], ease: { kind: 'flow' } });
  },
  size: () => 1,
  words: (_change, name) => `Let ${name} go on without stopping`,
};
