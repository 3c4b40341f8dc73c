import type { Way } from '../../../look/way-pictures.ts';

/** Small moving pictures of what groups do, each on 240 × 108 px. */
export const WAYS = {
  steps: [
    {
      d: 'M20 80H220',
      art: 'lamp',
      level: true,
      marks: [0, 0.6, 1.2, 1.8, 2.4, 3, 3.6].map((time, i) => [time, i / 6] as const),
    },
  ],
  round: [{ d: 'M60 54A60 36 0 1 1 180 54A60 36 0 1 1 60 54Z', art: 'boat' }],
  roll: [{ d: 'M16 36C80 36 90 84 150 84H226', art: 'pen' }],
  bounce: [{ d: 'M16 84Q48 4 80 84Q108 24 136 84Q160 44 184 84Q204 60 224 84', art: 'pen', level: true }],
  enter: [
    {
      d: 'M-20 54H120',
      art: 'boat',
      marks: [
        [0, 0],
        [1.6, 1],
        [4, 1],
      ],
    },
  ],
  crossing: [
    { d: 'M20 54H220', art: 'boat' },
    { d: 'M120 16V96', art: 'lamp', level: true },
  ],
  two: [
    { d: 'M20 66C80 10 160 10 220 66', art: 'boat' },
    { d: 'M20 92C80 36 160 36 220 92', art: 'pen' },
  ],
  hill: [{ d: 'M16 84C60 84 70 30 120 30S180 84 224 84', art: 'square' }],
  train: [
    { d: 'M20 84C80 84 80 24 140 24S220 60 220 84', art: 'boat' },
    { d: 'M20 84C80 84 80 24 140 24', art: 'boat' },
    { d: 'M20 84C80 84 60 40 84 36', art: 'boat' },
  ],
  slow: [
    {
      d: 'M20 54H220',
      art: 'boat',
      marks: [
        [0, 0],
        [0.6, 0.3],
        [3.2, 0.6],
        [4, 1],
      ],
    },
  ],
  wave: [{ d: 'M16 54C40 14 60 14 84 54S128 94 152 54S196 14 224 54', art: 'boat' }],
  drawn: [{ d: 'M20 84L70 26C110 26 110 84 150 84S190 30 220 30', drawn: true, art: 'pen', level: true }],
  shape: [{ d: 'M120 14L206 94H34Z', art: 'square' }],
} as const satisfies Readonly<Record<string, readonly Way[]>>;
