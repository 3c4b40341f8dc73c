import { z } from '../zod.ts';
import type { Told } from './findings.ts';

/** A finding as data: who, whether it holds, in words, and beside that what its check measured (px, rad, s, shares). */
export const findingShape = z.looseObject({
  check: z.string().describe('Id of the check'),
  holds: z.boolean().describe('False for what is wrong'),
  rider: z.string().nullable().describe('Id of the rider; null where it is said of all together, or of several'),
  riders: z.array(z.string()).min(2).optional().describe('Ids, where it is said of several'),
  words: z.string().describe('What was found, as the card says it'),
  at: z.number().nullable().describe('When it is seen best, s; null where it has no time'),
  spans: z.array(z.tuple([z.number(), z.number()])).describe('From when to when it lasts, s'),
  meant: z.string().optional().describe('Why it is meant so, where that is said'),
});

/** The list that is printed and read by builds. */
export const findingsShape = z.array(findingShape);

/** A finding as data. What was measured stands beside what every finding has, and never instead of it. */
export function findingRow({ check, holds, riders, words, at, spans, meant, figures }: Told): object {
  return {
    ...{ check, holds, rider: riders.length === 1 ? riders[0] : null },
    ...(riders.length > 1 ? { riders } : {}),
    ...{ words, at, spans },
    ...(meant ? { meant: meant.why } : {}),
    ...figures,
  };
}
