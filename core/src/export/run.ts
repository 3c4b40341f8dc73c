/** What a long piece of work is told and asked while it runs. An `AbortSignal` is a signal. */
export interface Run {
  /** Told the share done, 0 to 1. */
  readonly progress: (share: number) => void;
  readonly signal: { readonly aborted: boolean };
}

/** Thrown by work that was told to stop. */
export class AbortedError extends Error {
  constructor() {
    super('aborted');
    this.name = 'AbortedError';
  }
}

export function stopIfAborted({ signal }: Run): void {
  if (signal.aborted) throw new AbortedError();
}

/** A run that nobody watches or stops. */
export const QUIET_RUN: Run = { progress: () => undefined, signal: { aborted: false } };
