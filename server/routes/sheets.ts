import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { startFile } from '../exports/fileWork.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { sheetWork } from '../sheets/sheetWork.ts';
import type { Studio } from '../studio.ts';

/** Sheets of swatches. */
export function sheetRoutes(studio: Studio): Router {
  const router = apiRouter();
  implement(router, contract.startSheet, ({ body }) => startFile(studio, sheetWork, body));
  return router;
}
