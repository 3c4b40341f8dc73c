import { z } from '../../zod.ts';
import type { Scene } from '../../scene/index.ts';

/** Riders beyond which a page's work to play them counts more than bytes. */
const FEW = 16;

/** The option of drawings that pages play. */
export const PLAYS = {
  plays: z
    .enum(['auto', 'small', 'light'])
    .default('auto')
    .describe(
      `Optimised for: small has fewer bytes, light is less work for the page; auto is light from ${FEW + 1} riders on`,
    ),
};

/** Whether a scene is written so that it is light to play. */
export const isLight = ({ riders }: Scene, { plays }: { readonly plays: 'auto' | 'small' | 'light' }): boolean =>
  plays === 'light' || (plays === 'auto' && riders.filter(({ output }) => output).length > FEW);
