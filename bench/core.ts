import { readFileSync } from 'node:fs';
import { svgPathProperties } from 'svg-path-properties';
import { CubicBezierCurve, CurvePath, Vector2 } from 'three';
import {
  bake,
  keysOf,
  countIntegrations,
  emptyFrame,
  moveNodes,
  fitStroke,
  outlinesFromPathData,
  parallelNodes,
  pathThrough,
  pointAtParameter,
  Poses,
  prepare,
  type PathNode,
  type Scene,
  type Vec,
} from '@pace-line/core';
import { cookedLine, newRecipe } from '../core/src/pace/index.ts';
import { countedRandom } from '../core/src/testing/random.ts';
import { LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { callsPerSecond, medianTime, mediansInTurn, millions, ms, type Row } from './measure.ts';
import { riding } from './riders.ts';
import { crowdRows, takeRows } from './takes.ts';

interface Truth {
  readonly id: string;
  readonly d: string;
}

const truth = JSON.parse(readFileSync('core/src/testing/arc-length.json', 'utf8')) as { paths: Truth[] };
const dataOf = (id: string): string => truth.paths.find((path) => path.id === id)?.d ?? '';

function nodesOf(d: string): { nodes: readonly PathNode[]; closed: boolean } {
  const read = outlinesFromPathData(d);
  const outline = read.ok ? read.outlines[0] : undefined;
  if (!outline) throw new Error('no outline');
  return outline;
}

/** Even but scattered distances, so that no call is next to the last. */
const scatter = (i: number): number => (i * 0.6180339887498949) % 1;

function frames(): Row[] {
  const { nodes, closed } = nodesOf(dataOf('d'));
  const path = pathThrough(nodes, closed);
  const frame = emptyFrame();
  const calls = 400_000;
  let sink = 0;
  const ours = callsPerSecond((i) => {
    path.frameAtDistance(scatter(i) * path.length, 1, frame);
    sink += frame.x;
  }, calls);
  const cubics = path.spans.map((span) => span.cubic);
  const bare = callsPerSecond((i) => {
    const cubic = cubics[i % cubics.length];
    if (cubic) sink += pointAtParameter(cubic, scatter(i))[0];
  }, calls);
  const peer = new svgPathProperties(dataOf('d'));
  const total = peer.getTotalLength();
  const properties = callsPerSecond((i) => (sink += peer.getPointAtLength(scatter(i) * total).x), 4000);
  const curve = new CurvePath<Vector2>();
  for (const span of path.spans)
    curve.add(
      new CubicBezierCurve(...(span.points.map(([x, y]) => new Vector2(x, y)) as [Vector2, Vector2, Vector2, Vector2])),
    );
  const point = new Vector2();
  const three = callsPerSecond((i) => {
    curve.getPointAt(scatter(i), point);
    sink += point.x;
  }, 100_000);
  if (!Number.isFinite(sink)) throw new Error('not a number');
  return [
    {
      what: 'frameAtDistance (place, tangent, normal, curvature, angle), 60 cubics, single calls',
      figure: millions(ours),
      beside: `bare cubic evaluation ${millions(bare)}, svg-path-properties ${millions(properties)}, three’s curves ${millions(three)} (places only)`,
      promise: 'over 3 M/s, or 0.15 of the bare evaluations where the machine is slow',
      kept: ours > Math.min(3e6, 0.15 * bare),
    },
  ];
}

function preparing(): Row[] {
  const { nodes } = nodesOf(dataOf('g'));
  const cold = medianTime(
    () => {
      const fresh = nodes.map((node) => ({ ...node }));
      const path = pathThrough(fresh, false);
      const frame = emptyFrame();
      for (let i = 0; i < 300; i++) path.frameAtDistance((path.length * i) / 300, 1, frame);
    },
    5,
    2,
  );
  const kept = nodes.map((node) => ({ ...node }));
  void pathThrough(kept, false).length;
  let integrated = 0;
  const moved = medianTime(() => {
    const before = countIntegrations();
    const middle = Math.floor(kept.length / 2);
    const next = kept.map((node, i) => (i === middle ? { ...node, x: node.x + 1 } : node));
    void pathThrough(next, false).length;
    integrated = countIntegrations() - before;
  });
  return [
    {
      what: 'lengths of 2,000 cubics and the first frame of 300 riders on them',
      figure: ms(cold),
      beside: 'limit 60 ms',
      promise: 'in 60 ms',
      kept: cold < 60,
    },
    {
      what: 'after one of 2,000 nodes moves',
      figure: `${integrated} spans integrated, ${ms(moved)}`,
      beside: 'limit 1 ms',
      promise: 'two spans, under 1 ms',
      kept: integrated === 2 && moved < 1,
    },
  ];
}

function crowd(count: number): Scene {
  return sceneOf({
    guides: [LOOPS],
    riders: Array.from({ length: count }, (_, i) =>
      riderOn(
        `r${i}`,
        'loops',
        [
          { time: 0, place: { by: 'node', node: 'l1' }, ease: { kind: 'family', family: 'cubic', mode: 'in-out' } },
          { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
        ],
        { pace: { delay: i * 0.01 } },
      ),
    ),
  });
}

function posing(): Row[] {
  const motion = prepare(crowd(1000));
  const poses = new Poses(1000);
  let t = 0;
  const time = medianTime(() => motion.poseAt((t += 0.0137), poses), 200, 50);
  const collect = (globalThis as { gc?: () => void }).gc;
  let grown = NaN;
  if (collect) {
    // What the measuring itself takes is found by the same loop without posing.
    const measure = (work: (i: number) => void): number => {
      collect();
      const before = process.memoryUsage().heapUsed;
      for (let i = 0; i < 400; i++) work(i);
      return process.memoryUsage().heapUsed - before;
    };
    const empty = measure(() => undefined);
    grown = (measure((i) => void motion.poseAt(i * 0.0137, poses)) - empty) / 400 / 1000;
  }
  return [
    { what: '1,000 riders posed', figure: ms(time), beside: 'limit 2 ms', promise: 'under 2 ms', kept: time < 2 },
    {
      what: 'memory taken by posing, per rider and frame',
      figure: `${grown.toFixed(3)} bytes`,
      beside: 'an empty loop in the same run',
      promise: 'nothing allocated',
      kept: Math.abs(grown) < 0.5,
    },
  ];
}

function baking(): Row[] {
  const scene = crowd(40);
  const time = medianTime(() => bake({ ...scene }), 3, 1);
  const keys = keysOf(bake(scene)) / scene.riders.length;
  return [
    {
      what: '40 riders baked for a writer (4 s)',
      figure: `${ms(time)}, ${keys.toFixed(0)} keys a rider`,
      beside: `${3 * 4 * 60} at 60 frames a second (place and turn)`,
      promise: 'fewer keys than frames',
      kept: keys < 240,
    },
  ];
}

/** A stroke of a hand: few waves, a little tremor. */
function handStroke(seed: number, count: number): Vec[] {
  const random = countedRandom(seed);
  const waves = Array.from({ length: 4 }, () => [random() * 220, random() * 5 + 0.5, random() * 6] as const);
  return Array.from({ length: count }, (_, i): Vec => {
    const u = i / (count - 1);
    const wave = (phase: number): number =>
      waves.reduce((sum, [size, speed, shift]) => sum + size * Math.sin(speed * u * 2 + shift + phase), 0);
    return [640 + wave(0) + 300 * u + (random() - 0.5) * 0.6, 360 + 0.7 * wave(1.3) + (random() - 0.5) * 0.6];
  });
}

function sketching(): Row[] {
  const strokes = Array.from({ length: 12 }, (_, i) => handStroke(i + 1, 2000));
  let turn = 0;
  let nodes = 0;
  const time = medianTime(
    () => (nodes += fitStroke(strokes[turn++ % 12] ?? [], { tolerance: 2 }).nodes.length),
    24,
    12,
  );
  return [
    {
      what: 'a stroke of 2,000 points fitted within 2 px',
      figure: `${ms(time)}, ${(nodes / 36).toFixed(1)} nodes`,
      beside: 'limit 30 ms',
      promise: 'in 30 ms',
      kept: time < 30,
    },
  ];
}

/** px that the linked guide keeps from its original. */
const BESIDE = 8;

function following(): Row[] {
  const { nodes, closed } = nodesOf(dataOf('d'));
  const original = {
    id: 'road',
    name: 'Road',
    closed,
    color: '#0B7A75',
    nodes: nodes.map((node, i) => ({ ...node, id: `n${i + 1}` })),
  };
  const link = { kind: 'parallel', of: 'road', distance: BESIDE } as const;
  const scene = sceneOf({
    guides: [original, { ...original, id: 'path', name: 'Path', nodes: [{ id: 'p1', x: 0, y: 0 }], link }],
  });
  let step = 0;
  // As in a drag: each time from the scene as it was at its start.
  const bend = (): void => void moveNodes(scene, { guide: 'road', nodes: ['n30'], dx: 1 + (step++ % 40), dy: 2 });
  const all = (): void =>
    void parallelNodes(
      pathThrough(
        nodes.map((node) => ({ ...node })),
        closed,
      ),
      BESIDE,
    );
  const [edit, whole] = mediansInTurn(bend, all);
  return [
    {
      what: 'one of 60 winding cubics is bent, and what a linked parallel of them follows',
      figure: ms(edit),
      beside: `all of it made anew ${ms(whole)}; a frame is 16.7 ms`,
      promise: 'in a frame, and in less than half of the time of all of it',
      kept: edit < 16.7 && edit < whole / 2,
    },
  ];
}

/** Recipes that a guide of many nodes makes a pace of, anew as when it is bent. */
function cooking(): Row[] {
  const nodes = Array.from({ length: 2000 }, (_, i) => {
    const slope = 10 * Math.cos(i / 9);
    return { x: i * 4, y: 300 + 80 * Math.sin(i / 9), in: [-1.3, -slope] as const, out: [1.3, slope] as const };
  });
  const path = pathThrough(nodes, false);
  const marks = [0, 1].map((at) => ({ time: 8 * at, dwell: 0, distance: at * path.length }));
  return (['fall', 'bends'] as const).map((kind) => {
    const recipe = newRecipe(kind);
    const time = medianTime(() => void cookedLine(recipe, path, marks, { cycle: 8, repeat: 'loop' }), 15, 5);
    return {
      what: `the recipe ${kind} on a guide of 2,000 nodes`,
      figure: ms(time),
      beside: 'limit 10 ms',
      promise: 'in 10 ms',
      kept: time < 10,
    };
  });
}

export const coreRows = async (): Promise<Row[]> => [
  ...frames(),
  ...preparing(),
  ...posing(),
  ...riding(),
  ...baking(),
  ...(await takeRows()),
  ...(await crowdRows()),
  ...sketching(),
  ...following(),
  ...cooking(),
];
