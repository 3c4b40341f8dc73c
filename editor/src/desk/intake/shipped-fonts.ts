import bold from '@fontsource/figtree/files/figtree-latin-700-normal.woff?url';
import plain from '@fontsource/figtree/files/figtree-latin-400-normal.woff?url';
import mono from '@fontsource/commit-mono/files/commit-mono-latin-400-normal.woff?url';

/** The fonts that ship with the application: what people call them, their family as bare names are compared, and where their files are. */
export const SHIPPED_FONTS = {
  plain: { name: 'Figtree', family: 'figtree', url: plain },
  bold: { name: 'Figtree, bold', family: 'figtree', url: bold },
  mono: { name: 'Commit Mono', family: 'commitmono', url: mono },
} as const;
export type ShippedFont = keyof typeof SHIPPED_FONTS;

/** The bytes of a font's file. */
export const fontFile = async (url: string): Promise<ArrayBuffer> => (await fetch(url)).arrayBuffer();
