import { z } from '../../zod.ts';
import type { Feature } from '../features.ts';

/** What every format of pixels is asked. */
export const pixelOptions = {
  scale: z.number().min(0.1).max(4).default(1).describe('Scale, up to 4'),
  fps: z.number().min(0).max(120).default(0).describe('Frame rate; 0: the scene’s'),
  background: z.boolean().default(true).describe('Paint the canvas’s background'),
  from: z.number().min(-7200).max(7200).default(0).describe('From, s; below 0: with the lead-in before the loop'),
  to: z.number().min(0).max(7200).default(0).describe('To, s; 0: the loop’s end'),
};

/** Frames that begin before the loop hold its lead-in. */
export const ledFrames = ({ from }: { readonly from: number }): readonly Feature[] => (from < 0 ? ['lead-in'] : []);
