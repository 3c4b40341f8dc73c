import { z } from '../zod.ts';
import type { Format } from './format.ts';

/** An option of a format as a form or a command line shows it. */
export interface FormatOption {
  readonly key: string;
  readonly kind: 'text' | 'number' | 'switch' | 'choice';
  readonly about: string;
  readonly fallback: unknown;
  /** Of a choice. */
  readonly choices?: readonly string[];
}

/** The value that a text stands for, where an option of some kind is given as text; what is none stays text, to be refused. */
export function valueOfText(kind: FormatOption['kind'] | undefined, text: string): unknown {
  if (kind === 'switch') return text === 'true' ? true : text === 'false' ? false : text;
  const value = Number(text);
  return kind === 'number' && text.trim() !== '' && Number.isFinite(value) ? value : text;
}

/** A format's options in their order, read from its schema. */
export function describeOptions(format: Format): FormatOption[] {
  return Object.entries(format.options.shape).map(([key, schema]): FormatOption => {
    if (!(schema instanceof z.ZodDefault)) throw new Error(`${format.id}: the option "${key}" has no default`);
    const inner: unknown = schema.unwrap();
    const about = schema.description ?? (inner as z.ZodType).description ?? '';
    const fallback: unknown = schema.def.defaultValue;
    if (inner instanceof z.ZodBoolean) return { key, kind: 'switch', about, fallback };
    if (inner instanceof z.ZodNumber) return { key, kind: 'number', about, fallback };
    if (inner instanceof z.ZodEnum) return { key, kind: 'choice', about, fallback, choices: inner.options.map(String) };
    if (inner instanceof z.ZodString) return { key, kind: 'text', about, fallback };
    throw new Error(`${format.id}: no form is known for the option "${key}"`);
  });
}
