import { z } from '../../zod.ts';
import { id } from './ids.ts';

/** Findings that may be meant so. */
const MOST_MEANT = 1000;

/** A finding that is meant so: what its check said then, of whom. Where that says something else now, it is a finding again. */
const meantSchema = z.strictObject({
  check: z.string().min(1).max(40),
  riders: z.array(id).max(10).readonly(),
  found: z.string().max(200),
  why: z.string().max(200).default(''),
});

/** What a scene is checked against. */
export const checksSchema = z.strictObject({
  /** px that the bodies of riders keep apart; 0: they may touch and not overlap. */
  clearance: z.number().min(0).max(10_000).default(0),
  meant: z.array(meantSchema).max(MOST_MEANT).readonly().default([]),
});
