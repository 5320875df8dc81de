import { useEffect, useRef, useState } from 'react';
import type { ISchema, Schema } from 'yup';
import * as contract from '../../contract/index.ts';
import { call } from './client.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../core/problem/index.ts';

/** A job that this screen started, followed until it ends. */
export interface JobWatch {
  readonly job: contract.Job | undefined;
  readonly error: string | undefined;
  readonly running: boolean;
  /** At the pace so far; undefined until that can be told. */
  readonly secondsLeft: number | undefined;
  start(begin: () => Promise<contract.Job>): void;
  stop(): void;
}

const sentenceOf = (error: unknown): string => messageOf(error);

/** Before this much of the work and this many ms, what is left is anybody's guess. */
const [ENOUGH_SHARE, ENOUGH_MS] = [0.03, 4000];

/** Seconds that are left at the pace so far; undefined until that can be told. */
function timeLeft(share: number, ms: number): number | undefined {
  return share < ENOUGH_SHARE || ms < ENOUGH_MS ? undefined : ((ms / share) * (1 - share)) / 1000;
}

/**
 * Starts one job at a time and follows it; what went wrong becomes a sentence.
 *
 * @param route the route that starts it, whose contract says what it tells when it is done
 */
export function useJob<const R extends contract.Route & { readonly result: ISchema<unknown> }>(
  route: R,
  onDone: (result: contract.ResultOf<R>) => void,
): JobWatch {
  const [job, setJob] = useState<contract.Job>();
  const [error, setError] = useState<string>();
  const [starting, setStarting] = useState(false);
  const [secondsLeft, setSecondsLeft] = useState<number>();
  const began = useRef(0);
  const id = job?.state === 'running' ? job.id : undefined;

  useEffect(() => {
    if (id === undefined) return;
    const events = new EventSource(contract.pathOf(contract.followJob, { id }));
    const end = (next: contract.Job): void => {
      setJob(next);
      setSecondsLeft(timeLeft(next.progress, performance.now() - began.current));
      if (next.state === 'running') return;
      events.close();
      if (next.state === 'done') onDone((route.result as unknown as Schema).validateSync(next.result));
      if (next.state === 'failed') setError(next.message ?? TEXTS.thisCouldNotBeFinished);
    };
    events.onmessage = ({ data }: MessageEvent<string>) => end(contract.jobSchema.validateSync(JSON.parse(data)));
    // The browser connects again by itself; where it has given up, the job is asked for once more.
    events.onerror = () => {
      if (events.readyState !== EventSource.CLOSED) return;
      call(contract.readJob, { params: { id } }).then(end, (problem: unknown) => {
        setJob(undefined);
        setError(sentenceOf(problem));
      });
    };
    return () => events.close();
    // The job's end is told to whoever started it, once.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [id]);

  return {
    job,
    error,
    running: starting || id !== undefined,
    secondsLeft,
    start(begin) {
      setError(undefined);
      setSecondsLeft(undefined);
      began.current = performance.now();
      setStarting(true);
      begin()
        .then(setJob)
        .catch((problem: unknown) => setError(sentenceOf(problem)))
        .finally(() => setStarting(false));
    },
    stop() {
      if (id !== undefined)
        call(contract.stopJob, { params: { id } }).catch((problem: unknown) => setError(sentenceOf(problem)));
    },
  };
}
