import { useEffect, useState } from 'react';
import { ApiProblem, call } from './client.ts';

/** A piece of heavy work on the server. */
export interface Job<Result = unknown> {
  readonly id: string;
  readonly state: 'running' | 'done' | 'failed' | 'stopped';
  readonly progress: number;
  readonly message: string | null;
  readonly result: Result | null;
}

export function stopJob(id: string): Promise<Job> {
  return call<Job>('DELETE', `/jobs/${id}`);
}

/** A job that this screen started, followed until it ends. */
export interface JobWatch<Result> {
  readonly job: Job<Result> | undefined;
  readonly error: string | undefined;
  readonly running: boolean;
  start(begin: () => Promise<Job>): void;
  stop(): void;
}

/** Starts one job at a time and follows it; what went wrong becomes a sentence. */
export function useJob<Result>(onDone: (result: Result) => void): JobWatch<Result> {
  const [job, setJob] = useState<Job<Result>>();
  const [error, setError] = useState<string>();
  const [starting, setStarting] = useState(false);
  const id = job?.state === 'running' ? job.id : undefined;

  useEffect(() => {
    if (id === undefined) return;
    const events = new EventSource(`/api/jobs/${id}/events`);
    events.onmessage = ({ data }: MessageEvent<string>) => {
      const next = JSON.parse(data) as Job<Result>;
      setJob(next);
      if (next.state === 'running') return;
      events.close();
      if (next.state === 'done') onDone(next.result as Result);
      if (next.state === 'failed') setError(next.message ?? 'This could not be finished.');
    };
    return () => events.close();
    // The job's end is told to whoever started it, once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);

  return {
    job,
    error,
    running: starting || id !== undefined,
    start(begin) {
      setError(undefined);
      setStarting(true);
      begin()
        .then((started) => setJob(started as Job<Result>))
        .catch((problem: unknown) =>
          setError(problem instanceof ApiProblem || problem instanceof Error ? problem.message : String(problem)),
        )
        .finally(() => setStarting(false));
    },
    stop() {
      if (id !== undefined) stopJob(id).catch((problem: unknown) => setError(String(problem)));
    },
  };
}
