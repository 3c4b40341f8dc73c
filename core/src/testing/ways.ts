import { prepare } from '../motion/index.ts';
import { sceneFromJson, writeScene, type Scene, type SceneProblem } from '../scene/index.ts';

/** Even times of a four-second loop, s. */
const TIMES = Array.from({ length: 41 }, (_, i) => i / 10);

/** Where a rider is at those times, canvas px. */
export const placesOf = (scene: Scene, rider = 0): [number, number][] =>
  TIMES.map((time) => {
    const pose = prepare(scene).poseAt(time);
    return [pose.of(rider, 'x'), pose.of(rider, 'y')];
  });

/** Largest distance between two lists of places, px. */
export const furthest = (a: readonly [number, number][], b: readonly [number, number][]): number =>
  Math.max(...a.map(([x, y], i) => Math.hypot(x - b[i]![0], y - b[i]![1])));

/** Times and dwells of every rider's marks. */
export const timesOf = (scene: Scene): number[][] =>
  scene.riders.map((rider) => rider.pace.marks.flatMap((mark) => [mark.time, mark.dwell]));

/** What is wrong with a scene when it is written to a file and read again. */
export function problemsWhenRead(scene: Scene): readonly SceneProblem[] {
  const read = sceneFromJson(JSON.parse(writeScene(scene)));
  return read.ok ? [] : read.problems;
}
