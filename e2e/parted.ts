import type { Scene } from '@pace-line/core';
import { riderOn, sceneOf } from '../core/src/testing/scenes.ts';

/** A ticket of shapes, text between them, a stamp within a clip, and a seal that a clip of two circles shows; beyond its box on one side. */
const TICKET =
  '<svg xmlns="http://www.w3.org/2000/svg" width="160" height="100" viewBox="0 0 160 100">' +
  '<defs><clipPath id="c"><circle cx="120" cy="50" r="26"/></clipPath>' +
  '<clipPath id="two"><circle cx="30" cy="78" r="12"/><circle cx="44" cy="78" r="12"/></clipPath>' +
  '<linearGradient id="g"><stop offset="0" stop-color="#0B7A75"/><stop offset="1" stop-color="#E2A33D"/></linearGradient></defs>' +
  '<rect width="160" height="100" rx="10" fill="#EFE6D2"/>' +
  '<g transform="translate(8 6)"><rect width="60" height="24" fill="url(#g)"/><text x="6" y="18" font-size="16" font-family="sans-serif" fill="#1F2933">Pier 4</text>' +
  '<path d="M0 30H130" stroke="#1F2933" stroke-width="3"/></g>' +
  '<g clip-path="url(#c)"><rect x="90" y="20" width="60" height="60" fill="#C2513D"/><path d="M90 20L150 80" stroke="#fff" stroke-width="8"/></g>' +
  '<rect x="14" y="62" width="60" height="40" fill="#1F2933" clip-path="url(#two)"/>' +
  '<rect x="60" y="80" width="40" height="30" fill="#3D6FB4"/>' +
  '</svg>';

/** Tickets that turn, fade and grow while they go: of parts that are shapes, clips and text. */
export const partedScene: Scene = sceneOf({
  canvas: { width: 640, height: 480, background: '#ffffff' },
  clock: { duration: 4, fps: 30, repeat: 'loop' },
  art: [
    { kind: 'svg', id: 'ticket', name: 'Ticket', width: 160, height: 100, pivot: [80, 50], facing: 0, markup: TICKET },
    {
      kind: 'svg',
      id: 'ticket-free',
      name: 'Free',
      width: 160,
      height: 100,
      pivot: [80, 50],
      facing: 0,
      markup: TICKET.replace('<svg ', '<svg overflow="visible" '),
    },
  ],
  guides: [
    {
      id: 'way',
      name: 'Way',
      closed: true,
      color: '#0B7A75',
      nodes: [
        { id: 'w1', x: 200, y: 240, out: [0, -90], in: [0, 90] },
        { id: 'w2', x: 440, y: 240, out: [0, 90], in: [0, -90] },
      ],
    },
  ],
  riders: [
    riderOn(
      'fading',
      'way',
      [
        { time: 0, place: { by: 'node', node: 'w1' } },
        { time: 4, place: { by: 'node', node: 'w1', lap: 1 } },
      ],
      {
        art: 'ticket',
        keys: {
          opacity: [
            { id: 'o1', time: 0, value: 1 },
            { id: 'o2', time: 2, value: 0.3 },
            { id: 'o3', time: 4, value: 1 },
          ],
        },
      },
    ),
    riderOn('free', 'way', [], { art: 'ticket-free', guide: null, at: [320, 60] }),
  ],
});
