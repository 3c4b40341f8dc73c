import { Progress } from '@mantine/core';
import { useEffect, useState } from 'react';
import { useJobs, type ShownJob } from './store.ts';

/** ms. A job that is done sooner is not worth a word. */
const PATIENCE = 500;

/** Jobs that take longer than a moment, with their progress and a way to end them, in every view but the one that shows them itself. */
export function JobNotes() {
  const jobs = useJobs((state) => state.jobs).filter(({ isSeen }) => !isSeen);
  return (
    <div className="job-notes" role="status" aria-label="Work under way">
      {jobs.map((job) => (
        <JobNote key={job.id} job={job} />
      ))}
    </div>
  );
}

function JobNote({ job: { label, share, cancel } }: { job: ShownJob }) {
  const [isLong, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(true), PATIENCE);
    return () => clearTimeout(timer);
  }, []);
  if (!isLong) return null;
  return (
    <div className="job-note">
      <span>{label}</span>
      <Progress value={share * 100} aria-label={label} />
      <button type="button" className="small-button" onClick={cancel}>
        cancel
      </button>
    </div>
  );
}
