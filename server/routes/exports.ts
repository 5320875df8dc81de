import { existsSync } from 'node:fs';
import type { Router } from 'express';
import { string } from 'yup';
import * as contract from '../../contract/index.ts';
import { batchWork, exportWork } from '../exports/exportWork.ts';
import { startFile } from '../exports/fileWork.ts';
import { FILE_KINDS, registerFiles } from '../exports/fileKinds.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { notFound, Problem } from '../problem.ts';
import { deletePreset, listPresets, savePreset } from '../store/presets.ts';
import { exportFile, type Studio } from '../studio.ts';

/** Designs and swatches as files: made by a job, fetched once it is done. */
export function exportRoutes(studio: Studio): Router {
  const { database, jobs } = studio;
  const router = apiRouter();
  registerFiles(studio);

  implement(router, contract.startExport, ({ body }) => startFile(studio, exportWork, body));
  implement(router, contract.startBatch, ({ body }) => startFile(studio, batchWork, body));

  implement(router, contract.readExport, async ({ params, response }) => {
    const job = await jobs.read(params.id);
    if (!FILE_KINDS.has(job.kind) || job.state !== 'done') throw notFound('export');
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
