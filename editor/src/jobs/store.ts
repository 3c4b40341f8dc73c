import { create } from 'zustand';
import type { Job, JobEnd } from './pool.ts';

/** A job as it is shown, wherever one is in the application. */
export interface ShownJob {
  readonly id: number;
  readonly label: string;
  /** Share done, 0 to 1. */
  readonly share: number;
  readonly cancel: () => void;
}

interface JobStore {
  readonly jobs: readonly ShownJob[];
}

/** Jobs that are under way. They outlive the view that began them. */
export const useJobs = create<JobStore>()(() => ({ jobs: [] }));

let count = 0;

/** Shows a job until it ends. `begin` is given what is to be told of its progress. */
export async function shown<R>(
  label: string,
  begin: (onProgress: (share: number) => void) => Job<R>,
): Promise<JobEnd<R>> {
  const id = ++count;
  const change = (share: number): void =>
    useJobs.setState(({ jobs }) => ({ jobs: jobs.map((job) => (job.id === id ? { ...job, share } : job)) }));
  const { end, cancel } = begin(change);
  useJobs.setState(({ jobs }) => ({ jobs: [...jobs, { id, label, share: 0, cancel }] }));
  const ended = await end;
  useJobs.setState(({ jobs }) => ({ jobs: jobs.filter((job) => job.id !== id) }));
  return ended;
}
