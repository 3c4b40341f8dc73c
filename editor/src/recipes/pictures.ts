import type { Way } from '../look/way-pictures.ts';

/** A way across a recipe's picture, and a lap round it. */
export const ACROSS = 'M20 78C70 30 150 30 220 62';
export const LAP = 'M120 16C170 16 216 33 216 54S170 92 120 92S24 75 24 54S70 16 120 16Z';

/** A boat that goes round at one speed. */
export const ROUND: readonly Way[] = [
  {
    d: LAP,
    art: 'boat',
    marks: [
      [0, 0],
      [4, 1],
    ],
    ease: { kind: 'steady' },
  },
];
