import { nearestOnPath, pathOfGuide, prepare, type Scene } from '@pace-line/core';
import { findingsOf, offersFor } from '@pace-line/core/findings';
import { checkClearance } from '../core/src/checks/clearance/index.ts';
import { checkCorridor } from '../core/src/checks/corridor/index.ts';
import { paintedOf } from '../core/src/drawing/painted.ts';
import { bruteGap } from '../core/src/testing/brute-gap.ts';
import { riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { medianTime, mediansInTurn, ms, type Row } from './measure.ts';

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

/** Riders of which the outline leaves their lane, by looking at its places thirty times a second. */
function leftByFrames(scene: Scene, half: number): number {
  const motion = prepare(scene);
  return scene.riders.filter((rider, i) => {
    const guide = scene.guides.find(({ id }) => id === rider.guide);
    const art = scene.art.find(({ id }) => id === rider.art);
    const moving = motion.riders[i];
    if (!guide || !moving || art?.kind !== 'svg') return false;
    const { hull } = paintedOf(art).body;
    const path = pathOfGuide(guide);
    for (let frame = 0; frame < 30 * motion.length; frame++) {
      const m = moving.poseAt(frame / 30);
      for (let at = 0; at < hull.length; at += 2) {
        const [x, y] = [hull[at] ?? 0, hull[at + 1] ?? 0];
        const px = (m[0] ?? 1) * x + (m[2] ?? 0) * y + (m[4] ?? 0);
        const py = (m[1] ?? 0) * x + (m[3] ?? 1) * y + (m[5] ?? 0);
        if ((nearestOnPath(path, px, py)?.gap ?? 0) > half) return true;
      }
    }
    return false;
  }).length;
}

/** px: boats of 40 px keep within it on the straights, and in the bends some do not. */
const LANE = 47;

/** How long it takes to find who leaves its lane, of a scene of which nothing is known. */
function corridorRow(): Row {
  const plain = ovals(50);
  const scene = { ...plain, guides: plain.guides.map((guide) => ({ ...guide, corridor: LANE })) };
  let found = 0;
  const time = medianTime(() => {
    const fresh = structuredClone(scene);
    found = checkCorridor(fresh, prepare(fresh)).length;
  }, 5);
  let framed = 0;
  const frames = medianTime(() => {
    framed = leftByFrames(structuredClone(scene), LANE / 2);
  }, 3);
  return {
    what: `50 riders over 8 s that are held to their lanes, of which nothing is known; ${found} leave`,
    figure: ms(time),
    beside: `by frames, thirty a second, by the nearest place of the guide: ${ms(frames)}, ${framed} leave`,
    promise: 'at most twice as long as by frames, which see nothing of what is between; none missed',
    kept: time <= 2 * frames && found >= framed,
  };
}

/** Whole looks of all checks that offers may take. */
const MOST_LOOKS = 120;

/** How long it takes to find what puts two right that cross. */
function offersRow(): Row {
  const way = (id: string, from: readonly [number, number], to: readonly [number, number]): object => ({
    ...{ id, name: id, closed: false, color: '#0B7A75' },
    nodes: [
      { id: `${id}a`, x: from[0], y: from[1] },
      { id: `${id}b`, x: to[0], y: to[1] },
    ],
  });
  const on = (id: string): Record<string, unknown> =>
    riderOn(
      `r-${id}`,
      id,
      [
        { time: 0, place: { by: 'node', node: `${id}a` } },
        { time: 4, place: { by: 'node', node: `${id}b` } },
      ],
      { art: 'boat' },
    );
  const scene = sceneOf({
    art: [BOAT],
    guides: [way('across', [-100, 300], [900, 300]), way('down', [400, -100], [400, 700])],
    riders: [on('across'), on('down')],
  });
  const [finding] = findingsOf(scene).filter(({ holds }) => !holds);
  let offered = 0;
  const [time, look] = mediansInTurn(
    () => {
      const fresh = structuredClone(scene);
      if (finding) offered = offersFor(fresh, finding).offers.length;
    },
    () => void findingsOf(structuredClone(scene)),
    5,
    2,
  );
  return {
    what: `${offered} offers that put two right that cross`,
    figure: `${ms(time)}, ${(time / look).toFixed(0)} × all checks once`,
    beside: `all checks once: ${ms(look)}`,
    promise: `at most ${MOST_LOOKS} ×`,
    kept: offered > 0 && time <= MOST_LOOKS * look,
  };
}

/** How long it takes to check a scene of which nothing is known, and to find what puts it right. */
export const checkRows = (): Row[] => [...clearanceRows(), corridorRow(), offersRow()];

function clearanceRows(): Row[] {
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
