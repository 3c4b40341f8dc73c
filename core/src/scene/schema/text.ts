/** Halves of characters without their other half: no file, no address and no XML can hold them. */
const HALVES = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;

/** Characters that XML forbids: controls but tab and line ends, and the two that are none. */
const FORBIDDEN = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g;

/** Text as every format can hold it: half characters become the sign for an unknown one, what XML forbids is left out. Linear. */
export const wellFormed = (text: string): string => text.replace(HALVES, '\uFFFD').replace(FORBIDDEN, '');

/** Characters that a name has at most. */
export const LONGEST_NAME = 200;

/** A name as a scene holds it: well formed, on one line, not too long. */
export const asName = (text: string): string => {
  const line = wellFormed(text)
    .replace(/[\t\r\n]+/g, ' ')
    .trim();
  return line.length > LONGEST_NAME
    ? wellFormed(line.slice(0, LONGEST_NAME))
        .replace(/\uFFFD$/, '')
        .trim()
    : line;
};
