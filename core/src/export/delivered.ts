import { z } from '../zod.ts';

/** The largest factor from canvas px to delivered px that keys are made for. */
const LARGEST = 8;

const factor = z.number().min(0.1).max(LARGEST).default(1);

/** The option of drawings that are delivered at a size of their own: what is measured is measured there. */
export const SCALE = {
  scale: factor.describe(`Scale, up to ${LARGEST}: the keyframes are as fine as that needs`),
};

/** The same of what a player scales: its size stays the canvas's. */
export const FINENESS = {
  scale: factor.describe(`Scale at which it is shown, up to ${LARGEST}: the keyframes are as fine as that needs`),
};

/** The factor that options ask for; 1 where they have none. */
export const scaleOf = (options: object): number => {
  const given = 'scale' in options ? options.scale : undefined;
  return typeof given === 'number' ? given : 1;
};
