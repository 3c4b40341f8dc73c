/** Thrown where a scene holds more than can be written as keys; its message is for people. */
export class TooMuchError extends Error {
  override readonly name = 'TooMuchError';
}

/** Rounds of one rider within the loop: beyond, no page plays the keys that they would need. */
export const MOST_ROUNDS = 5000;

/** Samples of one rider within the loop. */
export const MOST_SAMPLES = 300_000;

/** Refuses a rider that goes round so often within a loop that its changes cannot be told one by one; `round`: s after which it repeats itself. */
export function boundRounds({ round }: { readonly round: number }, length: number): void {
  const rounds = Math.ceil(length / round);
  if (rounds > MOST_ROUNDS)
    throw new TooMuchError(
      `a rider goes round ${rounds} times within the loop, and more than ${MOST_ROUNDS} cannot be written: shorten the loop or give it a longer cycle`,
    );
}
