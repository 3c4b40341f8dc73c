import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import {
  bake,
  formatById,
  frameCount,
  keysOf,
  measureTake,
  memorySink,
  QUIET_RUN,
  readScene,
  send,
  textOf,
  type Scene,
  type Take,
} from '@pace-line/core';
import { crowd } from './editor/scenes.ts';
import type { Row } from './measure.ts';

const isMoving = (drawn: Take['drawing'][number]): boolean =>
  drawn.kind === 'art' && Object.values(drawn.curves).some((curve) => curve.length > 1);

/** kB, gzip, that an SVG's style sheet takes: its motion without its art. */
function motionSize(svg: string): number {
  const style = /<style>(.*?)<\/style>/s.exec(svg)?.[1] ?? '';
  return gzipSync(style).length / 1000;
}

/** Channels that a key a frame writes for a rider that turns: place and angle. */
const CHANNELS_A_FRAME = 3;

const SCENES = 'samples/scenes';

/** The riders whose motion was measured by other ways, once: the figures beside are theirs. What came to the samples later is not among them. */
const MEASURED = new Set(['boat', 'dragonfly-1', 'ferry-a', 'ferry-b', 'kite-1', 'heron-1']);

function samples(): Scene[] {
  return readdirSync(SCENES).map((file) => {
    const read = readScene(readFileSync(`${SCENES}/${file}`, 'utf8'));
    if (!read.ok) throw new Error(`${file} is no scene`);
    // Their motion alone: a pose is no motion.
    const riders = read.scene.riders
      .filter(({ id }) => MEASURED.has(id))
      .map((rider) => ({ ...rider, poses: { ...rider.poses, by: 'still' as const } }));
    return { ...read.scene, riders };
  });
}

/** ms that a scene takes as animated SVG. */
async function writing(scene: Scene): Promise<number> {
  const svg = formatById('animated-svg');
  if (!svg) throw new Error('no format');
  const begun = performance.now();
  await send(scene, svg, svg.options.parse({}), memorySink().sink, QUIET_RUN);
  return performance.now() - begun;
}

/** Riders of one route, each with a pace of its own. */
function differing(count: number): Scene {
  const scene = crowd(count);
  const riders = scene.riders.map((rider, i) => {
    const [first, last] = rider.pace.marks;
    if (!first || !last) return rider;
    const share = (i + 1) / (count + 1);
    const middle = { ...first, id: `${rider.id}-middle`, time: 2 + 4 * share };
    const place = { by: 'share', value: 0.3 + 0.4 * ((i * 0.618) % 1) } as const;
    return { ...rider, pace: { ...rider.pace, marks: [first, { ...middle, place }, last] } };
  });
  return { ...scene, riders };
}

/** What a thousand riders take to write: those of one motion, which is looked for once, and those of motions of their own. */
export async function crowdRows(): Promise<Row[]> {
  await writing(crowd(20));
  const same = await writing(crowd(1000));
  // A fifth of them: each takes the same.
  const different = 5 * (await writing(differing(200)));
  const row = (what: string, ms: number, most: number): Row => ({
    what,
    figure: `${(ms / 1000).toFixed(1)} s`,
    beside: `limit ${most} s`,
    promise: `at most ${most} s`,
    kept: ms <= most * 1000,
  });
  return [
    row('1,000 riders of one route that differ by delay and lift, as animated SVG', same, 3),
    row('1,000 riders of a pace each (five times 200), as animated SVG', different, 15),
  ];
}

/** What the motion of the sample scenes takes in a target that animates. */
export async function takeRows(): Promise<Row[]> {
  let riders = 0;
  let keys = 0;
  let size = 0;
  let worst = 0;
  let everyFrame = 0;
  let curveKeys = 0;
  const svg = formatById('animated-svg');
  if (!svg) throw new Error('no format');
  for (const scene of samples()) {
    const take = bake(scene, { ways: true });
    const moving = take.drawing.filter(isMoving).length;
    if (moving === 0) continue;
    riders += moving;
    keys += keysOf(take);
    curveKeys += keysOf(bake(scene));
    everyFrame += moving * CHANNELS_A_FRAME * frameCount(scene.clock);
    worst = Math.max(worst, measureTake(scene, take).px);
    const { sink, files } = memorySink();
    await send(scene, svg, svg.options.parse({}), sink, QUIET_RUN);
    for (const file of files) size += motionSize(textOf(file));
  }
  return [
    {
      what: `the motion of the ${riders} riders of the samples, written as SVG`,
      figure: `${keys} keys, ${size.toFixed(2)} kB gzip, within ${worst.toFixed(3)} px`,
      beside: `a key a frame: ${everyFrame} keys; fewest straight keys of one transform, measured once: 937 keys, 12.9 kB gzip; curves alone: ${curveKeys} keys`,
      promise: 'at most 4 kB gzip and 0.25 px',
      kept: size <= 4 && worst <= 0.25,
    },
  ];
}
