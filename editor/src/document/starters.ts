import {
  namedNode,
  nodesOfShape,
  nodesThrough,
  ROUTE_COLORS,
  type Guide,
  type GuideShape,
  type PathNode,
  type ShapeForm,
} from '@pace-line/core';
import type { KeptGuide } from './collection/index.ts';

const guide = (name: string, nodes: readonly PathNode[], closed: boolean, index: number): KeptGuide => {
  const id = `starter-${index + 1}`;
  const made: Guide = {
    id,
    name,
    closed,
    nodes: nodes.map((node, i) => namedNode(node, `${id}-n${i + 1}`)),
    color: ROUTE_COLORS[index % ROUTE_COLORS.length] ?? ROUTE_COLORS[0],
    visible: true,
    locked: false,
    corridor: null,
    carrier: null,
    depth: null,
  };
  return { id, name, guide: made };
};

const shaped =
  (form: ShapeForm) =>
  (name: string, index: number): KeptGuide => {
    const shape = { x: 0, y: 0, turn: 0, reversed: false, start: 0, ...form } as GuideShape;
    const { nodes, closed } = nodesOfShape(shape);
    const made = guide(name, nodes, closed, index);
    return { ...made, guide: { ...made.guide, shape } };
  };

const through =
  (points: readonly (readonly [number, number])[], closed = false, roundness = 1) =>
  (name: string, index: number): KeptGuide =>
    guide(name, nodesThrough(points, roundness, closed), closed, index);

const MAKERS: readonly (readonly [string, (name: string, index: number) => KeptGuide])[] = [
  ['Round', shaped({ kind: 'circle', radius: 150 })],
  ['Lap', shaped({ kind: 'rectangle', width: 420, height: 220, radius: 110 })],
  ['Lying eight', shaped({ kind: 'figure-eight', width: 420, height: 220 })],
  ['Ripple', shaped({ kind: 'wave', length: 520, height: 110, waves: 3 })],
  ['Coil', shaped({ kind: 'spiral', inner: 20, outer: 170, turns: 3 })],
  ['Fly’s way', shaped({ kind: 'loops', length: 480, radius: 70, loops: 3 })],
  ['Hop', shaped({ kind: 'bounces', length: 480, height: 160, bounces: 4, keep: 0.5 })],
  [
    'Throw',
    through([
      [-260, 120],
      [-120, -90],
      [60, -100],
      [260, 140],
    ]),
  ],
  [
    'Falling leaf',
    through([
      [-60, -190],
      [80, -130],
      [-70, -50],
      [90, 30],
      [-50, 110],
      [40, 190],
    ]),
  ],
  ['Pendulum', shaped({ kind: 'arc', radius: 220, from: 30, sweep: 120 })],
  [
    'Up the stairs',
    through(
      [
        [-200, 150],
        [-100, 150],
        [-100, 50],
        [0, 50],
        [0, -50],
        [100, -50],
        [100, -150],
        [200, -150],
      ],
      false,
      0,
    ),
  ],
  [
    'Drop-in',
    through([
      [-40, -220],
      [-30, -60],
      [10, 60],
      [60, 110],
      [160, 120],
    ]),
  ],
];

/** A few guides to start from, about their own middle. */
export const STARTERS: readonly KeptGuide[] = MAKERS.map(([name, make], index) => make(name, index));
