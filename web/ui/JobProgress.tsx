import type { JobWatch } from '../api/jobs.ts';
import { Button } from './Button.tsx';
import { TEXTS } from './texts.ts';

/** How far a job is, with a way to stop it; what went wrong, where something did. */
export function JobProgress({ watch, doing }: { readonly watch: JobWatch; readonly doing: string }) {
  const { job, running, error, secondsLeft: left } = watch;
  if (running) {
    return (
      <div className="flex items-center gap-3 text-sm" role="status">
        <span className="shrink-0">{doing} …</span>
        <progress aria-label={doing} value={job?.progress || undefined} className="h-1.5 min-w-0 grow" />
        {left !== undefined && <span className="shrink-0 text-graphite">{TEXTS.timeLeft(left)}</span>}
        <Button onClick={() => watch.stop()} disabled={!job}>
          {TEXTS.stop}
        </Button>
      </div>
    );
  }
  if (error !== undefined) {
    return (
      <p role="alert" className="text-sm text-madder">
        {error}
      </p>
    );
  }
  if (job?.state === 'stopped') return <p className="text-sm text-graphite">{job.message}</p>;
  return null;
}
