import { parentPort } from 'node:worker_threads';
import { readMotif } from '../motifs/readMotif.ts';
import { paintUnit } from '../paint/paintUnit.ts';
import { Problem } from '../problem.ts';
import { Stopped, type Answer, type Order, type TaskHands } from './tasks.ts';

const port = parentPort;
if (!port) throw new Error('this file runs as a worker thread');

port.on('message', ({ id, task, stop }: Order) => {
  const say = (answer: Answer): void => port.postMessage(answer);
  const hands: TaskHands = {
    progress: (share) => say({ id, type: 'progress', share }),
    check: () => {
      if (Atomics.load(stop, 0) === 1) throw new Stopped('stopped');
    },
  };
  const work = task.kind === 'paint' ? paintUnit(task, hands) : readMotif(task);
  work.then(
    (outcome) => say({ id, type: 'done', outcome }),
    (error: unknown) =>
      say({
        id,
        type: 'failed',
        message: error instanceof Problem ? error.message : error instanceof Error ? (error.stack ?? error.message) : String(error),
        ...(error instanceof Problem && { problem: { status: error.status, title: error.title } }),
      }),
  );
});
