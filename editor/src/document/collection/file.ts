import { easeSchema, troubleOfText, z, type Ease, type Guide } from '@pace-line/core';
import type { KeptEase } from './eases.ts';
import { guideShape, type KeptGuide } from './guides.ts';

const FORMAT = 'pace-line/guides';

const named = { name: z.string().max(200) };

/** Version 2 may hold eases beside the guides. */
const fileShape = z.strictObject({
  format: z.literal(FORMAT),
  version: z.union([z.literal(1), z.literal(2)]),
  guides: z.array(z.strictObject({ ...named, guide: guideShape })).max(5000),
  eases: z
    .array(z.strictObject({ ...named, ease: easeSchema }))
    .max(5000)
    .default([]),
});

/** The collection as a file. */
export const writeCollection = (guides: readonly KeptGuide[], eases: readonly KeptEase[]): string =>
  `${JSON.stringify(
    {
      format: FORMAT,
      version: 2,
      guides: guides.map(({ name, guide }) => ({ name, guide })),
      eases: eases.map(({ name, thing }) => ({ name, ease: thing })),
    },
    null,
    2,
  )}\n`;

export type CollectionReading =
  | {
      readonly ok: true;
      readonly guides: readonly { name: string; guide: Guide }[];
      readonly eases: readonly { name: string; ease: Ease }[];
    }
  | { readonly ok: false; readonly message: string };

/** Reads a collection file; the message of a refusal says what was wrong and where. */
export function readCollection(text: string): CollectionReading {
  const trouble = troubleOfText(text);
  if (trouble !== undefined) return { ok: false, message: trouble };
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { ok: false, message: 'it is not JSON' };
  }
  const read = fileShape.safeParse(json);
  if (read.success) return { ok: true, guides: read.data.guides, eases: read.data.eases };
  const issue = read.error.issues[0];
  return {
    ok: false,
    message: issue ? `${issue.path.join('.') || 'the file'}: ${issue.message}` : 'it is not a collection of guides',
  };
}

/** Whether a JSON text says of itself that it is a collection. */
export const looksLikeCollection = (text: string): boolean => text.slice(0, 400).includes(`"${FORMAT}"`);
