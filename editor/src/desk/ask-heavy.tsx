import type { Heaviness } from '@pace-line/core/art-import';
import { ask } from '../look/ask.tsx';

const number = new Intl.NumberFormat('en-GB');

const WORDS: Readonly<Record<Heaviness['of'], (count: number) => string>> = {
  elements: (count) => `It draws ${number.format(count)} elements.`,
  characters: (count) => `It is ${number.format(Math.round(count / 1000))} kB of drawing.`,
  painting: (count) =>
    `Its filters, masks, patterns and markers paint as much as ${number.format(count)} plain elements, in every frame.`,
};

/** Whether a drawing that is slow to draw is taken all the same; asked only where it is. */
export function askHeavy(name: string, heavy: readonly Heaviness[]): Promise<boolean> {
  if (heavy.length === 0) return Promise.resolve(true);
  return ask({
    title: `${name} is heavy`,
    body: (
      <>
        <ul>
          {heavy.map(({ of, count }) => (
            <li key={of}>{WORDS[of](count)}</li>
          ))}
        </ul>
        <p>The Desk, and the pages that it is sent to, will be slow while it moves.</p>
      </>
    ),
    yes: 'Take it all the same',
    no: 'Leave it',
  });
}
