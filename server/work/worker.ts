import { constants, setPriority } from 'node:os';
import { problemOf } from '../problem.ts';
import { Stage } from '../store/stage.ts';
import { DISK_FULL, isDiskFull } from '../store/space.ts';
import type { Answer, Order, Outcome, Task, TaskContext } from './tasks.ts';

if (!process.send) throw new Error('this file runs as a process of the pool');
// Without the server there is nobody to work for.
process.on('disconnect', () => process.exit());
// However much is worked on, the server's own process answers first.
setPriority(constants.priority.PRIORITY_BELOW_NORMAL);

/** What does a task. Its modules are loaded with the first of its kind: a process that reads files needs none that paint tiles. */
async function workOn(task: Task, context: TaskContext): Promise<() => Promise<Outcome<Task>>> {
  switch (task.kind) {
    case 'paint': {
      const { paintExport } = await import('../paint/paintExport.ts');
      return () => paintExport(task, context);
    }
    case 'vector': {
      const { writeVector } = await import('../vector/writeVector.ts');
      return () => writeVector(task);
    }
    case 'read': {
      const { readMotif } = await import('../motifs/readMotif.ts');
      return () => readMotif(task);
    }
    case 'derive': {
      const { derive } = await import('../motifs/derive.ts');
      return () => derive(task, context);
    }
    case 'cut': {
      const { cutSheet } = await import('../scan/cutSheet.ts');
      return () => cutSheet(task, context);
    }
    case 'scan': {
      const { scanSheet } = await import('../scanner/scanSheet.ts');
      return () => scanSheet(task, context);
    }
    case 'preview': {
      const { previewPicture } = await import('../scan/previewPicture.ts');
      return () => previewPicture(task);
    }
    case 'shrink': {
      const { shrink } = await import('../scan/shrink.ts');
      return () => shrink(task);
    }
    case 'flatten': {
      const { flatten } = await import('../scan/flatten.ts');
      return () => flatten(task);
    }
    case 'seams': {
      const { seams } = await import('../scan/seams.ts');
      return () => seams(task);
    }
    case 'pack': {
      const { packCollection } = await import('../collections/packCollection.ts');
      return () => packCollection(task);
    }
    case 'unpack': {
      const { openPack } = await import('../packs/openPack.ts');
      return () => openPack(task);
    }
    case 'open-collection': {
      const { openCollection } = await import('../collections/openCollection.ts');
      return () => openCollection(task, context);
    }
    case 'check': {
      const { check } = await import('./check.ts');
      return () => Promise.resolve(check(task));
    }
    case 'open': {
      const { openWithinLimits } = await import('../../core/document/index.ts');
      return () => Promise.resolve(openWithinLimits(task.document));
    }
    case 'archive': {
      const { packFolder } = await import('../backup/archive.ts');
      return () => packFolder(task);
    }
    case 'compare': {
      const { compareTiles } = await import('../swatches/compareTiles.ts');
      return () => compareTiles(task);
    }
    case 'pictures': {
      const { heldPictures } = await import('../motifs/heldPictures.ts');
      return () => heldPictures(task);
    }
    case 'strike-off': {
      const { drawStrikeOff } = await import('../printHouse/drawStrikeOff.ts');
      return () => drawStrikeOff(task);
    }
    case 'check-studio': {
      const { checkStudio } = await import('../backup/checkStudio.ts');
      return () => checkStudio(task);
    }
    case 'read-back': {
      const { readBack } = await import('../backup/readBack.ts');
      return () => readBack(task);
    }
    case 'plates': {
      const { makePlates } = await import('../plates/makePlates.ts');
      return () => makePlates(task, context);
    }
    case 'sheet': {
      const { setSheet } = await import('../sheets/setSheet.ts');
      return () => setSheet(task);
    }
    case 'product': {
      const { readProductDrawing } = await import('../tryon/readProductDrawing.ts');
      return () => readProductDrawing(task);
    }
    case 'photo': {
      const { readPhoto } = await import('../tryon/readPhoto.ts');
      return () => readPhoto(task);
    }
    case 'outline-product': {
      const { drawOutlineProduct } = await import('../tryon/drawOutlineProduct.ts');
      return () => drawOutlineProduct(task);
    }
    case 'marked': {
      const { markedPictures } = await import('../tryon/markedPictures.ts');
      return () => markedPictures(task);
    }
    case 'try-on': {
      const { writeTryOn } = await import('../tryon/writeTryOn.ts');
      return () => writeTryOn(task, context);
    }
    case 'font': {
      const { readFont } = await import('../motifs/readFont.ts');
      return () => readFont(task);
    }
  }
}

process.on('message', ({ id, task, stage: folder }: Order) => {
  const say = (answer: Answer): void =>
    void process.send?.(answer, undefined, undefined, (error) => {
      // The server ended in the meantime.
      if (error) process.exit();
    });
  const context: TaskContext = { progress: (share) => say({ id, type: 'progress', share }) };
  const stage = folder === undefined ? undefined : new Stage(folder);
  Stage.current = stage;
  const done = workOn(task, context).then(async (work) => {
    say({ id, type: 'began' });
    const outcome = await work();
    stage?.publish();
    return outcome;
  });
  done.then(
    (outcome) => say({ id, type: 'done', outcome }),
    (error: unknown) => {
      stage?.remove();
      const problem = isDiskFull(error) ? DISK_FULL : problemOf(error);
      say(
        problem && problem.status !== 500
          ? { id, type: 'failed', message: problem.message, problem: { status: problem.status, title: problem.title } }
          : { id, type: 'failed', message: error instanceof Error ? (error.stack ?? error.message) : String(error) },
      );
    },
  );
});
