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

/** Characters of a file's name: one letter of a script may become many plain ones. */
const LONGEST_STEM = 80;

/** A name for a file made of a scene's name: letters, digits and hyphens. */
export const fileStem = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/[\s_]+/g, '-')
    .toLowerCase()
    .slice(0, LONGEST_STEM) || 'scene';

/** The name of files that belong together: as it was asked for, or made of a scene's name. */
export const stemOf = (asked: string, name: string): string =>
  /^\w[\w.-]*$/.test(asked) ? asked : fileStem(asked || name);

/** FNV-1a over UTF-16 units, 32 bits, as eight hexadecimal digits (Fowler, Noll, Vo: the parameters of the IETF draft). */
export function shortHash(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}

/** A name of CSS, for a class or keyframes, made of what people call something: none begins with a digit or a hyphen. */
export function cssName(name: string): string {
  const stem = fileStem(name);
  return /^[a-z_]/.test(stem) ? stem : `r-${stem.replace(/^-+/, '')}`;
}

/** A text that ends neither a comment of CSS nor the element of a page in which it may stand, on one line. */
export const cssComment = (text: string): string =>
  text
    .replace(/\*\//g, '* /')
    .replace(/</g, '‹')
    .replace(/[\r\n]+/g, ' ');

/** A value as JSON that ends no element of a page in which it may stand, and is the same value as JavaScript. */
export const pageJson = (value: unknown): string =>
  JSON.stringify(value).replace(/[<\u2028\u2029]/g, (one) => `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`);
