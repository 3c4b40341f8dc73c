import { create } from 'zustand';
import type { Job, JobEnd } from './pool.ts';

/** A job as it is shown, wherever one is in the application. */
export interface ShownJob {
  readonly id: number;
  readonly label: string;
  /** Share done, 0 to 1. */
  readonly share: number;
  readonly cancel: () => void;
  /** Whether the view that began it shows how far it is: then nothing else does, until that view is left. */
  readonly isSeen: boolean;
}

interface JobStore {
  readonly jobs: readonly ShownJob[];
}

/** Jobs that are under way. They outlive the view that began them. */
export const useJobs = create<JobStore>()(() => ({ jobs: [] }));

let count = 0;

/** Shows a job until it ends. `begin` is given what is to be told of its progress; `isSeen`: the view that begins it shows that itself. */
export async function shown<R>(
  label: string,
  begin: (onProgress: (share: number) => void) => Job<R>,
  isSeen = false,
): Promise<JobEnd<R>> {
  const id = ++count;
  const change = (share: number): void =>
    useJobs.setState(({ jobs }) => ({ jobs: jobs.map((job) => (job.id === id ? { ...job, share } : job)) }));
  const { end, cancel } = begin(change);
  useJobs.setState(({ jobs }) => ({ jobs: [...jobs, { id, label, share: 0, cancel, isSeen }] }));
  const ended = await end;
  useJobs.setState(({ jobs }) => ({ jobs: jobs.filter((job) => job.id !== id) }));
  return ended;
}

/** The view that showed jobs is left: those that go on are shown beside whatever comes. */
export const unseen = (): void =>
  useJobs.setState(({ jobs }) => ({ jobs: jobs.map((job) => ({ ...job, isSeen: false })) }));
