import { packCollection } from '../collections/packCollection.ts';
import { derive } from '../motifs/derive.ts';
import { readFont } from '../motifs/readFont.ts';
import { readMotif } from '../motifs/readMotif.ts';
import { paintTile } from '../paint/paintTile.ts';
import { Problem } from '../problem.ts';
import { cutSheet } from '../scan/cutSheet.ts';
import { previewPicture } from '../scan/previewPicture.ts';
import { scanSheet } from '../scanner/scanSheet.ts';
import type { Answer, Order, Outcome, Task, TaskContext } from './tasks.ts';

if (!process.send) throw new Error('this file runs as a process of the pool');
// Without the server there is nobody to work for.
process.on('disconnect', () => process.exit());

function work(task: Task, context: TaskContext): Promise<Outcome<Task>> {
  switch (task.kind) {
    case 'paint':
      return paintTile(task, context);
    case 'read':
      return readMotif(task);
    case 'derive':
      return derive(task, context);
    case 'cut':
      return cutSheet(task, context);
    case 'scan':
      return scanSheet(task, context);
    case 'preview':
      return previewPicture(task);
    case 'pack':
      return packCollection(task);
    case 'font':
      return readFont(task);
  }
}

process.on('message', ({ id, task }: Order) => {
  const say = (answer: Answer): void => void process.send?.(answer);
  say({ id, type: 'began' });
  const context: TaskContext = { progress: (share) => say({ id, type: 'progress', share }) };
  work(task, context).then(
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
