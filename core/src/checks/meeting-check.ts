import type { Vec } from '../geometry/index.ts';
import { POSE, type Motion } from '../motion/index.ts';
import type { Check, Finding } from './check.ts';
import { meetingsOn, type ClosestGap, type Meeting } from './meetings.ts';
import { meetingWords } from './words.ts';

/** Who meets whom on each guide, a finding for each two; where nobody does, how near two come. It is told, and never wrong: bodies that must not touch are looked after by clearance. */
export const meeting: Check<'meeting'> = {
  id: 'meeting',
  label: 'Meetings',
  about: 'Riders of one guide that are at one place of it at one time: when, and how fast one passes the other',
  isTold: true,
  find({ scene, motion }) {
    const routes = new Set(scene.riders.flatMap(({ guide }) => (guide === null ? [] : [guide])));
    return [...routes].flatMap((guide): Finding[] => {
      const { meetings, closest } = meetingsOn(scene, guide);
      if (meetings.length === 0) return closest && closest.gap > 0 ? [nearest(guide, motion, closest)] : [];
      const pairs = new Map<string, Meeting[]>();
      for (const one of meetings) {
        const key = one.riders.join(' ');
        pairs.set(key, [...(pairs.get(key) ?? []), one]);
      }
      return [...pairs.values()].map((of) => met(guide, motion, of));
    });
  },
};

const TOLD = { check: 'meeting', holds: true, isNote: true } as const;

function met(guide: string, motion: Motion, meetings: readonly Meeting[]): Finding {
  const [first] = meetings;
  const riders = first?.riders ?? ['', ''];
  const speeds = meetings.map(({ time }) => passingSpeed(motion, riders, time));
  const times = meetings.map(({ time }) => time);
  return {
    ...{ ...TOLD, riders, at: times[0] ?? 0, place: pivots(motion, riders, times[0] ?? 0) },
    spans: times.map((time) => [time, time] as const),
    words: meetingWords(times, speeds[0] ?? 0),
    figures: { guide, times, distances: meetings.map(({ distance }) => distance), speeds },
  };
}

const nearest = (guide: string, motion: Motion, { riders, time, gap }: ClosestGap): Finding => ({
  ...{ ...TOLD, riders, at: time, spans: [], place: pivots(motion, riders, time) },
  words: `never, closest ${gap.toFixed(gap < 10 ? 1 : 0)} px at ${time.toFixed(2)} s`,
  figures: { guide, times: [], closest: gap },
});

/** px/s with which one of two passes the other along their guide. */
function passingSpeed(motion: Motion, [one, other]: Meeting['riders'], time: number): number {
  const speed = (id: string): number => motion.rider(id)?.speedAt(time) ?? 0;
  return Math.abs(speed(one) - speed(other));
}

/** Where the pivots of two are on the canvas. */
function pivots(motion: Motion, [one, other]: Meeting['riders'], time: number): readonly [Vec, Vec] {
  const at = (id: string): Vec => {
    const pose = motion.rider(id)?.poseAt(time);
    return [pose?.[POSE.x] ?? 0, pose?.[POSE.y] ?? 0];
  };
  return [at(one), at(other)];
}
