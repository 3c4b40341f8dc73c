/** Whether all words of a question begin words of a text, whatever their case and accents. */
export function matches(question: string, text: string): boolean {
  const words = plain(text).split(/[^\p{L}\p{N}]+/u);
  return plain(question)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .every((asked) => words.some((word) => word.startsWith(asked)));
}

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
