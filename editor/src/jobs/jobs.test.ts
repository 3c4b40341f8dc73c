import { describe, expect, test, vi } from 'vitest';
import { WorkerPool, type WorkerLike } from './pool.ts';
import type { JobAnswer, JobReports, JobRequest } from './protocol.ts';
import { serveJobs } from './serve.ts';
import { shown, unseen, useJobs } from './store.ts';

const handlers = {
  double: async (n: number, reports: JobReports<string>) => {
    reports.progress(0.5);
    reports.chunk(`half of ${2 * n}`);
    return Promise.resolve(2 * n);
  },
  fail: (): number => {
    throw new Error('no way');
  },
  never: () => new Promise<number>(() => undefined),
};

/** A worker in this thread: the serving side behind the worker's face. */
function fakeWorkers() {
  const made: (WorkerLike & { ended: boolean })[] = [];
  const make = (): WorkerLike => {
    const scope = {
      onmessage: null as ((event: MessageEvent<JobRequest>) => void) | null,
      postMessage: (answer: JobAnswer) => {
        queueMicrotask(() => worker.onmessage?.({ data: answer } as MessageEvent<JobAnswer>));
      },
    };
    const worker: WorkerLike & { ended: boolean } = {
      onmessage: null,
      onerror: null,
      onmessageerror: null,
      ended: false,
      postMessage: (request) => queueMicrotask(() => scope.onmessage?.({ data: request } as MessageEvent<JobRequest>)),
      terminate: () => {
        worker.ended = true;
        scope.onmessage = null;
      },
    };
    serveJobs(handlers, scope);
    made.push(worker);
    return worker;
  };
  return { made, pool: new WorkerPool<typeof handlers>(make, 2) };
}

describe('jobs', () => {
  test('tell their progress and chunks, and are done; the worker is used again', async () => {
    const { pool, made } = fakeWorkers();
    const told: unknown[] = [];
    const watch = { onProgress: (share: number) => told.push(share), onChunk: (chunk: unknown) => told.push(chunk) };
    expect(await pool.run('double', 4, watch).end).toEqual({ state: 'done', result: 8 });
    expect(told).toEqual([0.5, 'half of 8']);
    expect(await pool.run('double', 5).end).toEqual({ state: 'done', result: 10 });
    expect(made).toHaveLength(1);
  });
  test('a failure is a message, not a rejection', async () => {
    const { pool } = fakeWorkers();
    expect(await pool.run('fail', undefined as never).end).toEqual({ state: 'failed', message: 'no way' });
    expect(await pool.run('nothing' as 'fail', undefined as never).end).toMatchObject({ state: 'failed' });
  });
  test('cancelling always settles: while it runs, while it waits, and when it is over', async () => {
    const { pool, made } = fakeWorkers();
    const jobs = [1, 2, 3].map(() => pool.run('never', undefined as never));
    jobs[2]!.cancel();
    expect(await jobs[2]!.end).toEqual({ state: 'cancelled' });
    jobs[0]!.cancel();
    jobs[0]!.cancel();
    expect(await jobs[0]!.end).toEqual({ state: 'cancelled' });
    expect(made[0]!.ended).toBe(true);
    const next = pool.run('double', 1);
    expect(await next.end).toEqual({ state: 'done', result: 2 });
    next.cancel();
    expect(await next.end).toEqual({ state: 'done', result: 2 });
    jobs[1]!.cancel();
  });
  test('no more than the pool holds run at once; the next begins when one ends', async () => {
    const { pool, made } = fakeWorkers();
    const first = pool.run('never', undefined);
    const second = pool.run('never', undefined);
    const third = pool.run('double', 3);
    await Promise.resolve();
    expect(made).toHaveLength(2);
    second.cancel();
    expect(await third.end).toEqual({ state: 'done', result: 6 });
    first.cancel();
  });
  test('one that takes too long fails, and its worker is ended', async () => {
    vi.useFakeTimers();
    const { pool, made } = fakeWorkers();
    const job = pool.run('never', undefined, { limit: 1000 });
    await vi.advanceTimersByTimeAsync(1001);
    expect(await job.end).toEqual({ state: 'failed', message: 'it takes longer than 1 s' });
    expect(made[0]!.ended).toBe(true);
    vi.useRealTimers();
  });
  test('a worker that breaks fails its job', async () => {
    const { pool, made } = fakeWorkers();
    const job = pool.run('never', undefined);
    made[0]!.onerror?.({ message: 'out of memory' } as ErrorEvent);
    expect(await job.end).toEqual({ state: 'failed', message: 'out of memory' });
  });
});

test('a shown job stands in the store until it ends', async () => {
  const { pool } = fakeWorkers();
  const ended = shown('Double', (onProgress) => pool.run('double', 2, { onProgress }));
  expect(useJobs.getState().jobs).toMatchObject([{ label: 'Double', share: 0 }]);
  expect(await ended).toEqual({ state: 'done', result: 4 });
  expect(useJobs.getState().jobs).toEqual([]);
});

test('a job that its own view shows is shown beside the others once that is left', async () => {
  const { pool } = fakeWorkers();
  const ended = shown('Double', (onProgress) => pool.run('double', 2, { onProgress }), true);
  expect(useJobs.getState().jobs).toMatchObject([{ label: 'Double', isSeen: true }]);
  unseen();
  expect(useJobs.getState().jobs).toMatchObject([{ label: 'Double', isSeen: false }]);
  await ended;
});
