import { describeOptions, formatById, readOptions, valueOfText, type Format } from '@pace-line/core';

/** The ways in which a scene file is imported, and the format that each is made of. */
const FORMAT_OF = {
  module: 'module',
  react: 'react',
  svg: 'animated-svg',
  url: 'animated-svg',
  css: 'css',
  frames: 'frames-json',
} as const;
export type Kind = keyof typeof FORMAT_OF;

export const KINDS = Object.keys(FORMAT_OF) as Kind[];

/** An import of a scene file. */
export interface Asked {
  readonly kind: Kind;
  readonly format: Format;
  readonly options: Readonly<Record<string, unknown>>;
}

/** A file and how it is imported, from what stands in an import; undefined where that is none of a scene. */
export function splitImport(source: string): { readonly file: string; readonly query: string } | undefined {
  const [, file, query] = /^([^\0?]+\.paceline\.json)\?([^?]+)$/.exec(source) ?? [];
  return file !== undefined && query !== undefined && KINDS.some((kind) => kind === wayOf(query))
    ? { file, query }
    : undefined;
}

const wayOf = (query: string): string => query.split('&')[0] ?? '';

/** What an import asks for: its way, and options that stand over those of the plug-in. Throws with what is wrong with them. */
export function askedOf(query: string, of: Readonly<Partial<Record<Kind, object>>>): Asked {
  const kind = wayOf(query) as Kind;
  const format = formatById(FORMAT_OF[kind]);
  if (!format) throw new Error(`there is no format "${FORMAT_OF[kind]}"`);
  const kinds = new Map(describeOptions(format).map((option) => [option.key, option.kind]));
  const own = [...new URLSearchParams(query)]
    .slice(1)
    .map(([key, text]): [string, unknown] => [key, valueOfText(kinds.get(key), text)]);
  const all = kind === 'css' ? { rider: '*' } : {};
  const read = readOptions(format, { ...all, ...of[kind], ...Object.fromEntries(own) });
  if (!read.ok) throw new Error(read.message);
  return { kind, format, options: read.options };
}
