/** What the person at the command line did wrong, in one line. */
export class UsageError extends Error {}
