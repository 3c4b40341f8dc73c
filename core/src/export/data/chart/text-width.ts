/** Widths of the characters from space to tilde, thousandths of the size: those of the standard font Helvetica, which every reader of PDF has (ISO 32000, 9.6.2). */
const PLAIN =
  '278 278 355 556 556 889 667 191 333 333 389 584 278 333 278 278 556 556 556 556 556 556 556 556 556 556 278 278 584 584 584 556 1015 667 667 722 722 667 611 778 722 278 500 667 556 833 722 778 667 778 722 667 611 722 667 944 667 667 611 278 278 278 469 556 333 556 556 500 556 556 278 556 556 222 222 500 222 833 556 556 556 556 333 500 278 556 500 722 500 500 500 334 260 334 584'
    .split(' ')
    .map(Number);

/** How much wider the bold letters are, on the mean. */
const BOLD = 1.06;
const MEAN = 556;

/** About how wide a text is at a size, in the same unit. */
export function widthOf(text: string, size: number, bold: boolean): number {
  const sum = Array.from(text).reduce((all, character) => all + (PLAIN[character.charCodeAt(0) - 32] ?? MEAN), 0);
  return (sum / 1000) * size * (bold ? BOLD : 1);
}
