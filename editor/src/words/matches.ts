/** Whether all words of a question begin words of a text, whatever their case and accents. */
export function matches(question: string, text: string): boolean {
  const words = plainLetters(text).split(/[^\p{L}\p{N}]+/u);
  return plainLetters(question)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .every((asked) => words.some((word) => word.startsWith(asked)));
}

/** A text without case and accents, as it is compared. */
export const plainLetters = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
