import type { Heaviness } from '@pace-line/core/art-import';
import { askAmong } from '../../look/ask.tsx';

const number = new Intl.NumberFormat('en-GB');

const WORDS: Readonly<Record<Heaviness['of'], (count: number) => string>> = {
  elements: (count) => `It draws ${number.format(count)} elements.`,
  characters: (count) => `It is ${number.format(Math.round(count / 1000))} kB of drawing.`,
  painting: (count) =>
    `Its filters, masks, patterns and markers paint as much as ${number.format(count)} plain elements, in every frame.`,
};

/** How a drawing that is slow to draw is taken. */
export type Taking = 'drawing' | 'picture' | 'none';

/** How a drawing is taken; asked only where it is slow to draw. `picture`: it may be taken as one of itself. */
export async function askTaking(name: string, heavy: readonly Heaviness[], picture = true): Promise<Taking> {
  if (heavy.length === 0) return 'drawing';
  const answer = await askAmong({
    title: `${name} is heavy`,
    body: (
      <>
        <ul>
          {heavy.map(({ of, count }) => (
            <li key={of}>{WORDS[of](count)}</li>
          ))}
        </ul>
        <p>
          The Desk, and the pages that it is sent to, will be slow while it moves
          {picture ? '; a picture of it is not' : ''}.
        </p>
      </>
    ),
    yes: 'Import anyway',
    no: 'Cancel',
    ...(picture ? { other: 'Take it as a picture' } : {}),
  });
  return answer === 'yes' ? 'drawing' : answer === 'other' ? 'picture' : 'none';
}

/** Whether a drawing that is slow to draw is taken all the same. */
export const askHeavy = async (name: string, heavy: readonly Heaviness[]): Promise<boolean> =>
  (await askTaking(name, heavy, false)) === 'drawing';
