import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { startFile } from '../exports/fileWork.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { fileOf, implement, orderOf } from '../http/implement.ts';
import { packWork } from '../packs/packWork.ts';
import { takePack } from '../packs/takePack.ts';
import type { Studio } from '../studio.ts';

/** Swatches and designs with all that they are made of, as one file. */
export function packRoutes(studio: Studio): Router {
  const { pool, blobs } = studio;
  const router = apiRouter();

  implement(router, contract.startPack, ({ body }) => startFile(studio, packWork, body));

  implement(router, contract.importPack, async (call) => {
    const { path: file } = fileOf(call, 'The file');
    return takePack(studio, await pool.run({ kind: 'unpack', file, blobs: blobs.folder }, orderOf(call)));
  });

  return router;
}
