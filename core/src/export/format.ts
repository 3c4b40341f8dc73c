import type { z } from 'zod';
import type { Scene } from '../scene/index.ts';
import type { Take } from '../take/index.ts';

/** A file that a format writes: its name within the output, its MIME type and its text. */
export interface OutputFile {
  readonly name: string;
  readonly type: string;
  readonly text: string;
}

/** One output format. The Send view and the command line build themselves from the list of these. */
export interface Format<O extends z.ZodObject = z.ZodObject> {
  /** What the command line calls it. */
  readonly id: string;
  /** What people call it. */
  readonly name: string;
  /** One sentence: what it is good for. */
  readonly about: string;
  readonly extension: string;
  readonly type: string;
  /** Options with their defaults; `.describe()` words each for the Send view. */
  readonly options: O;
  /** What this scene holds that the format leaves out, a sentence each. */
  readonly drops: (scene: Scene) => string[];
  /** Same take and options, same bytes. */
  readonly write: (take: Take, options: z.infer<O>) => OutputFile[];
}

/** A number as short text with at most `digits` decimals (0 to 6): rounded on the grid on which engines agree, no exponent, no −0. */
export function formatNumber(value: number, digits: number): string {
  const scale = 10 ** digits;
  const rounded = Math.round(Math.round(value * 1e9) / (1e9 / scale)) / scale;
  if (rounded === 0) return '0';
  const text = rounded.toFixed(digits);
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
}

export const escapeMarkup = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** A name for a file made of a scene's name: letters, digits and hyphens. */
export const fileStem = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/[\s_]+/g, '-')
    .toLowerCase() || 'scene';

/** FNV-1a over UTF-16 units, 32 bits, as eight hexadecimal digits (Fowler, Noll, Vo: the parameters of the IETF draft). */
export function shortHash(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}
