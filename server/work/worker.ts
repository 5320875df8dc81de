import { parentPort } from 'node:worker_threads';
import { packCollection } from '../collections/packCollection.ts';
import { derive } from '../motifs/derive.ts';
import { readMotif } from '../motifs/readMotif.ts';
import { paintTile } from '../paint/paintTile.ts';
import { Problem } from '../problem.ts';
import { cutSheet } from '../scan/cutSheet.ts';
import { previewPicture } from '../scan/previewPicture.ts';
import { scanSheet } from '../scanner/scanSheet.ts';
import { Stopped, type Answer, type Order, type Outcome, type Task, type TaskContext } from './tasks.ts';

const port = parentPort;
if (!port) throw new Error('this file runs as a worker thread');

function work(task: Task, hands: TaskContext): Promise<Outcome<Task>> {
  switch (task.kind) {
    case 'paint':
      return paintTile(task, hands);
    case 'read':
      return readMotif(task);
    case 'derive':
      return derive(task, hands);
    case 'cut':
      return cutSheet(task, hands);
    case 'scan':
      return scanSheet(task, hands);
    case 'preview':
      return previewPicture(task);
    case 'pack':
      return packCollection(task, hands);
  }
}

port.on('message', ({ id, task, stop }: Order) => {
  const say = (answer: Answer): void => port.postMessage(answer);
  const hands: TaskContext = {
    progress: (share) => say({ id, type: 'progress', share }),
    check: () => {
      if (Atomics.load(stop, 0) === 1) throw new Stopped('stopped');
    },
  };
  work(task, hands).then(
    (outcome) => say({ id, type: 'done', outcome }),
    (error: unknown) =>
      say({
        id,
        type: 'failed',
        message:
          error instanceof Problem
            ? error.message
            : error instanceof Error
              ? (error.stack ?? error.message)
              : String(error),
        ...(error instanceof Problem && { problem: { status: error.status, title: error.title } }),
      }),
  );
});
