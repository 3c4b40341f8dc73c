import type { Scene } from '@pace-line/core';
import { colouredArt, LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { LAP, STRETCH } from './carried-line.ts';

/**
 * A boat on a loop, turned, stretched and mirrored as it goes, that carries a square. Of a red sheet as large as the canvas only what is inside of the square is seen; or, where `keep` says so, of a white one
 * before it only what is outside. Either way red is where the square is.
 */
export const windowOn = (keep: 'inside' | 'outside'): Scene =>
  sceneOf({
    canvas: { width: 400, height: 300, background: '#ffffff' },
    clock: { duration: 2, fps: 12, repeat: 'loop' },
    art: [
      colouredArt('hull', '#0000dd', 20, 10),
      colouredArt('red', '#dd0000', 400, 300),
      colouredArt('white', '#ffffff', 400, 300),
    ],
    guides: [
      {
        ...LOOPS,
        nodes: LOOPS.nodes.map((node) => {
          const { x, y, ...more } = node as { x: number; y: number };
          return { ...more, x: 60 + x * 0.35, y: 60 + y * 0.3 };
        }),
      },
      {
        ...{ id: 'port', name: 'Port', closed: true, color: '#0B7A75', carrier: 'boat', visible: false },
        nodes: [
          { id: 'p1', x: 10, y: -40 },
          { id: 'p2', x: 50, y: -40 },
          { id: 'p3', x: 50, y: -10 },
          { id: 'p4', x: 10, y: -10 },
        ],
      },
    ],
    riders: [
      riderOn('sheet', 'loops', [], {
        ...{ art: 'red', guide: null, at: [200, 150] },
        ...(keep === 'inside' ? { inside: { guide: 'port' } } : {}),
      }),
      ...(keep === 'outside'
        ? [
            riderOn('cover', 'loops', [], {
              art: 'white',
              guide: null,
              at: [200, 150],
              inside: { guide: 'port', keep },
            }),
          ]
        : []),
      riderOn('boat', 'loops', LAP, {
        art: 'hull',
        scale: [-1, 1],
        entrance: { seconds: 0.5, from: [-30, 20], scale: 0.6, opacity: 1 },
        keys: {
          scale: STRETCH,
          opacity: [
            { id: 'o1', time: 0, value: 1 },
            { id: 'o2', time: 1, value: 0.2 },
            { id: 'o3', time: 2, value: 1 },
          ],
        },
      }),
    ],
  });
