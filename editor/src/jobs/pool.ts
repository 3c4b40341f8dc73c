import type { JobAnswer, JobHandlers, JobReports, JobRequest } from './protocol.ts';

/** How a job ended. It always ends. */
export type JobEnd<R> =
  | { readonly state: 'done'; readonly result: R }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'cancelled' };

/** A running job. */
export interface Job<R> {
  /** Settles when the job ends, however it ends; never rejects. */
  readonly end: Promise<JobEnd<R>>;
  /** Ends it at once. */
  readonly cancel: () => void;
}

export interface JobWatch<C> {
  readonly onProgress?: (share: number) => void;
  readonly onChunk?: (chunk: C) => void;
  /** ms of a worker's work after which it is ended and fails. Waiting for a worker, and for its program to be loaded, is not counted. */
  readonly limit?: number;
}

/** What of a Worker is used. */
export interface WorkerLike {
  onmessage: ((event: MessageEvent<JobAnswer>) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
  onmessageerror: ((event: MessageEvent) => void) | null;
  postMessage: (request: JobRequest) => void;
  terminate: () => void;
}

type InputOf<H> = H extends (input: infer I, ...rest: never[]) => unknown ? I : never;
type ChunkOf<H> = H extends (input: never, reports: JobReports<infer C>) => unknown ? C : unknown;
type ResultOf<H> = H extends (...args: never[]) => infer R ? Awaited<R> : never;

const lateAfter = (limit: number): string => `it takes longer than ${Math.round(limit / 1000)} s`;

/** ms in which a worker's program is there, or never. */
const LOADING_LIMIT = 20_000;

/** Workers of one kind, at most `size` at once; further jobs wait their turn. An idle worker is kept for the next job. */
export class WorkerPool<H extends JobHandlers> {
  readonly #make: () => WorkerLike;
  readonly #size: number;
  readonly #idle: WorkerLike[] = [];
  readonly #waiting: (() => void)[] = [];
  #running = 0;

  constructor(make: () => WorkerLike, size = 2) {
    this.#make = make;
    this.#size = size;
  }

  run<K extends keyof H & string>(
    kind: K,
    input: InputOf<H[K]>,
    { onProgress, onChunk, limit }: JobWatch<ChunkOf<H[K]>> = {},
  ): Job<ResultOf<H[K]>> {
    let settle: (end: JobEnd<ResultOf<H[K]>>) => void = () => undefined;
    const end = new Promise<JobEnd<ResultOf<H[K]>>>((resolve) => (settle = resolve));
    let worker: WorkerLike | undefined;
    let isOver = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const finish = (how: JobEnd<ResultOf<H[K]>>, keep: boolean): void => {
      if (isOver) return;
      isOver = true;
      clearTimeout(timer);
      if (worker) this.#leave(worker, keep);
      settle(how);
    };
    const until = (late: number | undefined): void => {
      clearTimeout(timer);
      if (late !== undefined)
        timer = setTimeout(() => finish({ state: 'failed', message: lateAfter(late) }, false), late);
    };
    const start = (): void => {
      if (isOver) return this.#next();
      this.#running++;
      worker = this.#idle.pop() ?? this.#make();
      // An answer that cannot be handed over ends its own job, and no other.
      worker.onmessageerror = () => finish({ state: 'failed', message: 'the answer could not be read' }, false);
      worker.onerror = (event) => finish({ state: 'failed', message: event.message || 'the worker broke' }, false);
      worker.onmessage = ({ data }) => {
        if (isOver) return;
        if (data.type === 'began') until(limit);
        else if (data.type === 'progress') onProgress?.(data.share);
        else if (data.type === 'chunk') onChunk?.(data.chunk as ChunkOf<H[K]>);
        else if (data.type === 'done') finish({ state: 'done', result: data.result as ResultOf<H[K]> }, true);
        else finish({ state: 'failed', message: data.message }, true);
      };
      worker.postMessage({ kind, input });
      until(limit === undefined ? undefined : LOADING_LIMIT);
    };
    if (this.#running < this.#size) start();
    else this.#waiting.push(start);
    return { end, cancel: () => finish({ state: 'cancelled' }, false) };
  }

  #leave(worker: WorkerLike, keep: boolean): void {
    worker.onmessage = worker.onerror = worker.onmessageerror = null;
    if (keep) this.#idle.push(worker);
    else worker.terminate();
    this.#running--;
    this.#next();
  }

  #next(): void {
    if (this.#running < this.#size) this.#waiting.shift()?.();
  }
}
