import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { Scanner } from '../scanner/scanner.ts';
import type { Studio } from '../studio.ts';

/** The simulated scanner. */
export function scannerRoutes(studio: Studio): Router {
  const scanner = new Scanner(studio);
  const router = apiRouter();
  implement(router, contract.readScanner, () => scanner.state);
  implement(router, contract.startScan, ({ body: { original, dpi } }) => scanner.scan(original, dpi));
  implement(router, contract.clearJam, () => {
    scanner.clear();
    return scanner.state;
  });
  return router;
}
