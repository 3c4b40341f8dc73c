import { z } from '../zod.ts';

/** What every format of several files that name each other is asked. */
export const NAMED = {
  file: z.string().max(80).default('').describe('Name of the files, without an ending; empty: the scene’s name'),
};
