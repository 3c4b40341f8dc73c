import { newGuide, newHeading, newMark, newPace, newRider, type Mark, type Scene } from '@pace-line/core';
import { art, at, NO_KEYS, node, scene, scenery } from './kit.ts';

/** s at which the chip is as good as in the basket. */
const ARRIVES = 0.62;

const SOFT = { kind: 'family', family: 'sine', mode: 'in-out' } as const;

/** The market's ordering page: on a click a tea-leaf chip flies from its card to the basket on an arc and settles by a spring; on the next it comes back. */
export function order(): Scene {
  const guide = newGuide({
    id: 'toss',
    name: 'Toss',
    color: '#55752A',
    nodes: [
      node('card', 195, 246, undefined, { out: [110, -230] }),
      node('rim', 872, 40, undefined, { in: [-210, -70] }),
    ],
  });
  const marks: Mark[] = [
    newMark('leaves-card', 0, at('card'), { ease: { kind: 'spring', overshoot: 4, settle: 0.95 } }),
    newMark('in-basket', 1.2, at('rim')),
  ];
  const size = [
    [0, 1],
    [0.12, 1.12],
    [ARRIVES, 0.42],
  ].map(([time = 0, value = 1], i) => ({
    ...{ id: `chip-size${i}`, time, value: [value, value] as [number, number], mark: null },
    ease: SOFT,
  }));
  const turn = [
    [0, 0],
    [ARRIVES, 200],
  ].map(([time = 0, value = 0], i) => ({ ...{ id: `chip-turn${i}`, time, value, mark: null }, ease: SOFT }));
  const nod = [
    [ARRIVES - 0.2, 1, 1],
    [ARRIVES - 0.02, 1.16, 0.84],
    [ARRIVES + 0.14, 0.95, 1.06],
    [ARRIVES + 0.3, 1, 1],
  ].map(([time = 0, across = 1, over = 1], i) => ({
    ...{ id: `basket-nod${i}`, time, value: [across, over] as [number, number], mark: null },
    ease: SOFT,
  }));
  return scene({
    name: 'Tea to the basket',
    canvas: { width: 960, height: 600, background: '#F7F3EA' },
    clock: { duration: 1.2, fps: 60, repeat: 'there-and-back' },
    driver: [{ kind: 'click', again: 'back' }],
    art: [
      art('order-page', 'Ordering page', [0, 0]),
      art('basket', 'Basket', [28, 48]),
      art('tea-chip', 'Tea-leaf chip', [44, 44]),
    ],
    guides: [guide],
    riders: [
      scenery('order-page', 'Ordering page'),
      newRider({
        ...{ id: 'basket-1', name: 'Basket', art: 'basket', at: [872, 68] },
        keys: { ...NO_KEYS, scale: nod },
      }),
      newRider({
        ...{ id: 'chip', name: 'Tea-leaf chip', art: 'tea-chip', guide: 'toss', pace: newPace({ marks }) },
        heading: newHeading({ mode: 'level' }),
        keys: { ...NO_KEYS, scale: size, turn },
      }),
    ],
  });
}
