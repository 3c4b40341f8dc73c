/** Thrown where a scene holds more than can be written as keys; its message is for people. */
export class TooMuchError extends Error {
  override readonly name = 'TooMuchError';
}

/** Rounds of one rider within the loop: beyond, no page plays the keys that they would need. */
export const MOST_ROUNDS = 5000;

/** Samples of one rider within the loop. */
export const MOST_SAMPLES = 300_000;
