import { existsSync } from 'node:fs';
import { Router } from 'express';
import { string } from 'yup';
import * as contract from '../../contract/index.ts';
import { batchWork, exportWork, planBatch, planExport } from '../exports/exportWork.ts';
import { implement } from '../http/implement.ts';
import { notFound, Problem } from '../problem.ts';
import { deletePreset, listPresets, savePreset } from '../store/presets.ts';
import { exportFile, type Studio } from '../studio.ts';

/** Jobs whose outcome is a file that is fetched. */
const WITH_FILE: ReadonlySet<string> = new Set(['export', 'batch', 'pack', 'sheet', 'plates']);

/** Designs and swatches as files: made by a job, fetched once it is done. */
export function exportRoutes(studio: Studio): Router {
  const { database, jobs } = studio;
  const router = Router();

  implement(router, contract.startExport, async ({ body }) => {
    // Refused before it becomes a job, so that the answer is immediate.
    const planned = await planExport(studio, body);
    return jobs.start(
      'export',
      exportWork(studio, () => Promise.resolve(planned)),
      body,
    );
  });

  implement(router, contract.startBatch, async ({ body }) => {
    const { sources, orders } = body;
    if (sources.length * orders.length > contract.MOST_BATCHED_FILES)
      throw new Problem(
        422,
        'Too many files',
        `That would be ${sources.length * orders.length} files; at most ${contract.MOST_BATCHED_FILES} go into one ZIP. Nothing was made; choose fewer swatches or formats.`,
      );
    const plan = await planBatch(studio, body);
    return jobs.start(
      'batch',
      batchWork(studio, () => Promise.resolve(plan)),
      body,
    );
  });

  implement(router, contract.readExport, async ({ params, response }) => {
    const job = await jobs.read(params.id);
    if (!WITH_FILE.has(job.kind) || job.state !== 'done') throw notFound('export');
    const file = exportFile(studio, job.id);
    if (!existsSync(file))
      throw new Problem(
        410,
        'No longer there',
        'This file was made before Hevrel was last started and is no longer kept. Export it again.',
      );
    response.download(
      file,
      string()
        .required()
        .validateSync(Reflect.get(job.result ?? {}, 'fileName')),
    );
  });

  implement(router, contract.listPresets, () => listPresets(database));
  implement(router, contract.savePreset, ({ body }) => savePreset(database, body));
  implement(router, contract.deletePreset, ({ params }) => deletePreset(database, params.id));

  return router;
}
