/** Lets the page answer, and be drawn, before what follows: long work is done in several turns. */
export const nextTurn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
