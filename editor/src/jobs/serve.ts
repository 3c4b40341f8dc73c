import type { JobAnswer, JobHandlers, JobReports, JobRequest } from './protocol.ts';
import { reasonOf } from '../words/reasons.ts';

/** What of a worker's scope is used, so that tests bring their own. */
interface Scope {
  onmessage: ((event: MessageEvent<JobRequest>) => void) | null;
  postMessage: (answer: JobAnswer) => void;
}

/** ms. Progress is told no more often than this. */
const PROGRESS_EVERY = 40;

/** Does the jobs that come in, in a worker: every one is answered, whatever happens. */
export function serveJobs(handlers: JobHandlers, scope: Scope = self): void {
  let told = -Infinity;
  const reports: JobReports = {
    progress: (share) => {
      const now = performance.now();
      if (share < 1 && now - told < PROGRESS_EVERY) return;
      told = now;
      scope.postMessage({ type: 'progress', share });
    },
    chunk: (chunk) => scope.postMessage({ type: 'chunk', chunk }),
  };
  scope.onmessage = ({ data }) => {
    scope.postMessage({ type: 'began' });
    const answer = async (): Promise<void> => {
      const handler = handlers[data.kind];
      if (!handler) throw new Error(`no job of the kind "${data.kind}"`);
      scope.postMessage({ type: 'done', result: await handler(data.input as never, reports as never) });
    };
    answer().catch((error: unknown) => scope.postMessage({ type: 'failed', message: reasonOf(error) }));
  };
}
