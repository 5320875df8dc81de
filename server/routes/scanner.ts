import { json, Router } from 'express';
import { number, object } from 'yup';
import { idSchema } from '../../core/schema/index.ts';
import { DENSITIES, Scanner } from '../scanner/scanner.ts';
import type { Studio } from '../studio.ts';

const wish = object({ original: idSchema, dpi: number().oneOf(DENSITIES).required() })
  .noUnknown()
  .required();

/** The simulated scanner. */
export function scannerRoutes(studio: Studio): Router {
  const scanner = new Scanner(studio);
  const router = Router();

  router.get('/', (_request, response) => {
    response.json(scanner.state);
  });

  router.post('/scan', json(), async (request, response) => {
    const { original, dpi } = wish.validateSync(request.body, { strict: true });
    response.status(202).json(await scanner.scan(original, dpi));
  });

  router.post('/clear', (_request, response) => {
    scanner.clear();
    response.json(scanner.state);
  });

  return router;
}
