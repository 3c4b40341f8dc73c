/** What is asked of a worker: one job at a time. */
export interface JobRequest {
  readonly kind: string;
  readonly input: unknown;
}

/** What a worker answers: that it has begun, any number of reports, then `done` or `failed`. That a job was cancelled is said by the pool, which ends its worker. */
export type JobAnswer =
  | { readonly type: 'began' }
  | { readonly type: 'progress'; readonly share: number }
  | { readonly type: 'chunk'; readonly chunk: unknown }
  | { readonly type: 'done'; readonly result: unknown }
  | { readonly type: 'failed'; readonly message: string };

/** What a job may tell while it runs. */
export interface JobReports<C = unknown> {
  /** Share done, 0 to 1. */
  readonly progress: (share: number) => void;
  readonly chunk: (chunk: C) => void;
}

/** The kinds of job that a worker does: each takes its input and its reports, and gives a result or a promise of one. */
export type JobHandlers = Readonly<Record<string, (...args: never[]) => unknown>>;
