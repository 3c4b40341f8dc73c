import * as library from 'opentype.js';
import { bareFamily } from './family.ts';

/** A font as far as texts are outlined by it. */
export interface Font {
  /** Names of its family as its file says them, bare (`bareFamily`). */
  readonly families: readonly string[];
  /** 100 to 900. */
  readonly weight: number;
  readonly isItalic: boolean;
  /** Outlines of a text whose baseline begins at a place, px, as data of a path, and how far it goes; undefined where the font has not all of its letters. */
  outline(
    text: string,
    at: { readonly x: number; readonly y: number; readonly size: number; readonly spacing: number },
  ): Outlined | undefined;
}

export interface Outlined {
  readonly data: string;
  readonly width: number;
}

interface LibraryFont {
  readonly names: Readonly<Record<string, Readonly<Record<string, string>> | undefined>>;
  readonly tables: { readonly os2?: { readonly usWeightClass?: number; readonly fsSelection?: number } };
  stringToGlyphs(text: string): readonly { readonly index: number }[];
  getPath(text: string, x: number, y: number, size: number, options: object): { toPathData(digits: number): string };
  getAdvanceWidth(text: string, size: number, options: object): number;
}

interface FontLibrary {
  readonly parse: (file: ArrayBuffer) => LibraryFont;
}

// Bundlers take its module, Node its older form, where all of it is the default.
const whole = library as unknown as Partial<FontLibrary> & { readonly default?: FontLibrary };
const parse = whole.parse ?? whole.default?.parse;

/** Decimals of outlines, px. */
const DIGITS = 3;

const ITALIC = 1;

/** Largest file of a font that is read, bytes. */
const MOST_FONT_BYTES = 30 * 1024 * 1024;

/** Reads a font: TrueType or OpenType, as it is or packed as WOFF. Throws in plain words where it is none. */
export function readFont(file: ArrayBuffer): Font {
  const font = parsed(file);
  const { names, tables } = font;
  const families = [names['preferredFamily'], names['fontFamily'], names['fullName']].flatMap((name) =>
    name ? Object.values(name).map(bareFamily) : [],
  );
  const { usWeightClass = 400, fsSelection = 0 } = tables.os2 ?? {};
  return {
    families: [...new Set(families)],
    weight: usWeightClass,
    isItalic: (fsSelection & ITALIC) !== 0,
    outline(text, { x, y, size, spacing }) {
      if (font.stringToGlyphs(text).some(({ index }) => index === 0)) return undefined;
      const options = {
        kerning: true,
        ...(spacing === 0 ? {} : { letterSpacing: spacing / size, features: { liga: false } }),
      };
      return {
        data: font.getPath(text, x, y, size, options).toPathData(DIGITS),
        width: font.getAdvanceWidth(text, size, options),
      };
    },
  };
}

function parsed(file: ArrayBuffer): LibraryFont {
  const [a, b, c, d] = new Uint8Array(file.slice(0, 4));
  const kind = String.fromCharCode(a ?? 0, b ?? 0, c ?? 0, d ?? 0);
  if (file.byteLength > MOST_FONT_BYTES) throw new Error('the font is larger than 30 MB');
  if (kind === 'wOF2') throw new Error('WOFF 2 is not read: take the font’s TTF, OTF or WOFF file');
  if (kind === 'ttcf') throw new Error('it is a collection of fonts: take the file of one');
  if (!['\0\x01\0\0', 'true', 'OTTO', 'wOFF'].includes(kind) || !parse) throw new Error('it is not a font file');
  try {
    return parse(file);
  } catch {
    throw new Error('the font file is damaged, or of a kind that is not read');
  }
}
