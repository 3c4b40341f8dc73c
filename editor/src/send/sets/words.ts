import { formatById, type Output } from '@pace-line/core';

/** What an output is, in a few words: its format, and what of its options is not as usual. */
export function wordsOfOutput({ format, options }: Output): string {
  const said = Object.entries(options).map(([key, value]) => {
    const name = key.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
    if (typeof value === 'boolean') return value ? name : `no ${name}`;
    return value === '' ? `no ${name}` : `${name} ${value}`;
  });
  return [formatById(format)?.name ?? format, ...said].join(' · ');
}
