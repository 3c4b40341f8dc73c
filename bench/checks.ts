import { prepare, type Scene } from '@pace-line/core';
import { checkClearance } from '../core/src/checks/clearance/index.ts';
import { bruteGap } from '../core/src/testing/brute-gap.ts';
import { riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { medianTime, ms, type Row } from './measure.ts';

const BOAT = {
  ...{ id: 'boat', name: 'Boat', kind: 'svg', width: 60, height: 40, pivot: [30, 20], facing: 0 },
  markup:
    '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40" viewBox="0 0 60 40"><path d="M0 20Q10 0 40 4L60 20L40 36Q10 40 0 20Z" stroke="#000" stroke-width="2"/><circle cx="20" cy="20" r="6"/></svg>',
};

/** px from one oval to the next: neighbours' boats come near each other, and some touch. */
const APART = 196;
const COLUMNS = 10;

/** Boats on ovals beside each other, each at another place of its lap, 8 s. */
function ovals(count: number): Scene {
  const guides = Array.from({ length: count }, (_, i) => {
    const [x, y] = [120 + (i % COLUMNS) * APART, 110 + Math.floor(i / COLUMNS) * APART];
    return {
      ...{ id: `g${i}`, name: `Oval ${i}`, closed: true, color: '#0B7A75' },
      nodes: [
        { id: `g${i}a`, x, y: y - 90, in: [-55, 0], out: [55, 0] },
        { id: `g${i}b`, x: x + 90, y, in: [0, -50], out: [0, 50] },
        { id: `g${i}c`, x, y: y + 90, in: [55, 0], out: [-55, 0] },
        { id: `g${i}d`, x: x - 90, y, in: [0, 50], out: [0, -50] },
      ],
    };
  });
  const riders = guides.map(({ id }, i) =>
    riderOn(
      `r${i}`,
      id,
      [
        { time: 0, place: { by: 'node', node: `${id}a` } },
        { time: 8, place: { by: 'node', node: `${id}a`, lap: 1 } },
      ],
      { art: 'boat', pace: { delay: (i * 2.9) % 8 } },
    ),
  );
  return sceneOf({
    canvas: { width: 120 + COLUMNS * APART, height: 110 + Math.ceil(count / COLUMNS) * APART, background: null },
    clock: { duration: 8, fps: 60, repeat: 'loop' },
    art: [BOAT],
    guides,
    riders,
  });
}

/** All pairs at every thirtieth of a second, edge by edge. */
function byFrames(scene: Scene): number {
  const motion = prepare(scene);
  let found = 0;
  for (let i = 0; i < scene.riders.length; i++)
    for (let j = i + 1; j < scene.riders.length; j++)
      for (let frame = 0; frame < 30 * motion.length; frame++)
        if (bruteGap(scene, motion, i, j, frame / 30, 0) === 0) {
          found++;
          break;
        }
  return found;
}

/** How long it takes to find what overlaps, of a scene of which nothing is known. */
export function checkRows(): Row[] {
  const few = ovals(12);
  const started = performance.now();
  const framed = byFrames(few);
  const brute = performance.now() - started;
  const found = checkClearance(few, prepare(few)).length;
  return (
    [
      [50, 250],
      [200, 2000],
    ] as const
  ).map(([count, limit]) => {
    const scene = ovals(count);
    let pairs = 0;
    const time = medianTime(() => {
      const fresh = structuredClone(scene);
      pairs = checkClearance(fresh, prepare(fresh)).length;
    }, 5);
    return {
      what: `${count} riders over 8 s that are checked for overlaps, of which nothing is known; ${pairs} pairs overlap`,
      figure: ms(time),
      beside: `12 riders by frames, edge by edge: ${ms(brute)}, ${framed} pairs; by the check ${found}`,
      promise: `at most ${limit} ms`,
      kept: time <= limit && found >= framed,
    };
  });
}
