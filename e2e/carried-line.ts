import type { Scene } from '@pace-line/core';
import { colouredArt, LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';

/** Marks of a boat that goes once round in two seconds, and the keys by which it is stretched as it goes. */
export const LAP = [
  { time: 0, place: { by: 'node', node: 'l1' } },
  { time: 2, place: { by: 'node', node: 'l1', lap: 1 } },
];
export const STRETCH = [
  { id: 's1', time: 0, value: [1, 1] },
  { id: 's2', time: 1, value: [1.5, 0.8] },
  { id: 's3', time: 2, value: [1, 1] },
];

/** A boat on a loop, turned, faded and made larger as it goes, that carries a red straight line; `draws`: it is drawn by a rider on it. */
export const lineOn = (draws: string | null): Scene =>
  sceneOf({
    canvas: { width: 400, height: 300, background: '#ffffff' },
    clock: { duration: 2, fps: 12, repeat: 'loop' },
    art: [colouredArt('hull', '#0000dd', 20, 10), colouredArt('dot-art', '#00aa00', 4, 4)],
    guides: [
      {
        ...LOOPS,
        nodes: LOOPS.nodes.map((node) => {
          const { x, y, ...more } = node as { x: number; y: number };
          return { ...more, x: x * 0.45, y: y * 0.45 };
        }),
      },
      {
        ...{ id: 'mast', name: 'Mast', closed: false, color: '#0B7A75', carrier: 'boat' },
        nodes: [
          { id: 'm1', x: 30, y: -10 },
          { id: 'm2', x: 60, y: -40 },
        ],
        stroke: { color: '#dd0000', width: 5, draws },
      },
    ],
    riders: [
      riderOn('boat', 'loops', LAP, {
        art: 'hull',
        keys: {
          scale: STRETCH,
        },
      }),
      riderOn(
        'climber',
        'mast',
        [
          { time: 0, place: { by: 'node', node: 'm1' } },
          { time: 2, place: { by: 'node', node: 'm2' } },
        ],
        {
          art: 'dot-art',
          carrier: { rider: 'boat' },
          output: false,
        },
      ),
    ],
  });
