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
