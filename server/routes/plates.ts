import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { startFile } from '../exports/fileWork.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { plateWork } from '../plates/plateWork.ts';
import type { Studio } from '../studio.ts';

/** Designs and swatches as plates for screen and block printing. */
export function plateRoutes(studio: Studio): Router {
  const router = apiRouter();
  implement(router, contract.startPlates, ({ body }) => startFile(studio, plateWork, body));
  return router;
}
